import type { Page } from '@playwright/test';
import axe from 'axe-core';
import { answered, choose, line, settled, sheetsOf } from '../pages';
import { addPaper, expect, test } from '../workshop';

const JOB = '0dd00000-0000-4000-8000-000300000001';
const CLASS = '0dd00000-0000-4000-8000-000300000009';
const KRAFT = '0dd00000-0000-4000-8000-000100000006';
const KIT = '0dd00000-0000-4000-8000-000300000016';

const PLACES = [
  ['start', '/?holds=60+x+45+x+22'],
  ['nothing asked', '/'],
  ['a set', '/?holds=4+tickets+105+x+74%2C+one+hex+key+120+x+35+x+8'],
  ['a sheet', '/?holds=sheet+150'],
  ['jobs', '/jobs'],
  ['purpose', `/jobs/${JOB}/purpose`],
  ['form', `/jobs/${JOB}/form`],
  ['sheet', `/jobs/${JOB}/sheet`],
  ['cut', `/jobs/${JOB}/cut`],
  ['marks', `/jobs/${JOB}/marks`],
  ['find a mark', '/marks?find=2%2F5&sheet=A4'],
  ['divide by eye', '/marks/drill'],
  ['fold', `/jobs/${JOB}/fold`],
  ['a kit', `/jobs/${KIT}/sheet`],
  ['prove', `/jobs/${JOB}/prove`],
  ['a boat proved', `/jobs/${KIT}/prove`],
  ['record', `/jobs/${JOB}/record`],
  ['shelf', '/shelf'],
  ['cutting plans', '/shelf/cutting'],
  ['a cut', '/shelf/cutting/new'],
  // Folds every form from what is left of a sheet: minutes in all.
  ...(process.env['DEEP'] ? [['parts of a sheet', `/shelf/papers/${KRAFT}`] as const] : []),
  ['shopping list', '/shelf/shopping'],
  ['paper used', '/shelf/use'],
  ['papers from a table', '/shelf/import'],
  ['forms', '/forms'],
  ['one form', '/forms/square-tray-and-eared-lid'],
  ['a wrap', '/forms/card-template-wrap'],
  ['a cup', '/forms/flat-folding-cup'],
  ['steps', '/forms/thirds-twist-letterfold/steps'],
  ['logbook', '/logbook'],
  ['trials', '/logbook/trials'],
  ['until a day', '/jobs/run'],
  ['settings', '/settings'],
  ['for programs', '/settings/for-programs'],
  ['nowhere', '/nowhere'],
] as const;

/** What opens in place, and a field that is seen then. */
const OPENED = [
  ['/?holds=60+x+45+x+22', 'Options', 'Shared among equal pieces'],
  ['/shelf', 'Add a paper', 'Size of one sheet'],
  ['/shelf', 'Add a thing', 'What it is, and how large'],
  [`/jobs/${JOB}/marks`, 'mark 1: other ways', 'A card cut to length'],
  [`/jobs/${JOB}/fold`, 'True size', /Hold a bank card to the screen/],
  [`/jobs/${CLASS}/fold`, 'All copies', 'Your name at this table'],
  [`/jobs/${JOB}/fold`, 'My paper looks different', /^Before step/],
  [`/jobs/${JOB}/fold`, 'See it move', 'How far it has moved'],
  [`/jobs/${JOB}/marks`, 'What shows where', 'Faces that show'],
  [`/jobs/${JOB}/cut`, 'Name, folder, print, changes', 'Printer’s paper'],
  // The last is kept open, and left empty.
  ['/settings', 'Add a hand', 'Misses a mark by'],
] as const;

const DAY_MS = 24 * 3600 * 1000;

const SCHEMES: readonly ('light' | 'dark')[] = ['light', 'dark'];

