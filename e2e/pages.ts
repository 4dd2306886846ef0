import { expect, type Locator, type Page } from '@playwright/test';

/** The line that says what goes in. */
export const line = (page: Page): Locator => page.getByLabel('What, and how large');

/** An answer by its form's name. */
export const answer = (page: Page, name: string): Locator => page.getByRole('article', { name, exact: true });

/** The sheet of an answer as it is told, once it is known. */
export const sheetOf = (one: Locator): Locator => one.getByText(/^\s*(?:From a|\d+) (?:square|sheet)s? of\s*\d/);

/** The side of an answer's sheet in mm. */
export async function sideOf(one: Locator): Promise<number> {
  return Number(/of\s*([\d.]+)/.exec((await sheetOf(one).textContent()) ?? '')?.[1]);
}

/** Opens what else is to be known of an answer. */
export const openMore = (one: Locator): Promise<void> => one.getByText('More about it').click();

/** Waits until all that will be known is known. */
export async function answered(page: Page): Promise<void> {
  await expect(page.getByRole('heading', { name: /^\d+ forms? can do it$/ })).toBeVisible();
}

/**
 * Waits until the page has what it asks for and works on nothing. The end of a request whose worker ended before it
 * may never be told, so that a quiet network is waited for a while only.
 */
export async function settled(page: Page): Promise<void> {
  await page.waitForLoadState('networkidle', { timeout: 15_000 }).catch(() => undefined);
  const working = page.getByRole('status').filter({ hasText: /Folding|Reading|Looking|Pressing|Trying/ });
  await expect(working).toHaveCount(0);
}

/** Opens how it is to hold what goes in, on a wide screen. */
export async function openOptions(page: Page): Promise<void> {
  await page.getByRole('button', { name: /^Options/ }).click();
  await expect(page.getByRole('combobox', { name: 'Folded from' })).toBeVisible();
}

/** Chooses from the list of a field. */
export async function choose(page: Page, field: string, option: string | RegExp): Promise<void> {
  await page.getByRole('combobox', { name: field, exact: true }).first().click();
  await page.getByRole('option', { name: option }).click();
}

/** A paper of the shelf, by its name. */
export const paperNamed = (page: Page, name: string): Locator =>
  page.getByRole('button', { name: `Name of ${name}: ${name}. Edit`, exact: true });

/** How many sheets of a paper the shelf shows. */
export const sheetsOf = (page: Page, name: string, count: number): Locator =>
  page.getByRole('button', { name: `Sheets of ${name}: ${count}. Edit`, exact: true });
