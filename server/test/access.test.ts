import { may, type Problem, type RouteName, routes } from '@odd-corner/contract';
import { Keeper } from '../src/access/keeper';
import { networkOf } from '../src/access/guesses';
import { readOptions, StartRefused } from '../src/read-options';
import { proxied } from './proxied';
import { bench, type Bench, KRAFT, post } from './workshop';
import * as fc from 'fast-check';
import { randomUUID } from 'node:crypto';

const OWNER = 'low tide at seven';
const GUEST = 'children’s corner';

interface Door extends Bench {
  /** Sets the clock on, in seconds. */
  wait(seconds: number): void;
  readonly events: string[];
  signIn(passphrase: string): Promise<{ status: number; cookie: string; response: Response; body: unknown }>;
}

/** A workshop with a door, and a clock of its own. */
function door(
  passphrases = { owner: OWNER, guest: GUEST as string | null },
  secret = 'a secret of the workshop',
): Door {
  let now = 1_800_000_000;
  const events: string[] = [];
  const journal = { event: (what: string) => void events.push(what) };
  const b = bench({ keeper: new Keeper(passphrases, secret, journal, () => now) });
  return {
    ...b,
    events,
    wait: (seconds) => void (now += seconds),
    async signIn(passphrase) {
      const { status, response, body } = await b.send('POST', '/api/access', { passphrase });
      return { status, response, body, cookie: (response.headers.get('set-cookie') ?? '').split(';')[0] };
    },
  };
}

describe('a workshop with a passphrase', () => {
  it('tells nothing before it was given, also to its own machine, and everything after', async () => {
    const d = door();
    expect((await d.send('GET', '/api/papers')).status).toBe(401);
    expect((await d.send('GET', '/api/access')).body).toEqual({ role: null, asked: true });
    expect((await d.send('GET', '/api/health')).body).toEqual({ state: 'ok', demo: false, why: null });
    const { status, response, cookie, body } = await d.signIn(OWNER);
    expect({ status, body }).toEqual({ status: 200, body: { role: 'owner', asked: true } });
    const said = response.headers.get('set-cookie')!;
    for (const part of ['HttpOnly', 'SameSite=Strict', 'Path=/']) expect(said).toContain(part);
    expect(said).not.toContain('Secure');
    expect((await d.send('GET', '/api/papers', undefined, { cookie })).status).toBe(200);
    // From the network too: the name that it is asked by does not count any more.
    expect((await d.send('GET', '/api/papers', undefined, { cookie, host: 'shed.local:4377' })).status).toBe(200);
    expect(d.events).toEqual(['signed in']);
  });

  it('keeps who signed in for a month, longer where it is used, and not after another passphrase was set', async () => {
    const d = door();
    const { cookie } = await d.signIn(OWNER);
    const asks = async (carried: string): Promise<number> =>
      (await d.send('GET', '/api/papers', undefined, { cookie: carried })).status;
    d.wait(20 * 86_400);
    const { response } = await d.send('GET', '/api/access', undefined, { cookie });
    const renewed = response.headers.get('set-cookie')!.split(';')[0];
    d.wait(11 * 86_400);
    expect([await asks(cookie), await asks(renewed)]).toEqual([401, 200]);
    const other = door({ owner: 'another passphrase', guest: GUEST });
    const fresh = (await d.signIn(OWNER)).cookie;
    expect((await other.send('GET', '/api/papers', undefined, { cookie: fresh })).status).toBe(401);
  });

  it('takes no cookie that it did not make', () =>
    fc.assert(
      fc.asyncProperty(fc.nat(), fc.integer({ min: 1, max: 255 }), async (at, change) => {
        const d = door();
        const { cookie } = await d.signIn(GUEST);
        const [name, value] = cookie.split('=', 2);
        const bytes = Buffer.from(decodeURIComponent(value));
        bytes[at % bytes.length] ^= change;
        const forged = `${name}=${encodeURIComponent(bytes.toString('latin1'))}`;
        expect((await d.send('GET', '/api/papers', undefined, { cookie: forged })).status).toBe(401);
      }),
      { numRuns: 25 },
    ));

  it('lets guests look, fold and tick, and change neither shelf nor settings', async () => {
    const d = door();
    const { cookie } = await d.signIn(GUEST);
    expect((await d.send('GET', '/api/papers', undefined, { cookie })).status).toBe(200);
    const refused = await d.send('POST', '/api/papers', { ...KRAFT, id: randomUUID() }, { cookie });
    expect([refused.status, (refused.body as Problem).detail]).toEqual([403, expect.stringContaining('Guests')]);
    // What a guest may do is written down route by route: whatever is not there is refused.
    for (const [name, { method, path }] of Object.entries(routes) as [RouteName, { method: string; path: string }][]) {
      if (name === 'changes') continue;
      const { status } = await d.send(method, path.replace(':id', randomUUID()), method === 'GET' ? undefined : {}, {
        cookie,
      });
      expect([name, status === 403]).toEqual([name, !may('guest', name)]);
    }
    expect(may('guest', 'addProgress')).toBe(true);
    for (const name of ['changePaper', 'changeSettings', 'addLogEntry', 'takeOut', 'purge', 'backups'] as const)
      expect(may('guest', name)).toBe(false);
  });

  it('is left by signing out', async () => {
    const d = door();
    const { cookie } = await d.signIn(OWNER);
    const { response, body } = await d.send('DELETE', '/api/access', undefined, { cookie });
    expect(body).toEqual({ role: null, asked: true });
    expect(response.headers.get('set-cookie')).toMatch(/Max-Age=0/);
  });

  it('is not guessed: each wrong passphrase waits longer, is refused without being looked at, and is logged', async () => {
    const d = door();
    let [looked, seconds] = [0, 0];
    const day = 86_400;
    while (seconds < day) {
      const { status, response } = await d.signIn(`guess ${looked}`);
      if (status === 403) looked++;
      else {
        expect(status).toBe(429);
        const wait = Number(response.headers.get('retry-after'));
        expect(wait).toBeGreaterThan(0);
        // Not even the right one counts meanwhile.
        expect((await d.signIn(OWNER)).status).toBe(429);
        d.wait(wait);
        seconds += wait;
      }
    }
    // A word of ten thousand would last for months.
    expect(looked).toBeLessThan(120);
    expect(d.events.filter((event) => event === 'wrong passphrase')).toHaveLength(looked);
    d.wait(1000);
    expect((await d.signIn(OWNER)).status).toBe(200);
  });
});

