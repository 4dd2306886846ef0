import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { settled } from '../pages';
import { expect, test } from '../workshop';

const OUT = join(import.meta.dirname, '../../docs/screenshots');
const FOLDING = '0dd00000-0000-4000-8000-000300000001';
const FOLDED = '0dd00000-0000-4000-8000-000300000003';
const PLANNED = '0dd00000-0000-4000-8000-000300000004';

async function seen(page: Page, url: string): Promise<void> {
  await page.goto(url);
  await settled(page);
  await expect(page.locator('[aria-busy="true"]')).toHaveCount(0, { timeout: 60_000 });
  await page.evaluate(() => document.fonts.ready);
  await page.waitForTimeout(900);
}

const VIEWS = [
  ['start', '/?holds=60+x+45+x+22'],
  ['jobs', '/jobs'],
  ['sheet', `/jobs/${FOLDING}/sheet`],
  ['cut', `/jobs/${PLANNED}/cut`],
  ['marks', `/jobs/${FOLDING}/marks`],
  ['fold', `/jobs/${FOLDING}/fold`],
  ['record', `/jobs/${FOLDED}/record`],
  ['shelf', '/shelf'],
  ['forms', '/forms'],
  ['form', '/forms/square-tray-and-eared-lid'],
  ['find', '/marks?find=3%2F7+of+the+long+edge&sheet=A4'],
  ['steps', '/forms/tuck-flap-envelope/steps'],
  ['logbook', '/logbook'],
] as const;

for (const [name, path] of VIEWS)
  test(name, async ({ page, demo }) => {
    await seen(page, demo.url + path);
    await page.screenshot({ path: join(OUT, `${name}.png`) });
  });

test('compare', async ({ page, demo }) => {
  await seen(page, `${demo.url}/?holds=60+x+45+x+22`);
  for (let k = 0; k < 4; k++) await page.getByRole('checkbox', { name: 'Compare' }).nth(k).click();
  await page.waitForTimeout(1500);
  await page.getByRole('heading', { name: /forms can do it/ }).evaluate((heading) => heading.scrollIntoView());
  await page.screenshot({ path: join(OUT, 'compare.png') });
});

test('cutting', async ({ page, demo }) => {
  await seen(page, `${demo.url}/shelf/cutting/new`);
  await page
    .getByLabel('One kind a line')
    .fill('4 x 150 x 150 pockets\n12 x 40 x 297 strips\n3 x A5 labels, not turned');
  await expect(page.getByRole('button', { name: /^Keep it, reserve/ })).toBeEnabled({ timeout: 60_000 });
  await page.getByRole('heading', { name: /sheets;/ }).evaluate((heading) => heading.scrollIntoView());
  await page.screenshot({ path: join(OUT, 'cutting.png') });
});

test('prove', async ({ page, demo }) => {
  await seen(page, `${demo.url}/jobs/${PLANNED}/prove`);
  await page.getByRole('button', { name: 'Pour them in' }).click();
  await expect(page.getByText(/From 3 pours/)).toBeVisible({ timeout: 60_000 });
  await page.waitForTimeout(1500);
  await page.screenshot({ path: join(OUT, 'prove.png') });
});

test.describe('dark', () => {
  test.use({ colorScheme: 'dark' });
  test('start-dark', async ({ page, demo }) => {
    await seen(page, `${demo.url}/?holds=4+tickets+105+x+74%2C+one+hex+key+120+x+35+x+8`);
    await page.screenshot({ path: join(OUT, 'start-dark.png') });
  });
});

test.describe('phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });
  test('start-phone', async ({ page, demo }) => {
    await seen(page, `${demo.url}/?holds=60+x+45+x+22`);
    await page.screenshot({ path: join(OUT, 'start-phone.png') });
  });
  test('fold-phone', async ({ page, demo }) => {
    await seen(page, `${demo.url}/jobs/${FOLDING}/fold`);
    await page.screenshot({ path: join(OUT, 'fold-phone.png') });
  });
});
