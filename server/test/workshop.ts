import { choiceOf, type JobDraft, type PaperDraft, sizeTrayJob } from '@odd-corner/contract';
import { Fitting } from '@odd-corner/core';
import { join } from 'node:path';
import { openDatabase } from '../src/db/open-database';
import { openWorkshop, type Workshop } from '../src/db/workshop';
import { serverApp } from '../src/http/server-app';

const fitting = new Fitting();

export const MIGRATIONS = join(__dirname, '../migrations');

export interface Bench {
  readonly workshop: Workshop;
  /** Sends a request as the workshop's own page would. */
  send(
    method: string,
    path: string,
    body?: unknown,
    headers?: Record<string, string>,
  ): Promise<{ status: number; body: never; response: Response }>;
}

/** A fresh workshop in memory behind the real server application. */
export function bench(options: { passphrase?: string; file?: string } = {}): Bench {
  const workshop = openWorkshop(openDatabase(options.file ?? ':memory:', MIGRATIONS));
  const app = serverApp(workshop, { demo: false, siteDir: null, passphrase: options.passphrase ?? null });
  return {
    workshop,
    async send(method, path, body, headers = {}) {
      const response = await app.request(`http://localhost:4377${path}`, {
        method,
        headers: {
          host: 'localhost:4377',
          ...(body === undefined ? {} : { 'content-type': 'application/json' }),
          ...headers,
        },
        ...(body === undefined ? {} : { body: typeof body === 'string' ? body : JSON.stringify(body) }),
      });
      const text = await response.text();
      return {
        status: response.status,
        body: (/json/.test(response.headers.get('content-type') ?? '') ? JSON.parse(text) : text) as never,
        response,
      };
    },
  };
}

export const KRAFT: PaperDraft = {
  name: 'Kraft A3',
  widthMm: 420,
  heightMm: 297,
  count: 3,
  gsm: 90,
  kind: 'kraft',
  caliperMm: 0.12,
  colourFront: '#b98d5b',
  colourBack: '#b08653',
  price: null,
};

export function watchJob(paperId: string | null): JobDraft {
  const block = { lengthMm: 60, widthMm: 45, heightMm: 22 };
  const sized = sizeTrayJob(fitting, { block, ease: 'easy', ruler: 'mm', walls: 'folded', thicknessMm: 0.12 });
  if (!sized) throw new Error('There is a sheet.');
  return {
    title: 'Watch parts',
    purpose: { text: '60 x 45 x 22', block, ease: 'easy' },
    choice: choiceOf(sized, paperId),
  };
}
