import {
  type Answer,
  type Body,
  may,
  PAGE_HEADER,
  type Query,
  type RouteName,
  type Routes,
  routes,
} from '@odd-corner/contract';
import type { Context, Hono } from 'hono';
import type { ContentfulStatusCode } from 'hono/utils/http-status';
import type * as z from 'zod';
import type { Asker } from '../access/keeper';
import type { Added } from '../db/add-once';
import type { ChangesHub } from './changes-hub';
import { ProblemError } from './problem-error';
import { readBody, readId, readQuery } from './read-body';
import type { Env } from './who-asks';

/** What a route is asked: the id in its path, its body, what follows the question mark; only what the route has. */
export interface Asked<N extends RouteName> {
  readonly id: Routes[N]['path'] extends `${string}:id${string}` ? string : undefined;
  readonly body: Body<N>;
  readonly query: Query<N>;
  /** Who asks, and the request itself, for the few routes that need it. */
  readonly asker: Asker;
  readonly c: Context<Env>;
}

/** An answer that is not plainly 200. */
export class Reply<T> {
  constructor(
    readonly value: T,
    readonly status: ContentfulStatusCode,
  ) {}
}

/** 201 when it was added this time. */
export const replyAdded = <T>({ row, added }: Added<T>): Reply<T> => new Reply(row, added ? 201 : 200);

/** Streams and files are answered as they are. */
type Replied<N extends RouteName> = Answer<N> | Reply<Answer<N>> | Response;

/** One function for each route of the table. */
export type Handlers = {
  readonly [N in RouteName]: (asked: Asked<N>) => Replied<N> | Promise<Replied<N>>;
};

const METHODS = ['get', 'post', 'put', 'delete'] as const;

interface Mounting {
  readonly hub: ChangesHub;
  /** Parses answers too, for tests: elsewhere the types say what they are. */
  readonly checkAnswers: boolean;
}

/**
 * Answers every route of the table: asks whether the asker may, reads what is asked by its schemas, tells what was
 * changed, and refuses other methods by naming those that there are.
 */
export function mount(app: Hono<Env>, handlers: Handlers, mounting: Mounting): void {
  const methods = new Map<string, Set<string>>();
  for (const name of Object.keys(routes) as RouteName[]) {
    one(app, name, handlers[name], mounting);
    const { path, method } = routes[name];
    methods.set(path, (methods.get(path) ?? new Set()).add(method));
  }
  for (const [path, known] of methods)
    app.all(path, () => {
      const allow = [...known, ...(known.has('GET') ? ['HEAD'] : [])].sort().join(', ');
      throw new ProblemError(405, `That address allows ${allow}.`, { headers: { allow } });
    });
}

/** @throws ProblemError 401 where a passphrase is needed, 403 for what guests may not do */
function refuseStranger({ role }: Asker, name: RouteName): void {
  if (may(role, name)) return;
  if (role === null) throw new ProblemError(401, 'Give the passphrase of this workshop first.');
  throw new ProblemError(403, 'Guests fold and tick here. Ask the workshop’s owner for that.');
}

function one(
  app: Hono<Env>,
  name: RouteName,
  handler: (asked: Asked<RouteName>) => unknown,
  { hub, checkAnswers }: Mounting,
): void {
  const route = routes[name] as {
    readonly method: string;
    readonly path: string;
    readonly body?: z.ZodType;
    readonly query?: z.ZodType;
    readonly answer: z.ZodType;
  };
  const method = METHODS.find((known) => known === route.method.toLowerCase())!;
  app[method](route.path, async (c) => {
    c.set('route', route.path);
    const asker = c.get('asker');
    refuseStranger(asker, name);
    const asked = {
      ...{ asker, c },
      id: route.path.includes(':id') ? readId(c) : undefined,
      query: route.query && readQuery(c, route.query),
      body: route.body && (await readBody(c, route.body)),
    };
    const replied = await handler(asked as Asked<RouteName>);
    hub.done(name, asked.id ?? null, c.req.header(PAGE_HEADER)?.slice(0, 64) ?? null);
    if (replied instanceof Response) return replied;
    const { value, status } = replied instanceof Reply ? (replied as Reply<unknown>) : new Reply(replied, 200);
    if (checkAnswers) route.answer.parse(value);
    const text = JSON.stringify(value);
    // How long it is decides whether it is worth compressing.
    const headers = { 'content-type': 'application/json', 'content-length': String(Buffer.byteLength(text)) };
    return c.body(text, status, headers);
  });
}
