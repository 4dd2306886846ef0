import { type Answer, type Body, type Query, type RouteName, type Routes, routes } from '@odd-corner/contract';
import type { Hono } from 'hono';
import type { ContentfulStatusCode } from 'hono/utils/http-status';
import type * as z from 'zod';
import type { Added } from '../db/add-once';
import { ProblemError } from './problem-error';
import { readBody, readId, readQuery } from './read-body';

/** What a route is asked: the id in its path, its body, what follows the question mark; only what the route has. */
export interface Asked<N extends RouteName> {
  readonly id: Routes[N]['path'] extends `${string}:id${string}` ? string : undefined;
  readonly body: Body<N>;
  readonly query: Query<N>;
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

type Replied<N extends RouteName> = Answer<N> | Reply<Answer<N>>;

/** One function for each route of the table. */
export type Handlers = {
  readonly [N in RouteName]: (asked: Asked<N>) => Replied<N> | Promise<Replied<N>>;
};

const METHODS = ['get', 'post', 'put', 'delete'] as const;

/**
 * Answers every route of the table: reads what is asked by its schemas, and refuses other methods by naming those that there are.
 * @param checkAnswers parses answers too, for tests: elsewhere the types say what they are
 */
export function mount(app: Hono, handlers: Handlers, checkAnswers: boolean): void {
  const methods = new Map<string, Set<string>>();
  for (const name of Object.keys(routes) as RouteName[]) {
    one(app, name, handlers[name], checkAnswers);
    const { path, method } = routes[name];
    methods.set(path, (methods.get(path) ?? new Set()).add(method));
  }
  for (const [path, known] of methods)
    app.all(path, () => {
      const allow = [...known, ...(known.has('GET') ? ['HEAD'] : [])].sort().join(', ');
      throw new ProblemError(405, `That address allows ${allow}.`, { headers: { allow } });
    });
}

function one(app: Hono, name: RouteName, handler: (asked: Asked<RouteName>) => unknown, checkAnswers: boolean): void {
  const route = routes[name] as {
    readonly method: string;
    readonly path: string;
    readonly body?: z.ZodType;
    readonly query?: z.ZodType;
    readonly answer: z.ZodType;
  };
  const method = METHODS.find((known) => known === route.method.toLowerCase())!;
  app[method](route.path, async (c) => {
    const asked = {
      id: route.path.includes(':id') ? readId(c) : undefined,
      query: route.query && readQuery(c, route.query),
      body: route.body && (await readBody(c, route.body)),
    };
    const replied = await handler(asked as Asked<RouteName>);
    const { value, status } = replied instanceof Reply ? (replied as Reply<unknown>) : new Reply(replied, 200);
    if (checkAnswers) route.answer.parse(value);
    return c.json(value, status);
  });
}
