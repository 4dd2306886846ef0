import type { Locator, Page } from '@playwright/test';
import { expect, test } from '../workshop';

const CLASS = 'Bookmarks for the manuals';
const FOLDING = '0dd00000-0000-4000-8000-000300000001';

/** A job of the demo by its name. */
async function jobCalled(
  url: string,
  title: string,
): Promise<{ id: string; makes: { id: string; progress: { done: string[] }[] }[] }> {
  const { rows } = (await (await fetch(`${url}/api/jobs?limit=100`)).json()) as {
    rows: { id: string; title: string }[];
  };
  const found = rows.find((job) => job.title === title);
  return (await (await fetch(`${url}/api/jobs/${found?.id}`)).json()) as never;
}

const next = (page: Page): Locator => page.getByRole('button', { name: 'Next', exact: true });

test('my paper looks different: the usual slips and the last states, by keys, and back to one of them', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.url}/jobs/${FOLDING}/fold`);
  await expect(page.getByRole('heading', { level: 2 }).first()).toBeVisible();
  // At a step that folds something there are slips.
  await page.keyboard.press('ArrowLeft');
  await expect(page.getByText(/step 7 of 16/)).toBeVisible();
  await page.keyboard.press('d');
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByRole('heading', { name: 'If yours looks like one of these' })).toBeVisible();
  expect(await dialog.getByRole('img').count()).toBeGreaterThan(6);
  const back = dialog.getByRole('button', { name: 'Go on from step 6' });
  await back.focus();
  await back.press('Enter');
  await expect(page.getByText(/step 6 of 16/)).toBeVisible();
});

test('two fold the copies of one class: each its own, and the lead’s hold keeps the other back until it is lifted', async ({
  browser,
  demo,
}) => {
  const { id } = await jobCalled(demo.url, CLASS);
  const lead = await browser.newPage();
  const phone = await browser.newPage({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });
  for (const page of [lead, phone]) {
    await page.goto(`${demo.url}/jobs/${id}/fold`);
    await expect(page.getByText(/of 6/).first()).toBeVisible();
  }
  await phone.getByRole('button', { name: 'All copies' }).tap();
  const name = phone.getByLabel('Your name at this table');
  await name.fill('Blue chair');
  await name.blur();
  const row = phone.getByRole('row', { name: /bookmark 6 of 6/ });
  await row.getByRole('button', { name: 'Take it' }).tap();
  await expect(row.getByRole('button', { name: 'Yours: give back' })).toBeVisible();
  await lead.getByRole('button', { name: 'All copies' }).click();
  await expect(lead.getByRole('row', { name: /bookmark 6 of 6/ })).toContainText('Blue chair');
  await lead.getByRole('combobox', { name: 'The lead' }).click();
  await lead.getByRole('option', { name: 'Hold after stage 1' }).click();
  await expect(phone.getByRole('row', { name: /bookmark 6 of 6/ })).toContainText('held');
  await phone.getByRole('button', { name: 'Fold it' }).tap();
  await expect(phone.getByText(/bookmark 6 of 6 from/)).toBeVisible();
  for (let k = 0; k < 4; k++) await next(phone).tap();
  await expect(phone.getByRole('heading', { name: 'Not yet' })).toBeVisible();
  await expect(phone.getByText('Whoever leads holds this stage')).toBeVisible();
  // However often it is pressed.
  await next(phone).tap();
  await expect(phone.getByRole('heading', { name: 'Not yet' })).toBeVisible();
  await expect(lead.getByRole('row', { name: /bookmark 6 of 6/ })).toContainText('done');
  await lead.getByRole('combobox', { name: 'The lead' }).click();
  await lead.getByRole('option', { name: 'Nothing is held' }).click();
  await expect(phone.getByRole('heading', { name: 'Not yet' })).toBeHidden();
  await expect(phone.getByText(/step 5 of 8/)).toBeVisible();
  await lead.close();
  await phone.close();
});

test.describe('without the server', () => {
  test.use({ serviceWorkers: 'allow' });

  test('a fold goes on, through a reload, is recorded, and arrives once when the server is back', async ({
    page,
    workshop,
  }) => {
    // Begun with the server: an envelope for a card.
    await page.goto(`${workshop.url}/?holds=1+ticket+105+x+74`);
    await page.getByRole('button', { name: 'Start this job' }).first().click();
    await page.waitForURL(/\/jobs\/[0-9a-f-]+\//);
    const [, id] = /jobs\/([0-9a-f-]+)/.exec(page.url())!;
    // Kept by the browser, and looked at once.
    await page.evaluate(async () => {
      await navigator.serviceWorker.ready;
    });
    await page.goto(`${workshop.url}/jobs/${id}/fold`);
    await expect(next(page)).toBeVisible();
    await page.waitForFunction(() => navigator.serviceWorker.controller !== null);
    await page.reload();
    await next(page).click();
    await expect(page.getByText(/step 2 of/)).toBeVisible();
    await page.waitForTimeout(300);

    await workshop.halt();
    await next(page).click();
    await next(page).click();
    await expect(page.getByText(/step 4 of/)).toBeVisible();
    await expect(page.getByText(/entr(?:y|ies) waits? for it/)).toBeVisible();
    await page.reload();
    // Opened without the server, where the hand left off.
    await expect(page.getByText(/step 4 of/)).toBeVisible();
    await expect(page.getByText(/server is not answering/)).toBeVisible();
    await next(page).click();
    await expect(page.getByText(/step 5 of/)).toBeVisible();
    await page.goto(`${workshop.url}/jobs/${id}/record`);
    await page.getByRole('button', { name: 'It is folded: write it down' }).click();
    await expect(page.getByText('Kept on this device')).toBeVisible();

    await workshop.start();
    await expect(page.getByText(/entr(?:y|ies) waits? for it/)).toBeHidden();
    const read = async <T>(path: string): Promise<T> => (await (await fetch(workshop.url + path)).json()) as T;
    await expect.poll(async () => (await read<{ total: number }>('/api/log')).total).toBe(1);
    const job = await read<{ makes: { progress: { done: string[] }[] }[] }>(`/api/jobs/${id}`);
    const [{ progress }] = job.makes;
    expect(progress).toHaveLength(1);
    expect(progress[0].done).toHaveLength(4);
    expect(new Set(progress[0].done).size).toBe(4);
    // Nothing is sent again later.
    await page.goto(`${workshop.url}/logbook`);
    await expect(page.getByText(/entr(?:y|ies) waits? for it/)).toBeHidden();
    expect((await read<{ total: number }>('/api/log')).total).toBe(1);
  });
});
