import type { Page } from '@playwright/test';
import { expect, test } from '../workshop';

const LETTER = '0dd00000-0000-4000-8000-000300000015';

/** The pictures of the folds on the page. */
const folds = (page: Page) => page.locator('oc-fold-strip').getByRole('img');

test('any mark is found on any sheet: typed, from the address, and after a reload', async ({ page, workshop }) => {
  await page.goto(`${workshop.url}/marks`);
  await expect(page.getByRole('heading', { name: 'By halving a guess' })).toBeVisible();
  await page.getByLabel('What is to be found').fill('57 mm from the left on 210');
  await expect(page.getByText('57 mm', { exact: true })).toBeVisible();
  await expect(page).toHaveURL(/find=57/);
  await page.getByLabel('On a sheet of').fill('A5');
  await expect(page).toHaveURL(/sheet=210/);
  await expect(page.getByText('your hand misses by about').first()).toBeVisible();
  const [before, words] = [await folds(page).count(), await page.locator('.facts').allInnerTexts()];
  await page.reload();
  await expect(page.getByLabel('What is to be found')).toHaveValue('57 mm from the left on 210');
  await expect(folds(page)).toHaveCount(before);
  expect(await page.locator('.facts').allInnerTexts()).toEqual(words);
  // What cannot be read says so where it is typed, and nothing is lost.
  await page.getByLabel('What is to be found').fill('sixty');
  await expect(page.getByText(/Say on what length/)).toBeVisible();
  await expect(page.getByLabel('On a sheet of')).toHaveValue('210 × 148 mm');
});

test('marks of a job by folding are the first folds at the table, and one can be found another way by keys', async ({
  page,
  demo: { url },
}) => {
  await page.goto(`${url}/jobs/${LETTER}/marks`);
  await page.getByRole('radio', { name: 'By folding' }).press('Space');
  await expect(page.getByText(/\d+ folds on the open sheet find these marks/)).toBeVisible();
  await page.goto(`${url}/jobs/${LETTER}/fold`);
  await expect(page.getByRole('heading', { name: 'Pinch 1' })).toBeVisible();
  await page.getByRole('button', { name: 'Next' }).press('Enter');
  await expect(page.getByText('Lay the')).toBeVisible();
  await page.goto(`${url}/jobs/${LETTER}/marks`);
  const first = page.locator('oc-mark-choice').first();
  await first.getByRole('button').press('Enter');
  await first.getByRole('radio', { name: 'A card cut to length' }).press('Space');
  await expect(first.getByRole('radio', { name: 'A card cut to length' })).toBeChecked();
  await expect(page.getByText('A mark is found another way.')).toBeVisible();
  await page.reload();
  await expect(first.getByRole('button', { name: /^A card cut to length/ })).toBeVisible();
});

test('an eye is drilled by keys: what was set is kept, shown, and counts from then on', async ({ page, workshop }) => {
  await page.goto(`${workshop.url}/marks/drill`);
  await expect(page.getByText('Until there are tries')).toBeVisible();
  const mark = page.getByRole('slider', { name: 'The mark, from left to right' });
  await mark.focus();
  await page.keyboard.press('Home');
  for (let k = 0; k < 5; k++) await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Enter');
  await expect(page.getByText(/mm too far left\./)).toBeVisible();
  await page.getByRole('button', { name: 'Next' }).press('Enter');
  await expect(page.getByRole('button', { name: 'There' })).toBeEnabled();
  await page.reload();
  await expect(page.getByText(/from 1 try\./)).toBeVisible();
});
