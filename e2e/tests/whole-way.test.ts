import type { Page } from '@playwright/test';
import { expect, test } from '../workshop';

const counter = (page: Page) => page.getByText(/step \d+ of \d+/);

/** How many steps the server knows to be done, for the job in the address. */
async function stepKept(page: Page): Promise<number> {
  const { origin, pathname } = new URL(page.url());
  const job = (await (await fetch(`${origin}/api/jobs/${pathname.split('/')[2]}`)).json()) as {
    makes: { progress: { done: string[] }[] }[];
  };
  return job.makes[0].progress.reduce((sum, { done }) => sum + done.length, 0);
}

/** The step shown, from 1. */
async function stepShown(page: Page): Promise<number> {
  return Number(/step (\d+) of/.exec((await counter(page).textContent()) ?? '')?.[1]);
}

test('from what goes in to the logbook, by keyboard, with a reload and a power cut in the middle', async ({
  page,
  workshop,
}) => {
  await page.goto(`${workshop.url}/shelf`);
  await expect(page.getByRole('heading', { name: 'The shelf is empty' })).toBeVisible();
  await page.getByRole('button', { name: 'Add a paper' }).first().press('Enter');
  await page.getByLabel('Name').fill('Chart paper');
  await page.getByLabel('Size of one sheet').fill('19 3/4 x 13 3/4 in');
  await page.getByLabel('Sheets', { exact: true }).fill('4');
  await page.getByLabel('Thickness').fill('0.12');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Chart paper' })).toBeVisible();

  await page.getByRole('link', { name: 'Start', exact: true }).press('Enter');
  await page.getByLabel('What, and how large').fill('60 x 45 x 22');
  const folded = page.getByRole('article').filter({ hasText: 'Folded to the middle' });
  await expect(folded.getByText('Tray from a square of')).toBeVisible();
  await folded.getByRole('radio', { name: /Chart paper/ }).press('Space');
  await expect(folded.getByText('both from one sheet')).toBeVisible();
  await folded.getByRole('button', { name: 'Start this job' }).press('Enter');

  await expect(page).toHaveURL(/\/jobs\/[0-9a-f-]+\/sheet$/);
  await expect(page.getByText('Both squares from one sheet')).toBeVisible();
  await page.getByRole('link', { name: 'Go on to folding' }).press('Enter');
  await expect(counter(page)).toContainText('step 1 of');
  await expect(page.getByRole('img', { name: /^Step 1:/ })).toBeVisible();

  for (let k = 0; k < 5; k++) await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Space');
  await page.keyboard.press('ArrowLeft');
  await expect(counter(page)).toContainText('step 6 of');
  // What is done stays done when the hand looks back.
  await expect.poll(() => stepKept(page)).toBe(6);
  await page.reload();
  await expect(counter(page)).toContainText('step 7 of');

  await workshop.kill();
  await page.keyboard.press('ArrowRight');
  await expect(counter(page)).toContainText('step 8 of');
  await expect(page.getByText('Your place is not kept yet')).toBeVisible();
  await workshop.start();
  await expect(page.getByText('Your place is not kept yet')).toBeHidden();
  await page.reload();
  await expect(counter(page)).toContainText('step 8 of');

  await page.keyboard.press('v');
  await expect(page.getByRole('button', { name: 'Other side' })).toHaveAttribute('aria-pressed', 'true');
  await page.keyboard.press('v');
  await page.keyboard.press('c');
  await expect(page.getByRole('img', { name: /^Crease pattern/ })).toBeVisible();
  await page.keyboard.press('c');
  await page.keyboard.press('m');
  await expect(page.getByText('Inside when folded')).toBeVisible();
  await page.keyboard.press('?');
  await expect(page.getByRole('heading', { name: 'Keys and lines' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('heading', { name: 'Keys and lines' })).toBeHidden();

  const steps = await page.getByRole('list', { name: 'Steps' }).getByRole('button').count();
  await expect(counter(page)).toContainText('step 8 of');
  for (let k = await stepShown(page); k <= steps; k++) await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('heading', { name: 'The tray is folded' })).toBeVisible();
  await page.getByRole('button', { name: 'Fold the lid' }).press('Enter');
  await expect(page.getByText(/^\s*Lid from/)).toContainText('step 1 of');
  for (let k = 0; k < steps; k++) await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('heading', { name: 'It is folded' })).toBeVisible();

  await page.getByRole('link', { name: 'Write down what came out' }).press('Enter');
  await page.getByLabel('Inside, long').first().fill('62');
  await page.getByLabel('Minutes').fill('26');
  await page.getByLabel('Note').fill('Crisp corners.');
  await page.getByLabel('Inside, wide').first().fill('9 m');
  await page.getByRole('button', { name: /It is folded/ }).press('Enter');
  await expect(page.getByText('larger than the 5 m')).toBeVisible();
  await page.getByLabel('Inside, wide').first().fill('2 7/16 in');
  await page.getByLabel('Inside, deep').first().fill('3.1 cm');
  await page.getByRole('button', { name: /It is folded/ }).press('Enter');

  await expect(page).toHaveURL(/\/logbook$/);
  const row = page.getByRole('row').filter({ hasText: 'Tray for 60 × 45 × 22 mm' });
  await expect(row).toContainText('62 mm');
  await expect(row).toContainText('61.9 mm');
  await expect(row).toContainText('Crisp corners.');
  await expect(page.getByText('1 of Chart paper taken off the shelf')).toBeVisible();

  await page.getByRole('link', { name: 'Shelf' }).press('Enter');
  await expect(page.getByRole('group', { name: 'Sheets of Chart paper' }).getByRole('status')).toHaveText('3');
  await page.goBack();
  await page.getByRole('button', { name: 'Undo' }).press('Enter');
  await expect(page.getByRole('heading', { name: 'Nothing folded yet' })).toBeVisible();
  await page.getByRole('link', { name: 'Shelf' }).press('Enter');
  await expect(page.getByRole('group', { name: 'Sheets of Chart paper' }).getByRole('status')).toHaveText('4');
});