describe('where a guess comes from', () => {
  it.each([
    ['::ffff:192.168.1.7', '192.168.1.7'],
    ['2001:db8:1:2:aaaa::1', '2001:db8:1:2'],
    ['2001:db8:1:2:ffff:ffff:ffff:ffff', '2001:db8:1:2'],
    ['2001:0db8:0001:0002::9', '2001:db8:1:2'],
    ['fe80::1%eth0', 'fe80:0:0:0'],
    ['::1', '0:0:0:0'],
  ])('is the network of %s', (address, network) => expect(networkOf(address)).toBe(network));
});

describe('opening it to others', () => {
  const settings = { ODD_CORNER_PASSPHRASE: OWNER, ODD_CORNER_GUEST_PASSPHRASE: GUEST, HOST: '0.0.0.0' };

  it('reads passphrases, certificate and proxies, on loopback too', () => {
    expect(readOptions(settings, []).passphrases).toEqual({ owner: OWNER, guest: GUEST });
    expect(readOptions({ ODD_CORNER_PASSPHRASE: OWNER }, []).passphrases).toEqual({ owner: OWNER, guest: null });
    expect([...readOptions({ ODD_CORNER_PROXY: '127.0.0.1, fd00::2' }, []).proxies]).toEqual(['127.0.0.1', 'fd00::2']);
  });

  it.each([
    [{ ...settings, ODD_CORNER_PASSPHRASE: 'tide' }, 'too short'],
    [{ ...settings, ODD_CORNER_PASSPHRASE: '' }, 'for yourself as well'],
    [{ ...settings, ODD_CORNER_GUEST_PASSPHRASE: OWNER }, 'the same as yours'],
    [{ HOST: '192.168.1.7' }, 'opens the workshop to the network'],
    [{ ODD_CORNER_CERT: 'cert.pem' }, 'HTTPS needs both'],
    [{ ODD_CORNER_CERT: '/nowhere.pem', ODD_CORNER_KEY: '/nowhere.key' }, 'There is no file'],
    [{ ODD_CORNER_PROXY: 'my proxy' }, 'no address'],
  ])('refuses %j', (env, why) => {
    expect(() => readOptions(env as Record<string, string>, [])).toThrow(StartRefused);
    expect(() => readOptions(env as Record<string, string>, [])).toThrow(why);
  });
});

describe('what travels through a proxy', () => {
  const PROXY = '10.0.0.2';
  const ask = async (socket: string, said: Record<string, string>) => {
    const addresses: string[] = [];
    const event = (_: string, { address }: Record<string, unknown>): void => void addresses.push(address as string);
    const keeper = new Keeper({ owner: OWNER, guest: null }, 'secret', { event });
    await proxied({ keeper, proxies: new Set([PROXY]) }, socket, said);
    return addresses;
  };
  const from = (forwarded: string) => ({ 'x-forwarded-for': forwarded });

  it('is believed where the proxy is trusted, and only what that one added itself', async () => {
    expect(await ask(PROXY, from('1.2.3.4, 192.168.7.9'))).toEqual(['192.168.7.9']);
    expect(await ask(`::ffff:${PROXY}`, from('192.168.7.9'))).toEqual(['192.168.7.9']);
    expect(await ask('10.0.0.3', from('192.168.7.9'))).toEqual(['10.0.0.3']);
  });

  it('belongs to the page that the proxy was asked by, not to one that says so itself', async () => {
    const said = { 'x-forwarded-host': 'fold.example', origin: 'https://fold.example' };
    // A passphrase that was looked at is in the log.
    expect(await ask(PROXY, said)).toEqual([PROXY]);
    expect(await ask('10.0.0.3', said)).toEqual([]);
    expect(await ask(PROXY, { ...said, origin: 'https://other.example' })).toEqual([]);
  });
});

it('a workshop without a passphrase asks nobody', async () => {
  const b = bench();
  expect((await b.send('GET', '/api/access')).body).toEqual({ role: 'owner', asked: false });
  await post(b, '/api/papers', KRAFT);
});
