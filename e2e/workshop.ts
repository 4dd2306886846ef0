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

async function running(args: readonly string[], use: (workshop: RunningWorkshop) => Promise<void>): Promise<void> {
  const workshop = new RunningWorkshop(args);
  await workshop.start();
  await use(workshop);
  await workshop.stop();
}

export const test = base.extend<Fixtures>({
  workshop: async ({ browserName: _ }, use) => running([], use),
  demo: async ({ browserName: _ }, use) => running(['--demo'], use),
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
      ...more,
    }),
  });
  if (answer.status !== 201) throw new Error(`${answer.status} ${await answer.text()}`);
  return (await answer.json()) as { id: string; count: number; version: number };
}