/** Every day each place is looked at in one scheme, light and dark in turn: both take minutes, and `test:deep` has them. */
const schemesOf = (k: number): typeof SCHEMES => (process.env['DEEP'] ? SCHEMES : [SCHEMES[k % SCHEMES.length]]);

/**
 * Every day a third of all places, on the next days the others: all of them take minutes, and `test:deep` has them.
 */
const placesToday = (): readonly (typeof PLACES)[number][] =>
  PLACES.filter((_, k) => process.env['DEEP'] || (k + Math.floor(Date.now() / DAY_MS)) % 3 === 0);

/**
 * Of what opens, every day half is looked at by axe and the other half at a narrow width, the next day the other way round;
 * the last, which is gone on with, always by axe.
 */
function openedToday(by: 'axe' | 'width'): readonly (typeof OPENED)[number][] {
  const day = Math.floor(Date.now() / DAY_MS);
  return OPENED.filter((_, k) => {
    const last = k === OPENED.length - 1;
    return process.env['DEEP'] || (by === 'axe' ? last || (k + day) % 2 === 0 : !last && (k + day) % 2 === 1);
  });
}

/** What axe finds wrong on the page as it stands. */
async function faults(page: Page, name: string, schemes = SCHEMES): Promise<readonly string[]> {
  const all: string[] = [];
  // Without motion colours change at once.
  for (const colorScheme of schemes) {
    await page.emulateMedia({ colorScheme, reducedMotion: 'reduce' });
    await page.evaluate(axe.source);
    const found = await page.evaluate(() =>
      (window as unknown as { axe: typeof axe }).axe.run(document, {
        runOnly: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'],
      }),
    );
    for (const { id, nodes } of found.violations)
      all.push(`${name}, ${colorScheme}: ${id} ${nodes.map(({ html }) => html.slice(0, 120)).join(' | ')}`);
  }
  return all;
}

test('every place can be used by everyone, light and dark', async ({ browser, demo }) => {
  // Nineteen places, each of which folds something: minutes on a slow machine.
  test.setTimeout(420_000);
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  const errors: string[] = [];
  page.on('pageerror', (error) => errors.push(error.message));
  page.on('console', (message) => message.type() === 'error' && errors.push(message.text()));
  for (const [k, [name, path]] of placesToday().entries()) {
    await page.goto(demo.url + path);
    await settled(page);
    expect(await faults(page, name, schemesOf(k))).toEqual([]);
  }
  for (const [k, [path, open, seen]] of openedToday('axe').entries()) {
    await page.goto(demo.url + path);
    await page.getByRole('button', { name: open }).first().click();
    await expect(page.getByLabel(seen).first()).toBeVisible();
    expect(await faults(page, `${path} ${open}`, schemesOf(k))).toEqual([]);
  }
  await page.getByRole('button', { name: 'Keep it', exact: true }).click();
  await expect(page.getByText('Give it a name.')).toBeVisible();
  expect(await faults(page, 'what is wrong with a thing')).toEqual([]);
  expect(errors).toEqual([]);
  await page.close();
});

