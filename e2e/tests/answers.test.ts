import { answer, answered, choose, line, openMore, openOptions, sheetOf, sideOf } from '../pages';
import { addPaper, expect, test } from '../workshop';

test.describe('answers from all forms', () => {
  test('a set of things is arranged, sized for every form, and the address brings it back', async ({
    page,
    workshop,
  }) => {
    await addPaper(workshop.url);
    await page.goto(workshop.url);
    await line(page).fill('4 tickets 105 × 74, one hex key 120 × 35 × 8');
    await expect(page.getByRole('heading', { name: /\d+ forms can do it/ })).toBeVisible();
    await openOptions(page);
    await expect(page.getByLabel('May be laid on any side')).toBeChecked();
    const envelope = answer(page, 'Tuck-flap envelope');
    await expect(envelope.getByText(/\d+ of 100 tries/).first()).toBeVisible();
    await answered(page);
    await openMore(envelope);
    await envelope.getByText('Why this sheet?').click();
    await expect(envelope.getByText('5 things fill')).toBeVisible();
    const sheet = await sheetOf(envelope).textContent();
    await page.reload();
    await expect(sheetOf(envelope)).toHaveText(sheet!);
    await openMore(envelope);
    await envelope.getByRole('link', { name: 'Fold it' }).click();
    await expect(page.getByRole('heading', { name: 'Fold it, step by step' })).toBeVisible();
    await page.goBack();
    await expect(line(page)).toHaveValue('4 tickets 105 × 74, one hex key 120 × 35 × 8');
  });

  test('surer takes no smaller a sheet; replays can be watched and stopped', async ({ page, workshop }) => {
    await page.goto(`${workshop.url}/?holds=30+x+30+x+30&sure=exact`);
    const cube = answer(page, 'Closing cube');
    await expect(cube.getByText('if folded exactly').first()).toBeVisible();
    const exact = await sideOf(cube);
    await openOptions(page);
    await page.getByRole('radio', { name: '99 in 100' }).click();
    await page.waitForURL(/sure=99/);
    await expect(cube.getByText(/\d+ of 100 tries/).first()).toBeVisible();
    await answered(page);
    expect(await sideOf(cube)).toBeGreaterThanOrEqual(exact);
    await openMore(cube);
    await cube.getByText('How sure is it?').click();
    await cube.getByRole('button', { name: 'Fold it 2,000 times' }).click();
    await expect(cube.getByText(/tries fit/)).toBeVisible();
    await cube.getByRole('button', { name: /Stop|Put away/ }).click();
    await expect(cube.getByRole('button', { name: 'Fold it 2,000 times' })).toBeVisible();
  });

  test('what a sheet will hold, and a form from there at that sheet', async ({ page, workshop }) => {
    await page.goto(workshop.url);
    await line(page).fill('sheet 15 cm');
    await expect(page.getByRole('heading', { name: /\d+ forms from this sheet/ })).toBeVisible();
    await page.getByRole('link', { name: 'Closing cube' }).click();
    await page.waitForURL(/closing-cube\?sheet=150x150/);
  });

  test('a set is kept among the maker’s own things and picked again; an address means the same in any unit', async ({
    page,
    workshop,
  }) => {
    await page.goto(workshop.url);
    await line(page).fill('4 tickets 105 × 74, one hex key 120 × 35 × 8');
    await page.getByRole('button', { name: 'Keep this among my things' }).click();
    await page.getByLabel('Name', { exact: true }).fill('Tickets and a key');
    await page.getByRole('button', { name: 'Keep it' }).click();
    await line(page).fill('');
    // The address follows a moment later, and is what a reload reads.
    await expect(page).toHaveURL(`${workshop.url}/`);
    await page.reload();
    await page.getByRole('option', { name: 'Tickets and a key' }).click();
    await expect(line(page)).toHaveValue('4 tickets 105 × 74 mm, hex key 120 × 35 × 8 mm');

    const tray = answer(page, 'Square tray');
    await page.goto(`${workshop.url}/?holds=2+3/8+x+1+x+1/2&unit=in&sure=exact`);
    await expect(line(page)).toHaveValue('60.325 × 25.4 × 12.7 mm');
    const sheet = await sheetOf(tray).textContent();
    await page.goto(`${workshop.url}/settings`);
    const kept = page.waitForResponse((response) => response.request().method() === 'PUT' && response.ok());
    await choose(page, 'Lengths are shown in', 'inches in fractions');
    await kept;
    await page.goto(`${workshop.url}/?holds=2+3/8+x+1+x+1/2&unit=in&sure=exact`);
    await expect(line(page)).toHaveValue('2 3/8 x 1 x 1/2');
    await expect(sheetOf(tray)).toHaveText(sheet!);
  });

  test('a later question is never overwritten by an earlier one', async ({ page, workshop }) => {
    await page.goto(workshop.url);
    for (const typed of ['90 x 80 x 70', '70 x 60 x 20', '20 x 18 x 12', '50 ml']) {
      await line(page).fill('');
      await line(page).pressSequentially(typed, { delay: 15 });
    }
    await expect(page.getByRole('heading', { name: '1 form can do it' })).toBeVisible();
    await expect(page.getByRole('article')).toHaveCount(1);
    await expect(answer(page, 'Flat-folding cup')).toBeVisible();
  });
});
