import { expect, test } from '../workshop';

test('from all forms to one that fits, its sizes by hand, and every step', async ({ page, demo }) => {
  await page.goto(`${demo.url}/forms`);
  await page.getByRole('option', { name: 'liquid' }).click();
  await expect(page.getByRole('heading', { level: 2 })).toHaveText(['Flat-folding cup']);
  await page.getByRole('option', { name: 'a floating load' }).click();
  await page.getByRole('link', { name: /Pod boat/ }).click();
  const floor = (mm: string) => page.getByText(new RegExp(`Floor, wide\\s*${mm}\\s*mm`));
  await expect(floor('31.1')).toBeVisible();
  // By keyboard, one millimetre at a time.
  const sheet = page.getByLabel('Sheet, a square of');
  await sheet.focus();
  await page.keyboard.press('ArrowRight');
  await expect(floor('31.3')).toBeVisible();
  await page.waitForURL(/sheet=151x151/);
  await page.reload();
  await expect(floor('31.3')).toBeVisible();
  await page.getByRole('link', { name: 'Fold it, step by step' }).click();
  await expect(page.getByRole('heading', { name: '10. Open and square it' })).toBeVisible();
  await expect(page.getByText('151 mm').first()).toBeVisible();
  await page.goBack();
  await expect(sheet).toHaveValue('151');
});

test('what a form cannot do is said in words, in the address too', async ({ page, demo }) => {
  await page.goto(`${demo.url}/forms/square-card-envelope?sheet=100x100&widthMm=80`);
  await expect(page.getByRole('alert')).toContainText('between 47.1 and 62.2 mm');
  await page.goto(`${demo.url}/forms/oblong-canoe/steps?sheet=150x150`);
  await expect(page.getByRole('alert')).toContainText('use the pointed canoe');
  await page.getByRole('link', { name: 'Change the sheet' }).click();
  await expect(page.getByRole('alert')).toContainText('times as long as wide');
});

test('the opened cup arrives while the page stays usable', async ({ page, demo }) => {
  await page.goto(`${demo.url}/forms/flat-folding-cup`);
  const holds = (ml: string) => page.getByText(new RegExp(`most, if the paper were limp\\s*${ml}`));
  // 0.0202 of the side cubed, within 2 %.
  await expect(holds('6[789]')).toBeVisible();
  await page.getByLabel('Sheet, a square of').fill('300');
  // Twice the sheet, eight times the room; the shape is known by now.
  await expect(holds('5[45]\\d ml')).toBeVisible();
});
