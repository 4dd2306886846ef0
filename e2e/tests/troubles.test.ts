import { answer, answered, line, sheetOf, paperNamed } from '../pages';
import { addPaper, expect, test } from '../workshop';

test('folding goes on after its workers have died', async ({ page, workshop }) => {
  await page.goto(`${workshop.url}/?holds=60+x+45+x+22&sure=exact`);
  await answered(page);
  const tray = answer(page, 'Square tray');
  const before = await sheetOf(tray).textContent();
  // One answers, one draws; they are gone before they could say so.
  const workers = page.workers();
  expect(workers).toHaveLength(2);
  for (const worker of workers) await worker.evaluate(() => close()).catch(() => null);
  await line(page).fill('30 x 30 x 30');
  const again = page.getByRole('button', { name: 'Try again' });
  // Whether its death is noticed before the next question or by it is a race; either way one goes on.
  await expect(async () => {
    if (await again.isVisible()) await again.click();
    await expect(sheetOf(tray)).not.toHaveText(before!, { timeout: 1000 });
  }).toPass();
  await answered(page);
  await expect(tray.getByRole('img').first()).toBeVisible();
  await expect(() => expect(page.workers()).toHaveLength(2)).toPass();
  for (const worker of workers) expect(page.workers()).not.toContain(worker);
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
  await answered(page);
  await expect(again).toHaveCount(0);
});

test('a request that failed says so, and the page goes on when it is tried again', async ({ page, workshop }) => {
  await addPaper(workshop.url);
  for (const [path, seen] of [
    ['/shelf', 'Chart paper'],
    ['/jobs', 'No jobs yet'],
    ['/logbook', 'Nothing folded yet'],
  ] as const) {
    await page.route(/\/api\/(papers|jobs|log)\b/, (route) => route.abort());
    await page.goto(workshop.url + path);
    await expect(page.getByRole('alert')).toContainText('is not answering');
    await page.unroute(/\/api\/(papers|jobs|log)\b/);
    await page.getByRole('button', { name: 'Try again' }).click();
    await expect(page.getByText(seen).first()).toBeVisible();
  }
});

test('what could not be sent stays as it was typed, and is sent when the server is there again', async ({
  page,
  workshop,
}) => {
  await page.goto(`${workshop.url}/shelf`);
  await page.getByRole('button', { name: 'Add a paper' }).first().click();
  await page.getByLabel('Name').fill('Chart paper');
  await page.getByLabel('Sheets', { exact: true }).fill('12');
  await page.getByLabel('Price').fill('7,20');
  await workshop.kill();
  await page.getByRole('button', { name: 'Put it on the shelf' }).click();
  await expect(page.getByText('is not answering')).toBeVisible();
  await expect(page.getByLabel('Price')).toHaveValue('7,20');
  await workshop.start();
  await page.getByRole('button', { name: 'Put it on the shelf' }).click();
  await expect(paperNamed(page, 'Chart paper')).toBeVisible();
  await expect(page.getByText('7.20 EUR for 100')).toBeVisible();
});
