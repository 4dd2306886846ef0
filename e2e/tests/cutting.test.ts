import { readFile } from 'node:fs/promises';
import { paperNamed, sheetsOf } from '../pages';
import { addPaper, expect, test } from '../workshop';

test('a typed list is planned, kept, cut and taken back, by keys, and planned anew when the shelf has changed', async ({
  page,
  workshop,
}) => {
  await addPaper(workshop.url, { name: 'Sea charts', count: 4 });
  await page.goto(`${workshop.url}/shelf/cutting/new`);
  await page.getByLabel('One kind a line').fill('6 x 250 x 175 covers\n4 x 4 in x 2 in tags');
  const keep = page.getByRole('button', { name: /^Keep it, reserve 2 sheets/ });
  await expect(page.getByRole('heading', { name: '2 sheets; no plan can do with 1.' })).toBeVisible();
  // What was typed stays when the page is read anew.
  await page.reload();
  await expect(page.getByLabel('One kind a line')).toHaveValue(/6 x 250/);
  await page.getByLabel('What it is called').fill('Log covers');
  await keep.press('Enter');
  await expect(page.getByRole('heading', { name: 'Log covers' })).toBeVisible();
  await page.reload();
  const first = page.getByRole('checkbox').first();
  // Four covers fill a sheet; two of them and the tags are cut from another.
  await expect(page.getByRole('checkbox')).toHaveCount(2);
  await first.press('Space');
  await expect(page.getByText('Cut: the sheets are off the shelf')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).press('Enter');
  await expect(first).not.toBeChecked();
  await first.press('Space');
  await expect(first).toBeChecked();
  // Somebody counts, and finds fewer than are reserved.
  await page.goto(`${workshop.url}/shelf`);
  await sheetsOf(page, 'Sea charts', 3).press('Enter');
  await expect(page.getByRole('textbox', { name: 'Sheets of Sea charts' })).toBeFocused();
  await page.keyboard.type('0');
  await page.keyboard.press('Enter');
  await expect(sheetsOf(page, 'Sea charts', 0)).toBeVisible();
  await addPaper(workshop.url, { name: 'Brown roll', count: 3 });
  await page.goBack();
  await expect(page.getByText('“Sea charts” has 0 sheets for it, 1 are needed.')).toBeVisible();
  await page.getByRole('button', { name: 'Take the new plan' }).press('Enter');
  await expect(page.getByRole('heading', { name: 'The shelf has changed since' })).toBeHidden();
  await expect(page.getByRole('heading', { name: /of Brown roll/ })).toBeVisible();
});

test('of two who plan with the last sheet one gets it, the other is told', async ({ context, workshop }) => {
  await addPaper(workshop.url, { name: 'Sea charts', count: 1 });
  // Neither hears of the other: else the slower one has another plan before it is pressed.
  await context.route('**/api/changes*', (route) => route.abort());
  const pages = [await context.newPage(), await context.newPage()];
  for (const page of pages) {
    await page.goto(`${workshop.url}/shelf/cutting/new`);
    await page.getByLabel('One kind a line').fill('1 x 400 x 300 map');
    await expect(page.getByRole('button', { name: /^Keep it, reserve 1 sheet/ })).toBeEnabled();
  }
  await Promise.all(pages.map((page) => page.getByRole('button', { name: /^Keep it, reserve 1 sheet/ }).click()));
  const [refused] = await Promise.race(
    pages.map(async (page) => {
      await expect(page.getByText('1 of them kept for other jobs; this takes 1.')).toBeVisible();
      return [page];
    }),
  );
  await expect(refused.getByText('Not on the shelf: 1 of 1 × map.')).toBeVisible();
});

test('a plan is printed on A4 and Letter without what is only for the screen', async ({ page, workshop }) => {
  await addPaper(workshop.url, { count: 6 });
  await page.goto(`${workshop.url}/shelf/cutting/new`);
  await page.getByLabel('One kind a line').fill('20 x 90 x 60 labels');
  await page.getByRole('button', { name: /^Keep it, reserve/ }).click();
  await expect(page.getByRole('button', { name: 'Print on A4' })).toBeVisible();
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('navigation', { name: 'Places' })).toBeHidden();
  await expect(page.getByRole('button', { name: 'Print on A4' })).toBeHidden();
  await expect(page.getByRole('img', { name: /with its cuts by number/ }).first()).toBeVisible();
  for (const format of ['A4', 'Letter']) {
    const file = await page.pdf({ format });
    expect(file.subarray(0, 5).toString()).toBe('%PDF-');
    // Its printed width, without margins, in CSS pixels: nothing lies beyond it.
    const width = Math.floor(((format === 'A4' ? 210 : 215.9) - 24) * (96 / 25.4));
    await page.setViewportSize({ width, height: 1000 });
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(width);
  }
});

test('papers go out as a table and come back, line by line', async ({ page, workshop }) => {
  await addPaper(workshop.url, { name: 'Sea charts, old', count: 4 });
  await page.goto(`${workshop.url}/shelf`);
  const saved = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as a table' }).click();
  const text = await readFile((await (await saved).path()) ?? '', 'utf8');
  expect(text).toContain('"Sea charts, old",500,350,4');
  await page.getByRole('link', { name: 'Bring in a table' }).click();
  await page.getByLabel('or paste it here').fill(`${text}\nVelvet,1,2,3`);
  await expect(page.getByText('1 of 2 can be taken in; 1 are left out')).toBeVisible();
  await page.getByRole('button', { name: 'Put 1 on the shelf' }).click();
  await expect(page.getByText('1 paper is on the shelf.')).toBeVisible();
  await expect(paperNamed(page, 'Sea charts, old')).toHaveCount(2);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(paperNamed(page, 'Sea charts, old')).toHaveCount(1);
});
