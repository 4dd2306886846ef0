import type { Page } from '@playwright/test';
import { answer, answered, choose, openOptions, sideOf, paperNamed, sheetsOf } from '../pages';
import { ASKED, BY_KEYS, BY_TOUCH, walk } from '../walk';
import { expect, test } from '../workshop';

const counter = (page: Page) => page.getByText(/step \d+ of \d+/);

/** How many steps the server knows to be done, for the job in the address. */
async function stepKept(page: Page): Promise<number> {
  const { origin, pathname } = new URL(page.url());
  const job = (await (await fetch(`${origin}/api/jobs/${pathname.split('/')[2]}`)).json()) as {
    makes: { progress: { done: string[] }[] }[];
  };
  return job.makes[0].progress.reduce((sum, { done }) => sum + done.length, 0);
}

/** The step shown, from 1. */
async function stepShown(page: Page): Promise<number> {
  return Number(/step (\d+) of/.exec((await counter(page).textContent()) ?? '')?.[1]);
}

test('from what goes in to the logbook, by keyboard, with a reload and a power cut in the middle', async ({
  page,
  workshop,
}) => {
  await page.goto(`${workshop.url}/shelf`);
  await expect(page.getByRole('heading', { name: 'The shelf is empty' })).toBeVisible();
  await page.getByRole('button', { name: 'Add a paper' }).first().press('Enter');
  await page.getByLabel('Name').fill('Chart paper');
  await page.getByLabel('Size of one sheet').fill('19 3/4 x 13 3/4 in');
  await page.getByLabel('Sheets', { exact: true }).fill('4');
  await page.getByLabel('Thickness of a stack').fill('0.12');
  await page.keyboard.press('Enter');
  await expect(paperNamed(page, 'Chart paper')).toBeVisible();

  await page.getByRole('link', { name: 'Start', exact: true }).press('Enter');
  await page.getByLabel('What, and how large').fill('60 x 45 x 22');
  await openOptions(page);
  await choose(page, 'Folded from', /^Chart paper/);
  await choose(page, 'Closed', 'with a lid to lift by ears');
  const tray = answer(page, 'Square tray');
  // What was asked last has a lid.
  await expect(tray).toContainText('Lid with ears:');
  await answered(page);
  await expect(tray.getByRole('button', { name: 'Start this job' })).toBeEnabled();
  const side = await sideOf(tray);
  await tray.getByRole('button', { name: 'Start this job' }).press('Enter');

  // The job begins with the very answer that was pressed.
  await expect(page).toHaveURL(/\/jobs\/[0-9a-f-]+\/sheet$/);
  await expect(page.getByRole('article', { name: 'Tray', exact: true })).toContainText(`${side}mm`);
  await expect(page.getByText(/^Fits in 9\d of 100 tries/).first()).toBeVisible();
  await page.getByRole('link', { name: 'Go on to folding' }).press('Enter');
  await expect(counter(page)).toContainText('step 1 of');
  await expect(page.getByRole('img', { name: /^Step 1:/ })).toBeVisible();

  for (let k = 0; k < 5; k++) await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Space');
  await page.keyboard.press('ArrowLeft');
  await expect(counter(page)).toContainText('step 6 of');
  // What is done stays done when the hand looks back.
  await expect.poll(() => stepKept(page)).toBe(6);
  await page.reload();
  await expect(counter(page)).toContainText('step 7 of');

  await workshop.kill();
  await page.keyboard.press('ArrowRight');
  await expect(counter(page)).toContainText('step 8 of');
  await expect(page.getByText(/entr(?:y|ies) waits? for it/)).toBeVisible();
  await workshop.start();
  await expect(page.getByText(/entr(?:y|ies) waits? for it/)).toBeHidden();
  await page.reload();
  await expect(counter(page)).toContainText('step 8 of');

  await page.keyboard.press('v');
  await expect(page.getByRole('button', { name: 'Other side' })).toHaveAttribute('aria-pressed', 'true');
  await page.keyboard.press('v');
  await page.keyboard.press('c');
  await expect(page.getByRole('img', { name: /^Crease pattern/ })).toBeVisible();
  await page.keyboard.press('c');
  await page.keyboard.press('m');
  await expect(page.getByText('Inside when folded')).toBeVisible();
  await page.keyboard.press('?');
  await expect(page.getByRole('heading', { name: 'Keys and lines' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('heading', { name: 'Keys and lines' })).toBeHidden();

  const steps = await page.getByRole('list', { name: 'Steps' }).getByRole('button').count();
  await expect(counter(page)).toContainText('step 8 of');
  for (let k = await stepShown(page); k <= steps; k++) await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('heading', { name: 'Tray: folded' })).toBeVisible();
  await page.getByRole('button', { name: 'Fold Lid with ears' }).press('Enter');
  await expect(page.getByText(/^\s*Lid with ears from/)).toContainText('step 1 of');
  for (let k = 0; k <= steps; k++) await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('heading', { name: 'It is folded' })).toBeVisible();
  await expect(page.getByText('Lid with ears over Tray')).toBeVisible();

  await page.getByRole('link', { name: 'Record what came out' }).press('Enter');
  await page.getByLabel('Inside, long').first().fill('62');
  await page.getByLabel('Minutes').fill('26');
  await page.getByLabel('Note').fill('Crisp corners.');
  await page.getByLabel('Inside, wide').first().fill('9 m');
  await page.getByRole('button', { name: /It is folded/ }).press('Enter');
  await expect(page.getByText('larger than the 5 m')).toBeVisible();
  await page.getByLabel('Inside, wide').first().fill('2 7/16 in');
  await page.getByLabel('Inside, deep').first().fill('3.1 cm');
  await page.getByRole('button', { name: /It is folded/ }).press('Enter');

  await expect(page).toHaveURL(/\/logbook$/);
  const row = page.getByRole('row').filter({ hasText: 'Square tray for 60 × 45 × 22 mm' });
  await expect(row).toContainText('62 mm');
  await expect(row).toContainText('61.9 mm');
  await expect(row).toContainText('Crisp corners.');
  await expect(page.getByText('1 of Chart paper taken off the shelf')).toBeVisible();

  await page.getByRole('link', { name: 'Shelf' }).press('Enter');
  await expect(sheetsOf(page, 'Chart paper', 3)).toBeVisible();
  await page.goBack();
  // The bar with “Undo” is gone after some seconds; the entry itself can be taken out at any time.
  await page.getByRole('button', { name: /^Take out/ }).press('Enter');
  await expect(page.getByRole('heading', { name: 'Nothing folded yet' })).toBeVisible();
  await page.getByRole('link', { name: 'Shelf' }).press('Enter');
  await expect(sheetsOf(page, 'Chart paper', 4)).toBeVisible();
});

