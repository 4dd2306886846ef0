import type { Http2Bindings, HttpBindings } from '@hono/node-server';
import type { Context, MiddlewareHandler } from 'hono';
import type { Asker, Keeper } from '../access/keeper';

/** What requests carry along: who asks. */
export interface Env {
  readonly Variables: { asker: Asker; /** The pattern of the route, where it is one of the table. */ route?: string };
  readonly Bindings: Partial<HttpBindings | Http2Bindings>;
}

/** Proxies whose word counts for where a request comes from, by address. */
export type Proxies = ReadonlySet<string>;

/** The last of a list that proxies have added to: what the trusted one saw itself. */
const lastOf = (list: string | undefined): string | undefined => list?.split(',').at(-1)?.trim() || undefined;

const plain = (address: string): string => address.replace(/^::ffff:(?=\d+\.)/i, '');

function whereFrom(c: Context<Env>, proxies: Proxies): Omit<Asker, 'role'> {
  const socket = c.env?.incoming?.socket as { remoteAddress?: string; encrypted?: boolean } | undefined;
  const address = plain(socket?.remoteAddress ?? 'unknown');
  const host = c.req.header('host') ?? '';
  if (!proxies.has(address)) return { address, host, encrypted: socket?.encrypted === true };
  return {
    host: lastOf(c.req.header('x-forwarded-host')) ?? host,
    address: plain(lastOf(c.req.header('x-forwarded-for')) ?? address),
    encrypted: lastOf(c.req.header('x-forwarded-proto')) === 'https',
  };
}

/** Says who asks. Where no passphrase was set everybody is the workshop's owner. */
export const whoAsks =
  (keeper: Keeper | null, proxies: Proxies): MiddlewareHandler<Env> =>
  async (c, next) => {
    c.set('asker', { ...whereFrom(c, proxies), role: keeper ? await keeper.roleOf(c) : 'owner' });
    await next();
  };
