import type { Locator, Page } from '@playwright/test';
import { answer, choose, line } from './pages';
import { addPaper, expect } from './workshop';

/** A form, and what is asked for it, as a maker would type it. */
export interface Asked {
  readonly form: string;
  readonly holds: string;
  /** The first size that is worth measuring. */
  readonly measured: string;
}

/** Every form of one piece with something that it does. */
export const ASKED: readonly Asked[] = [
  { form: 'Square tray', holds: '60 x 45 x 22', measured: 'Inside, long' },
  { form: 'Diamond envelope', holds: 'card 90 x 60', measured: 'Pocket, wide' },
  { form: 'Tuck-flap envelope', holds: 'ticket 105 x 74', measured: 'Pocket, wide' },
  { form: 'Page-corner bookmark', holds: 'pages 4 mm', measured: 'Along both edges of the page' },
  { form: 'Card wrap', holds: 'map 120 x 80 x 2', measured: 'Pocket, wide' },
  { form: 'Flat-folding cup', holds: '90 ml', measured: 'Mouth' },
  { form: 'Thirds twist letter', holds: 'note 50 x 50', measured: 'Pocket, wide' },
  { form: 'Gusseted bag', holds: '60 x 60 x 110', measured: 'Inside, long' },
  { form: 'Four-pointed dish', holds: '50 x 50 x 20', measured: 'Inside, long' },
  { form: 'Banded gift box', holds: '65 x 40 x 16', measured: 'Inside, long' },
  { form: 'Closing cube', holds: '40 x 40 x 40', measured: 'Inside, long' },
  { form: 'Pointed canoe', holds: 'load 20 g', measured: 'Floor, long' },
  { form: 'Long canoe', holds: 'load 20 g', measured: 'Floor, long' },
  { form: 'Pod boat', holds: 'load 20 g', measured: 'Floor, long' },
  { form: 'Table sailboat', holds: 'place card 85 x 55', measured: 'Pocket for a card, deep' },
  { form: 'Triangular purse', holds: '44 x 26 x 16', measured: 'Inside, long' },
  { form: 'Twist pouch', holds: 'card 85 x 54', measured: 'Pocket, across' },
  { form: 'Strap buckle', holds: 'strap 25 x 2', measured: 'Tunnel, wide inside' },
  { form: 'Curled-ear basket', holds: '40 x 40 x 20', measured: 'Inside, long' },
  { form: 'Decked barge', holds: 'load 20 g', measured: 'Floor, long' },
  { form: 'Hat boat', holds: 'head 30 cm', measured: 'Hat, high' },
  { form: 'Bead track', holds: 'bead 8', measured: 'Exit, over the table' },
  { form: 'Straight bead track', holds: 'bead 8', measured: 'Exit, over the table' },
  { form: 'Bead catch tray', holds: 'bead 8 exit 9', measured: 'Floor, wide' },
];

/** How a hand uses the page. */
export interface Using {
  press(one: Locator): Promise<void>;
  /** One step on at the table. */
  next(page: Page): Promise<void>;
}

export const BY_KEYS: Using = {
  async press(one) {
    // A key on what is not ready yet does nothing, as for whoever presses it.
    await expect(one).toBeEnabled();
    await one.press('Enter');
  },
  next: (page) => page.keyboard.press('ArrowRight'),
};

export const BY_TOUCH: Using = {
  press: (one) => one.tap(),
  next: (page) => page.getByRole('button', { name: /^(Next|Done)$/ }).tap(),
};

const counter = (page: Page): Locator => page.getByText(/step \d+ of \d+/);

/** From what is typed to the logbook, as a maker goes: purpose, form, sheet, cut, marks, fold, record. */
export async function walk(page: Page, url: string, { form, holds, measured }: Asked, by: Using): Promise<void> {
  await addPaper(url, { name: 'Sea chart', widthMm: 900, heightMm: 700, count: 5 });
  await page.goto(url);
  await line(page).fill(holds);
  const one = answer(page, form);
  const start = one.getByRole('button', { name: 'Start this job' });
  // Surer sheets are still being found: what is told then stays.
  await expect(page.getByRole('heading', { name: /^\d+ forms? can do it$/ })).toBeVisible();
  if (!(await start.isVisible())) await by.press(page.getByRole('button', { name: /^Show \d+ more$/ }));
  await by.press(start);

  await expect(page).toHaveURL(/\/jobs\/[0-9a-f-]+\/sheet/);
  await expect(page.getByText(/^Fits /).first()).toBeVisible();
  await choose(page, 'Paper', /^Sea chart/);
  await by.press(page.getByRole('button', { name: 'Keep these sheets' }));
  await by.press(page.getByRole('link', { name: 'Go on to cutting' }));
  await by.press(page.getByRole('button', { name: /^Keep \d+ of Sea chart/ }));
  await expect(page.getByText('These sheets are reserved for this job')).toBeVisible();
  await by.press(page.getByRole('button', { name: 'It is cut' }));
  await expect(page.getByText('Cut: the sheets are off the shelf')).toBeVisible();
  await by.press(page.getByRole('link', { name: 'Go on to the marks' }));
  await expect(page.getByRole('img', { name: /with its marks by number/ })).toBeVisible();
  await by.press(page.getByRole('link', { name: 'Go on to folding' }));

  await expect(counter(page)).toContainText('step 1 of');
  const steps = await page.getByRole('list', { name: 'Steps' }).getByRole('button').count();
  for (let k = 0; k < 3; k++) await by.next(page);
  await expect(counter(page)).toContainText('step 4 of');
  await page.reload();
  await expect(counter(page)).toContainText('step 4 of');
  for (let k = 3; k < steps; k++) await by.next(page);
  await by.press(page.getByRole('button', { name: 'Everything is folded' }));
  await by.press(page.getByRole('link', { name: 'Record what came out' }));

  await page.getByLabel(measured).first().fill('61 mm');
  await by.press(page.getByRole('button', { name: /It is folded/ }));
  await expect(page).toHaveURL(/\/logbook$/);
  const row = page.getByRole('row').filter({ hasText: `${form} for` });
  await expect(row).toContainText('61 mm');
  await expect(row).toContainText('Sea chart');
}
