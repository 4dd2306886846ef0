import { UNSAID } from '@odd-corner/contract';
import { test as base } from '@playwright/test';
import { randomUUID } from 'node:crypto';
import { RunningWorkshop } from './running-workshop';

export { RunningWorkshop } from './running-workshop';

interface Fixtures {
  /** A real server with a fresh, empty workshop. */
  readonly workshop: RunningWorkshop;
  /** A real server with the demo workshop. */
  readonly demo: RunningWorkshop;
}

async function running(
  args: readonly string[],
  use: (workshop: RunningWorkshop) => Promise<void>,
  like?: string,
): Promise<void> {
  const workshop = new RunningWorkshop(args, { like });
  await workshop.start();
  await use(workshop);
  await workshop.stop();
}

interface OncePerWorker {
  /** The data folder of a demo workshop that was begun and ended: loading it folds for some seconds. */
  readonly demoData: string;
}

export const test = base.extend<Fixtures, OncePerWorker>({
  demoData: [
    async ({ browserName: _ }, use) => {
      const workshop = new RunningWorkshop(['--demo']);
      await workshop.start();
      await workshop.halt();
      await use(workshop.data);
      await workshop.stop();
    },
    { scope: 'worker' },
  ],
  workshop: async ({ browserName: _ }, use) => running([], use),
  demo: async ({ demoData }, use) => running(['--demo'], use, demoData),
});

export { expect } from '@playwright/test';

/** Writes a paper down through the routes, as the page would. */
export async function addPaper(
  url: string,
  more: object = {},
): Promise<{ id: string; count: number; version: number }> {
  const answer = await fetch(`${url}/api/papers`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({
      id: randomUUID(),
      name: 'Chart paper',
      widthMm: 500,
      heightMm: 350,
      count: 4,
      gsm: 90,
      kind: 'kraft',
      caliperMm: 0.12,
      colourFront: '#3f7fa0',
      colourBack: '#f7f2e4',
      price: null,
      foodSafe: 'unknown',
      ...UNSAID,
      ...more,
    }),
  });
  if (answer.status !== 201) throw new Error(`${answer.status} ${await answer.text()}`);
  return (await answer.json()) as { id: string; count: number; version: number };
}
