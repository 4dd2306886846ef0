import type { Page } from '@playwright/test';
import { answer, answered, choose, line, openMore, openOptions, sideOf } from '../pages';
import { addPaper, expect, test } from '../workshop';

test.describe('what goes in', () => {
  test('what cannot be read is explained beside the field and kept', async ({ page, workshop }) => {
    for (const [typed, told] of [
      ['60 x', 'A size is missing after “60”'],
      ['-3', 'must be more than zero'],
      ['12 parsecs', '“parsecs” is not a unit known here'],
      ['10 km', '“km” is not a unit known here'],
      ['9 m x 2 x 2', 'larger than the 5 m'],
      ['60', 'One size is not enough'],
      ['scissors', 'has no sizes'],
    ] as const) {
      await page.goto(workshop.url);
      await line(page).fill(typed);
      await expect(line(page)).toHaveAccessibleDescription(new RegExp(told));
      await expect(line(page)).toHaveAttribute('aria-invalid', 'true');
      await page.waitForURL(/holds=/);
      await page.reload();
      await expect(line(page)).toHaveValue(typed);
    }
  });

  test('the same block in millimetres, centimetres and inches gets the same sheets', async ({ page, workshop }) => {
    await page.goto(`${workshop.url}/?sure=exact`);
    const sheets = async (): Promise<readonly string[]> => {
      await answered(page);
      return page.getByText(/^\s*From a (?:square|sheet) of\s*\d/).allTextContents();
    };
    await line(page).fill('63.5 x 44.45 x 22.225');
    const mm = await sheets();
    expect(mm.length).toBeGreaterThan(3);
    expect(mm.join(' ')).toMatch(/\d+\s*mm/);
    for (const [typed, other] of [
      ['6.35cm × 4.445cm × 2.2225cm', '40 x 30 x 20'],
      ['2 1/2 in x 1 3/4 in x 7/8 in', '50 x 30 x 20'],
    ] as const) {
      // Another block in between, so that what is read afterwards is not what stood there before.
      await line(page).fill(other);
      await expect.poll(sheets).not.toEqual(mm);
      await line(page).fill(typed);
      await expect.poll(sheets).toEqual(mm);
    }
  });

  test('a lid and trays in each other are asked for, kept in the address and answered with their own sheets', async ({
    page,
    workshop,
  }) => {
    await page.goto(`${workshop.url}/?holds=60+x+45+x+22&sure=exact`);
    await answered(page);
    await openOptions(page);
    await choose(page, 'Closed', 'with a lid to lift by ears');
    await page.getByLabel('Nested, as a set').fill('2');
    await page.keyboard.press('Tab');
    await page.waitForURL(/lid=eared&nested=2/);
    // Nothing but trays goes into each other.
    await expect(page.getByRole('heading', { name: '1 form can do it', exact: true })).toBeVisible();
    const tray = answer(page, 'Square tray');
    await expect(tray).toContainText(/Tray 2, from the innermost: \d+\s*mm/);
    await expect(tray).toContainText(/Lid with ears: \d+\s*mm/);
    await page.reload();
    await openOptions(page);
    await expect(page.getByRole('combobox', { name: 'Closed' })).toHaveText('with a lid to lift by ears');
    await expect(tray).toContainText(/Lid with ears: \d+\s*mm/);
    await openMore(tray);
    await tray.getByRole('link', { name: 'Try it' }).click();
    await expect(page.getByRole('radio', { name: 'With ears' })).toBeChecked();
  });

  test('more room takes a larger sheet, and the address keeps the question through Back', async ({
    page,
    workshop,
  }) => {
    await page.goto(`${workshop.url}/?holds=60+x+45+x+22`);
    await answered(page);
    const tray = answer(page, 'Square tray');
    const easy = await sideOf(tray);
    await openOptions(page);
    await page.getByRole('radio', { name: 'loose' }).click();
    await expect.poll(() => sideOf(tray)).toBeGreaterThan(easy);
    await page.waitForURL(/ease=loose/);
    await page.getByRole('link', { name: 'Forms' }).click();
    await page.waitForURL(/\/forms$/);
    await page.goBack();
    await expect(line(page)).toHaveValue('60 x 45 x 22');
    await openOptions(page);
    await expect(page.getByRole('radio', { name: 'loose' })).toBeChecked();
  });

  test('says which paper of the shelf gives the sheet, and whether the one that was chosen does', async ({
    page,
    workshop,
  }) => {
    await addPaper(workshop.url, { name: 'Small squares', widthMm: 100, heightMm: 100 });
    await addPaper(workshop.url, { name: 'Used up', widthMm: 170, heightMm: 170, count: 0 });
    await addPaper(workshop.url);
    await page.goto(`${workshop.url}/?holds=60+x+45+x+22&sure=exact`);
    await answered(page);
    const tray = answer(page, 'Square tray');
    await expect(tray).toContainText('Chart paper, on your shelf');
    await openOptions(page);
    await choose(page, 'Folded from', /^Small squares/);
    await expect(tray).toContainText('Small squares is too small');
  });

  test('a number opens its arithmetic', async ({ page, workshop }) => {
    await page.goto(`${workshop.url}/?holds=60+x+45+x+22&sure=exact`);
    await answered(page);
    const tray = answer(page, 'Square tray');
    await openMore(tray);
    await tray.getByText('Why this sheet?').click();
    await expect(tray.getByText('contents 60 mm + ease 2.1 mm = 62.1 mm needed').first()).toBeVisible();
  });

  test('contents beyond any sheet are refused in words', async ({ page, workshop }) => {
    await page.goto(`${workshop.url}/?holds=5+m+x+5+m+x+5+m`);
    await expect(page.getByRole('heading', { name: 'Left out' })).toBeVisible();
    await expect(page.getByText(/^Square tray: .* rules? it out\.$/)).toBeVisible();
  });

  test('limits outside and the sheet that it must come from are read back and kept to', async ({ page, workshop }) => {
    await page.goto(`${workshop.url}/?sure=exact`);
    await line(page).fill('60 x 45 x 22 from A4, two of them, under 24 high');
    await expect(line(page)).toHaveAccessibleDescription(
      /at most 24 mm high outside; 2 from one sheet of 297 × 210 mm/,
    );
    await answered(page);
    // A tray of that height stands a millimetre too high; boats take more than the sheet is wide.
    await expect(page.getByText(/^Square tray: outside it comes to/)).toBeVisible();
    await expect(page.getByRole('heading', { name: 'The sheet is too small for' })).toBeVisible();
    await expect(page.getByText(/^Pointed canoe: it takes \d+ × \d+ mm\.$/)).toBeVisible();
    await line(page).fill('60 x 45 x 22 from A4, two of them');
    await expect(answer(page, 'Banded gift box')).toContainText('gives 2 of it');
  });
});

test.describe('the first screen', () => {
  /** Which answers are in view as a whole, without scrolling. */
  const inView = async (page: Page, height: number): Promise<number> => {
    const boxes = await page
      .getByRole('article')
      .evaluateAll((articles) => articles.map((article) => article.getBoundingClientRect().toJSON() as DOMRect));
    return boxes.filter(({ top, bottom }) => top >= 0 && bottom <= height).length;
  };

  test('has two whole answers in view at 1280 × 800, and on a phone one above the places', async ({ page, demo }) => {
    await page.goto(`${demo.url}/?holds=60+x+45+x+22`);
    await answered(page);
    expect(await inView(page, 800)).toBeGreaterThanOrEqual(2);
    await page.setViewportSize({ width: 390, height: 844 });
    await page.evaluate(() => scrollTo(0, 0));
    const places = (await page.getByRole('navigation', { name: 'Places' }).boundingBox())!;
    await expect(async () => expect(await inView(page, places.y)).toBeGreaterThanOrEqual(1)).toPass({ timeout: 5_000 });
  });
});