for (const one of ASKED)
  test(`${one.form}, from what is typed to the logbook, by keys`, async ({ page, workshop }) => {
    test.skip(
      !process.env['DEEP'] && !['Banded gift box', 'Strap buckle'].includes(one.form),
      'every form in the deep run',
    );
    await walk(page, workshop.url, one, BY_KEYS);
  });

test.describe('at the table, by touch', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });

  const touched = ['Page-corner bookmark', 'Flat-folding cup', 'Long canoe'];
  const day = Math.floor(Date.now() / (24 * 3600 * 1000));
  for (const one of ASKED.filter(({ form }) => touched.includes(form)))
    test(`${one.form}, from what is typed to the logbook`, async ({ page, workshop }) => {
      test.skip(!process.env['DEEP'] && touched.indexOf(one.form) !== day % 3, 'one a day, all in the deep run');
      await walk(page, workshop.url, one, BY_TOUCH);
    });

  test('a swipe turns the page of the steps', async ({ page, demo }) => {
    await page.goto(`${demo.url}/jobs/0dd00000-0000-4000-8000-000300000004/fold`);
    await expect(counter(page)).toContainText('step 1 of');
    await page.getByRole('button', { name: 'Next' }).tap();
    await expect(counter(page)).toContainText('step 2 of');
    const pictures = page.getByRole('region', { name: 'Pictures' });
    const box = (await pictures.boundingBox())!;
    const swipe = async (from: number, to: number): Promise<void> => {
      const at = { clientY: box.y + 80, pointerType: 'touch', bubbles: true };
      await pictures.dispatchEvent('pointerdown', { ...at, clientX: from });
      await pictures.dispatchEvent('pointerup', { ...at, clientX: to });
    };
    await swipe(300, 120);
    await expect(counter(page)).toContainText('step 3 of');
    await swipe(120, 300);
    await expect(counter(page)).toContainText('step 2 of');
  });
});
