/**
 * How soon answers are on the screen, by the page's own marks: from the last key to the first answer drawn, and to all drawn at
 * 9 times in 10, for blocks of many sizes, as fast as this machine is and slowed four times. Run by `npm run bench:page` after a
 * build. Each size is asked once: nothing is remembered of it.
 */
import { chromium, type Page } from '@playwright/test';
import { browser } from '../../e2e/browser';
import { RunningWorkshop } from '../../e2e/running-workshop';
import { SPEED_MARKS } from '../../web/src/app/start/asked/speed-marks';

const ASKED = 24;
const WARM_UP = 3;
/** Between two keys of somebody who types fast. */
const KEY_MS = 100;

interface Waited {
  readonly first: number;
  readonly all: number;
}

const block = (k: number): string => `${40 + k} x ${30 + ((7 * k) % 25)} x ${12 + ((5 * k) % 18)}`;

async function waited(page: Page, text: string): Promise<Waited> {
  const line = page.getByLabel('What, and how large');
  await line.fill('');
  await line.pressSequentially(text, { delay: KEY_MS });
  // Written as text: what the loader adds to functions is not known in the page.
  const read = await page.waitForFunction<Waited | null>(`(() => {
    const [typed, first, all] = ${JSON.stringify([SPEED_MARKS.typed, SPEED_MARKS.first, SPEED_MARKS.all])}
      .map((name) => performance.getEntriesByName(name).at(-1)?.startTime ?? 0);
    return first > typed && all >= first ? { first: first - typed, all: all - typed } : null;
  })()`);
  return (await read.jsonValue())!;
}

async function measured(page: Page, from: number): Promise<void> {
  const all: Waited[] = [];
  for (let k = 0; k < WARM_UP + ASKED; k++) {
    const one = await waited(page, block(from + k));
    if (k >= WARM_UP) all.push(one);
  }
  const told = (of: (one: Waited) => number): string => {
    const times = all.map(of).sort((a, b) => a - b);
    const at = (share: number): string =>
      `${times[Math.min(times.length - 1, Math.floor(share * times.length))].toFixed(0)}`;
    return `median ${at(0.5)} ms, 9 in 10 within ${at(0.9)} ms, slowest ${at(1)} ms`;
  };
  console.log(`  first answer: ${told(({ first }) => first)}`);
  console.log(`  all at 9 times in 10: ${told(({ all: whole }) => whole)}`);
}

const workshop = new RunningWorkshop(['--demo']);
await workshop.start();
const opened = await chromium.launch(browser);
const page = await opened.newPage({ bypassCSP: true, viewport: { width: 1280, height: 800 } });
await page.goto(workshop.url);
await page.getByLabel('What, and how large').waitFor();
console.log(`${ASKED} blocks, this machine`);
await measured(page, 0);
const throttle = await page.context().newCDPSession(page);
await throttle.send('Emulation.setCPUThrottlingRate', { rate: 4 });
console.log(`${ASKED} blocks, page slowed 4 times (its worker runs as before: the browser slows pages alone)`);
await measured(page, ASKED + WARM_UP);
await opened.close();
await workshop.stop();
