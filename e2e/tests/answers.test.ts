import { addPaper, expect, test } from '../workshop';

test.describe('answers from all forms', () => {
  test('a set of things is arranged, sized for every form, and the address brings it back', async ({
    page,
    workshop,
  }) => {
    await addPaper(workshop.url);
    await page.goto(workshop.url);
    await page.getByLabel('What, and how large').fill('4 tickets 105 × 74, one hex key 120 × 35 × 8');
    const rows = page.locator('oc-answer-row');
    await expect(page.getByRole('heading', { name: /\d+ forms can do it/ })).toBeVisible();
    await expect(page.getByLabel('May be laid on any side')).toBeChecked();
    const envelope = rows.filter({ has: page.getByRole('heading', { name: 'Tuck-flap envelope' }) });
    await expect(envelope.getByText(/\d+ of 100 tries/).first()).toBeVisible();
    await expect(page.locator('oc-ranked-answers section.all')).toHaveAttribute('aria-busy', 'false');
    await envelope.getByText('Why this sheet?').click();
    await expect(envelope.getByText('5 things fill')).toBeVisible();
    const sheet = await envelope.locator('.sheet b').textContent();
    await page.reload();
    await expect(envelope.locator('.sheet b')).toHaveText(sheet!);
    await envelope.getByRole('link', { name: 'Fold it' }).click();
    await expect(page.getByRole('heading', { name: 'Fold it, step by step' })).toBeVisible();
    await page.goBack();
    await expect(page.getByLabel('What, and how large')).toHaveValue('4 tickets 105 × 74, one hex key 120 × 35 × 8');
  });

  test('surer takes no smaller a sheet; replays can be watched and stopped', async ({ page, workshop }) => {
    await page.goto(`${workshop.url}/?holds=30+x+30+x+30&sure=exact`);
    const cube = page.locator('oc-answer-row').filter({ has: page.getByRole('heading', { name: 'Closing cube' }) });
    const side = async (): Promise<number> => parseFloat((await cube.locator('.sheet b').textContent())!);
    await expect(cube.getByText('when nothing is missed').first()).toBeVisible();
    const exact = await side();
    await page.getByRole('radio', { name: '99 in 100' }).click();
    await page.waitForURL(/sure=99/);
    await expect(cube.getByText(/\d+ of 100 tries/).first()).toBeVisible();
    await expect(page.locator('oc-ranked-answers section.all')).toHaveAttribute('aria-busy', 'false');
    expect(await side()).toBeGreaterThanOrEqual(exact);
    await cube.getByText('How sure is it?').click();
    await cube.getByRole('button', { name: 'Fold it 2,000 times' }).click();
    await expect(cube.getByText(/tries fit/)).toBeVisible();
    await cube.getByRole('button', { name: /Stop|Put away/ }).click();
    await expect(cube.getByRole('button', { name: 'Fold it 2,000 times' })).toBeVisible();
  });

  test('what a sheet will hold, and a form from there at that sheet', async ({ page, workshop }) => {
    await page.goto(workshop.url);
    await page.getByLabel('What, and how large').fill('sheet 15 cm');
    await expect(page.getByRole('heading', { name: /\d+ forms from this sheet/ })).toBeVisible();
    await page.getByRole('link', { name: 'Closing cube' }).click();
    await page.waitForURL(/closing-cube\?sheet=150x150/);
  });

  test('a set is kept among the maker’s own things and picked again; an address means the same in any unit', async ({
    page,
    workshop,
  }) => {
    await page.goto(workshop.url);
    const line = page.getByLabel('What, and how large');
    await line.fill('4 tickets 105 × 74, one hex key 120 × 35 × 8');
    await page.getByRole('button', { name: 'Keep this among my things' }).click();
    await page.getByLabel('Name').fill('Tickets and a key');
    await page.getByRole('button', { name: 'Keep it' }).click();
    await line.fill('');
    await page.reload();
    await page.getByRole('button', { name: 'Tickets and a key' }).click();
    await expect(line).toHaveValue('4 tickets 105 × 74 mm, hex key 120 × 35 × 8 mm');

    const tray = page.locator('oc-answer-row').filter({ has: page.getByRole('heading', { name: 'Square tray' }) });
    await page.goto(`${workshop.url}/?holds=2+3/8+x+1+x+1/2&unit=in&sure=exact`);
    await expect(line).toHaveValue('60.325 × 25.4 × 12.7 mm');
    const sheet = await tray.locator('.sheet b').textContent();
    await page.goto(`${workshop.url}/settings`);
    const kept = page.waitForResponse((response) => response.request().method() === 'PUT' && response.ok());
    await page.getByRole('combobox', { name: 'Lengths are shown in' }).click();
    await page.getByRole('option').nth(2).click();
    await kept;
    await page.goto(`${workshop.url}/?holds=2+3/8+x+1+x+1/2&unit=in&sure=exact`);
    await expect(line).toHaveValue('2 3/8 x 1 x 1/2');
    await expect(tray.locator('.sheet b')).toHaveText(sheet!);
  });

  test('a later question is never overwritten by an earlier one', async ({ page, workshop }) => {
    await page.goto(workshop.url);
    const line = page.getByLabel('What, and how large');
    for (const typed of ['90 x 80 x 70', '70 x 60 x 20', '20 x 18 x 12', '50 ml']) {
      await line.fill(typed);
      await page.waitForTimeout(120);
    }
    await expect(page.getByRole('heading', { name: '1 form can do it' })).toBeVisible();
    await expect(page.locator('oc-answer-row h3')).toHaveText(['Flat-folding cup']);
  });
});