test.describe('at the table, by touch', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });

  test('from what goes in to the logbook', async ({ page, workshop }) => {
    await page.goto(workshop.url);
    await page.getByRole('button', { name: /All \d+ things/ }).tap();
    await page.getByRole('option', { name: 'Tea light', exact: true }).tap();
    const measured = page.getByRole('article').filter({ hasText: 'Walls measured' });
    await measured.getByRole('button', { name: 'Start this job' }).tap();
    await expect(page.getByRole('heading', { name: 'Tea light' })).toBeVisible();
    await page.getByRole('link', { name: 'Go on to folding' }).tap();
    await expect(counter(page)).toContainText('step 1 of');

    await page.getByRole('button', { name: 'Next' }).tap();
    await expect(counter(page)).toContainText('step 2 of');
    const pictures = page.getByRole('region', { name: 'Pictures' });
    const box = (await pictures.boundingBox())!;
    const swipe = async (from: number, to: number): Promise<void> => {
      const at = { clientY: box.y + 80, pointerType: 'touch', bubbles: true };
      await pictures.dispatchEvent('pointerdown', { ...at, clientX: from });
      await pictures.dispatchEvent('pointerup', { ...at, clientX: to });
    };
    await swipe(300, 120);
    await expect(counter(page)).toContainText('step 3 of');
    await swipe(120, 300);
    await expect(counter(page)).toContainText('step 2 of');

    const steps = await page.getByRole('list', { name: 'Steps' }).getByRole('button').count();
    for (let k = 1; k < steps; k++) await page.getByRole('button', { name: /^(Next|Done)$/ }).tap();
    await page.getByRole('button', { name: 'Fold the lid' }).tap();
    for (let k = 0; k < steps; k++) await page.getByRole('button', { name: /^(Next|Done)$/ }).tap();
    await page.getByRole('link', { name: 'Write down what came out' }).tap();
    await page.getByRole('button', { name: /It is folded/ }).tap();
    await expect(page).toHaveURL(/\/logbook$/);
    await expect(page.getByRole('link', { name: 'Tea light' })).toBeVisible();
    await expect(page.getByText('not measured').first()).toBeVisible();
  });
});