test('every place fits a width of 360 px, and with a decimal comma shows no decimal point', async ({
  browser,
  demo,
}) => {
  test.setTimeout(300_000);
  const page = await browser.newPage({ viewport: { width: 360, height: 740 }, hasTouch: true, isMobile: true });
  await page.goto(`${demo.url}/settings`);
  for (const [setting, choice] of [
    ['Decimal mark', 'a comma: 1,5'],
    ['Weights are shown in', 'ounces'],
    ['Volumes are shown in', 'US fluid ounces'],
  ] as const) {
    const kept = page.waitForResponse((response) => response.request().method() === 'PUT' && response.ok());
    await choose(page, setting, choice);
    await kept;
  }
  for (const [name, path] of placesToday()) {
    await page.goto(demo.url + path);
    await settled(page);
    const { wide, view } = await page.evaluate(() => ({
      wide: document.documentElement.scrollWidth,
      view: document.documentElement.clientWidth,
    }));
    expect(`${name}: ${wide}`).toBe(`${name}: ${view}`);
    // Addresses in a network have points in any country.
    const text = (await page.getByRole('main').innerText()).replaceAll(/\d+(\.\d+){3}/g, 'an address');
    const points = text.match(/.{0,30}\d\.\d.{0,20}/g) ?? [];
    expect(points.map((found) => `${name}: ${found}`)).toEqual([]);
    if (name === 'a cup') await expect(page.getByText(/most, if the paper were limp\s*2,\d+ fl oz/)).toBeVisible();
  }
  // What opens in place, or from below.
  for (const [path, open, seen] of openedToday('width')) {
    await page.goto(demo.url + path);
    await page.getByRole('button', { name: open }).first().click();
    await expect(page.getByLabel(seen).first()).toBeVisible();
    const wide = await page.evaluate(() => document.documentElement.scrollWidth);
    expect(`${path} ${open}: ${wide}`).toBe(`${path} ${open}: 360`);
  }
  await page.close();
});

test('keys and lines open over the table, fit a narrow screen, and give the keys back', async ({ browser, demo }) => {
  const page = await browser.newPage({ viewport: { width: 360, height: 740 } });
  await page.goto(`${demo.url}/jobs/${JOB}/fold`);
  const step = (n: number) => page.getByText(new RegExp(`step ${n} of`));
  const at = Number(/step (\d+) of/.exec((await page.getByText(/step \d+ of/).textContent())!)?.[1]);
  await page.keyboard.press('?');
  const legend = page.getByRole('dialog', { name: 'Keys and lines' });
  await expect(legend).toBeVisible();
  const { x, y, width, height } = (await legend.boundingBox())!;
  expect(Math.min(x, y)).toBeGreaterThan(0);
  expect(x + width).toBeLessThan(360);
  expect(y + height).toBeLessThan(740);
  expect(await faults(page, 'keys and lines')).toEqual([]);
  await page.keyboard.press('ArrowRight');
  await expect(step(at)).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(legend).toHaveCount(0);
  await page.keyboard.press('ArrowRight');
  await expect(step(at + 1)).toBeVisible();
  await page.keyboard.press('ArrowLeft');
  await expect(step(at)).toBeVisible();
  await page.close();
});

test('the folded piece turns by keys, and is a still picture without WebGL', async ({ page, demo }) => {
  await page.goto(`${demo.url}/jobs/${JOB}/sheet`);
  const model = page.getByTestId('model');
  await expect(model).toHaveAttribute('data-kind', 'turning');
  let before = await model.screenshot();
  /** Waits until the picture is another one, and then until it stays. */
  const moved = async (): Promise<void> => {
    await expect.poll(async () => (await model.screenshot()).equals(before)).toBe(false);
    await expect
      .poll(async () => {
        const last = before;
        before = await model.screenshot();
        return before.equals(last);
      })
      .toBe(true);
  };
  await model.focus();
  for (const key of ['ArrowRight', 'ArrowUp', '+']) {
    await page.keyboard.press(key);
    await moved();
  }
  const { x, y } = (await model.boundingBox())!;
  await page.mouse.move(x + 60, y + 60);
  await page.mouse.down();
  await page.mouse.move(x + 140, y + 70, { steps: 4 });
  await page.mouse.up();
  await moved();
  // A wheel scrolls the page; with a key held it brings the piece nearer.
  await page.keyboard.down('Control');
  await page.mouse.wheel(0, -200);
  await page.keyboard.up('Control');
  await moved();

  await page.addInitScript(() => {
    HTMLCanvasElement.prototype.getContext = () => null;
  });
  await page.reload();
  await expect(page.getByRole('img', { name: /to scale/ }).first()).toBeVisible();
  await expect(page.getByText('this browser shows no 3D')).toBeVisible();
});

