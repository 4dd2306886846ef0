import type { MiddlewareHandler } from 'hono';
import type { Env } from '../http/who-asks';
import type { Journal } from './journal';

/** What is no route of the table: the pages and their files. */
const PAGE = '/*';

/** One line for each request, when it has been answered. */
export const journalRequests =
  (journal: Journal): MiddlewareHandler<Env> =>
  async (c, next) => {
    const from = performance.now();
    await next();
    const ms = Math.round((performance.now() - from) * 10) / 10;
    journal.request({ method: c.req.method, route: c.get('route') ?? PAGE, status: c.res.status, ms });
  };
