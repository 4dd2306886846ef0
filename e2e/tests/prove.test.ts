import engine from '@dimforge/rapier3d-deterministic-compat';
import { job as jobSchema, toFold } from '@odd-corner/contract';
import { POURED_THINGS } from '@odd-corner/core';
import type { Page } from '@playwright/test';
import { trialTasks } from '../../web/src/app/workers/trial-tasks';
import { choose } from '../pages';
import { expect, test } from '../workshop';

const PLANNED = '0dd00000-0000-4000-8000-000300000004';
const REGATTA = '0dd00000-0000-4000-8000-000300000016';

/** Presses what has the focus after so many tabs, found by its name: by keys alone. */
async function press(page: Page, name: string): Promise<void> {
  const button = page.getByRole('button', { name });
  await button.focus();
  await button.press('Enter');
}

/** What is poured into a make, as this program comes to it. */
async function pouredHere(page: Page, job: string, thing: string): Promise<readonly number[]> {
  const [{ make }] = jobSchema.parse(await (await page.request.get(job)).json()).makes;
  const tasks = trialTasks(async () => {
    await engine.init();
    return engine;
  });
  const asked = { make: toFold(make), thing: POURED_THINGS.find(({ name }) => name === thing)!, shaken: false };
  const poured = await tasks.pour(
    asked,
    () => undefined,
    () => Promise.resolve(true),
  );
  if (!poured?.ok || !poured.value.filled) throw new Error('Nothing was poured.');
  const { comfortable, level, heaped } = poured.value.filled;
  return [comfortable, level, heaped].map(({ likely }) => likely);
}

test('a tray is poured full by keys, guessed first, and what came is in the logbook', async ({ page, demo }) => {
  await page.goto(`${demo.url}/jobs/${PLANNED}/prove`);
  await choose(page, 'Poured in', /^Dice$/);
  const guess = page.getByLabel('Your guess');
  await guess.fill('9');
  await press(page, 'Pour them in');
  await expect(page.getByText(/From 3 pours/)).toBeVisible({ timeout: 90_000 });
  // The same in the browser and in Node, to the last die.
  const shown = await page.locator('dl.facts dd b').allTextContents();
  expect(shown.map(Number)).toEqual(await pouredHere(page, `${demo.url}/api/jobs/${PLANNED}`, 'Dice'));
  await expect(page.getByRole('paragraph').filter({ hasText: 'Your guess' })).toContainText('9 pieces');
  await page.getByLabel('It came to').fill('21');
  await page.getByLabel('Who guesses').fill('Window bench');
  await press(page, 'Write the trial down');
  await expect(page.getByText('In the logbook, among the trials.')).toBeVisible();
  await page.goto(`${demo.url}/logbook/trials`);
  const card = page.getByRole('listitem').filter({ hasText: 'Window bench' }).filter({ hasText: 'Poured' });
  await expect(card).toContainText('9 pieces');
  await expect(card).toContainText('21 pieces');
  await expect(
    page.getByText(/Sorter: 4 guesses, off by \d+ % at first and by \d+ % now. They get better/),
  ).toBeVisible();
});

test('a tray is tipped over by what leans in it, by touch on a phone', async ({ browser, demo }) => {
  const page = await browser.newPage({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });
  await page.goto(`${demo.url}/jobs/${PLANNED}/prove`);
  await page.getByRole('radio', { name: 'Hold' }).tap();
  await page.getByRole('button', { name: 'Lean them all one way' }).tap();
  await expect(page.getByText(/^from \d+ on$/).first()).toBeVisible();
  await expect(page.getByRole('img', { name: /with what leans in it/ })).toBeVisible();
  await page.getByLabel('Long').fill('20 mm');
  await page.getByLabel('Thick').focus();
  await expect(page.getByText('not by what leans in it')).toBeVisible();
  await page.close();
});

test('a boat is loaded by touch and by keys until it leans', async ({ browser, demo }) => {
  const page = await browser.newPage({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });
  await page.goto(`${demo.url}/jobs/${REGATTA}/prove`);
  await page.getByRole('button', { name: 'Set it afloat' }).tap();
  await expect(page.getByText('Freeboard')).toBeVisible();
  await expect(page.getByText(/gives way after about \d+ minutes/)).toBeVisible();
  const load = page.getByRole('button', { name: /^Load 1/ });
  await load.scrollIntoViewIfNeeded();
  const box = (await load.boundingBox())!;
  // A finger drags it to the right.
  await load.dispatchEvent('pointerdown', { pointerId: 1, clientX: box.x + 5, clientY: box.y + 5 });
  await load.focus();
  for (let k = 0; k < 4; k++) await load.press('ArrowRight');
  await expect(page.getByText(/the right end lower/)).toBeVisible();
  await page.close();
});

test('a bead rolls down a track of one’s own, and says what would change it', async ({ page, demo }) => {
  await page.goto(`${demo.url}/?holds=bead+8+mm`);
  const first = page.getByRole('article').first();
  await first.getByRole('button').first().click({ timeout: 60_000 });
  await page.waitForURL(/\/jobs\/.*\/sheet/);
  await page.goto(page.url().replace('/sheet', '/prove'));
  await press(page, 'Let it roll');
  await expect(page.getByText(/It gets through in|stalls in|jumps out/)).toBeVisible({ timeout: 60_000 });
  await press(page, 'What would change it');
  await expect(page.getByText('The high end one degree higher')).toBeVisible({ timeout: 60_000 });
});

test('a photograph of a job is kept small, said in words, and gone with a press', async ({ page, demo }) => {
  await page.goto(`${demo.url}/jobs/${PLANNED}/sheet`);
  await page.getByRole('button', { name: 'Name, folder, print, changes' }).click();
  const chosen = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Add a photograph' }).click();
  const picture = await page.screenshot({ type: 'jpeg' });
  await (await chosen).setFiles({ name: 'IMG.jpg', mimeType: 'image/jpeg', buffer: picture });
  const words = page.getByLabel('What is to be seen');
  await words.fill('The tray with its washers');
  await words.blur();
  await expect(page.getByRole('img', { name: 'The tray with its washers' })).toBeVisible();
  await page.reload();
  await page.getByRole('button', { name: 'Name, folder, print, changes' }).click();
  await expect(page.getByRole('img', { name: 'The tray with its washers' })).toBeVisible();
  await page.getByRole('button', { name: 'Throw away' }).click();
  await expect(page.getByRole('img', { name: 'The tray with its washers' })).toHaveCount(0);
});