test('two windows cannot overwrite each other’s count unseen', async ({ context, workshop }) => {
  await addPaper(workshop.url);
  const [one, other] = [await context.newPage(), await context.newPage()];
  // The other is told of changes too late, as over a bad connection.
  await other.route('**/api/changes*', (route) => route.abort());
  for (const page of [one, other]) await page.goto(`${workshop.url}/shelf`);
  await one.getByRole('button', { name: 'One sheet more' }).click();
  await expect(sheetsOf(one, 'Chart paper', 5)).toBeVisible();
  await other.getByRole('button', { name: 'One sheet less' }).click();
  const asked = other.getByRole('dialog', { name: '“Chart paper” was changed meanwhile' });
  await expect(asked.getByRole('row', { name: 'Sheets 3 5' })).toBeVisible();
  expect(await faults(other, 'two versions')).toEqual([]);
  await asked.getByRole('button', { name: 'Keep yours' }).click();
  await expect(sheetsOf(other, 'Chart paper', 3)).toBeVisible();
  await one.reload();
  await expect(sheetsOf(one, 'Chart paper', 3)).toBeVisible();
});

test('an earlier decision says what it changes, keeps it, and can be undone', async ({ page, demo }) => {
  await page.goto(`${demo.url}/jobs/${JOB}/purpose`);
  await line(page).fill('70 x 45 x 22');
  await expect(page.getByText('Folding starts again from the first step.')).toBeVisible();
  await page.getByRole('button', { name: 'Keep these changes' }).click();
  await expect(page.getByText('Folding starts again.', { exact: false }).last()).toBeVisible();
  await expect(page.getByRole('link', { name: /^Fold/ })).toContainText('not begun');
  // The history outlasts the bar at the foot, and a reload.
  await page.reload();
  await page.getByRole('button', { name: 'Name, folder, print, changes' }).click();
  await page.getByRole('button', { name: 'Undo this and what came after' }).click();
  await expect(page.getByRole('link', { name: /^Fold/ })).toContainText('1 of 2 begun');
  await expect(line(page)).toHaveValue('60 x 45 x 22');
});

test('wrong entries for a paper are told field by field and nothing typed is lost', async ({ page, workshop }) => {
  await page.goto(`${workshop.url}/shelf`);
  await page.getByRole('button', { name: 'Add a paper' }).first().click();
  await page.getByLabel('Size of one sheet').fill('297');
  await page.getByLabel('Sheets', { exact: true }).fill('two');
  await page.getByLabel('Weight').fill('heavy');
  await page.getByRole('button', { name: 'Put it on the shelf' }).click();
  for (const told of [
    'Give it a name.',
    'Write two sizes, for example 297 x 210.',
    'Count whole sheets, 0 or more.',
    'Write a weight, for example 80, or 20 lb bond, or 65 lb cover.',
  ])
    await expect(page.getByText(told)).toBeVisible();
  await expect(page.getByLabel('Sheets', { exact: true })).toHaveValue('two');
});

test('at twice the size, and in forced colours, the start can be read and used', async ({ browser, demo }) => {
  // Twice the size is half the room: 640 × 400 of what were 1280 × 800.
  const page = await browser.newPage({ viewport: { width: 640, height: 400 }, forcedColors: 'active' });
  await page.goto(`${demo.url}/?holds=60+x+45+x+22`);
  await answered(page);
  const { wide, view } = await page.evaluate(() => ({
    wide: document.documentElement.scrollWidth,
    view: document.documentElement.clientWidth,
  }));
  expect(wide).toBe(view);
  await page.getByRole('button', { name: /^Options/ }).click();
  await page.getByRole('radio', { name: 'loose' }).click();
  await expect(page.getByRole('radio', { name: 'loose' })).toBeChecked();
  await page.getByRole('button', { name: 'Show the answers' }).click();
  await expect(page.getByRole('button', { name: /^Options/ })).toContainText('loose fit');
  await page.close();
});
