import { expect, test } from '../workshop';

test('folding goes on after its worker has died', async ({ page, workshop }) => {
  await page.goto(`${workshop.url}/?holds=60+x+45+x+22&sure=exact`);
  await expect(page.getByRole('heading', { name: /forms can do it$/ })).toBeVisible();
  const tray = page.locator('oc-answer-row').filter({ has: page.getByRole('heading', { name: 'Square tray' }) });
  const before = await tray.locator('.sheet b').textContent();
  const [worker] = page.workers();
  // It is gone before it could say so.
  await worker.evaluate(() => close()).catch(() => null);
  await page.getByLabel('What, and how large').fill('30 x 30 x 30');
  const again = page.getByRole('button', { name: 'Try again' });
  // Whether its death is noticed before the next question or by it is a race; either way one goes on.
  await expect(async () => {
    if (await again.isVisible()) await again.click();
    await expect(tray.locator('.sheet b')).not.toHaveText(before!, { timeout: 1000 });
  }).toPass();
  await expect(page.getByRole('heading', { name: /forms can do it$/ })).toBeVisible();
  expect(page.workers()).toHaveLength(1);
  expect(page.workers()[0]).not.toBe(worker);
});

test('a worker that could not be loaded is asked for again, and the question that waited is answered', async ({
  page,
  workshop,
}) => {
  await page.route(/worker-\w+\.js/, (route) => route.abort());
  await page.goto(`${workshop.url}/?holds=60+x+45+x+22&sure=exact`);
  const again = page.getByRole('button', { name: 'Try again' });
  await expect(again).toHaveCount(1);
  await page.unroute(/worker-\w+\.js/);
  await again.click();
  await expect(page.getByRole('heading', { name: /forms can do it$/ })).toBeVisible();
  await expect(again).toHaveCount(0);
});
