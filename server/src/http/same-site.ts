import type { MiddlewareHandler } from 'hono';
import { ProblemError } from './problem-error';
import type { Env } from './who-asks';

/** Whether a host as it stands in a request is this machine itself. */
export const isLoopbackHost = (host: string): boolean => /^(localhost|127\.0\.0\.1|\[::1\])(:\d+)?$/i.test(host);

/**
 * Answers only requests that name this server as their host, and writes only from its own pages: another site open in
 * the same browser can neither read nor change the workshop, not even by pointing a name of its own at this machine.
 * @param anyHost for a server opened to a network on purpose, which a passphrase protects
 */
export function sameSite(anyHost: boolean): MiddlewareHandler<Env> {
  return async (c, next) => {
    const { host } = c.get('asker');
    if (!anyHost && !isLoopbackHost(host))
      throw new ProblemError(403, 'This workshop answers only to its own address.');
    const origin = c.req.header('origin');
    if (origin !== undefined && origin !== `http://${host}` && origin !== `https://${host}`)
      throw new ProblemError(403, 'That page does not belong to this workshop.');
    const site = c.req.header('sec-fetch-site');
    const write = !['GET', 'HEAD', 'OPTIONS'].includes(c.req.method);
    if (write && site !== undefined && site !== 'same-origin' && site !== 'none')
      throw new ProblemError(403, 'That page does not belong to this workshop.');
    await next();
  };
}
