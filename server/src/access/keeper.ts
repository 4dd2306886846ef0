import { LEAST_PASSPHRASE, type Role } from '@odd-corner/contract';
import type { Context } from 'hono';
import { deleteCookie, getSignedCookie, setSignedCookie } from 'hono/cookie';
import { createHash, randomBytes, timingSafeEqual } from 'node:crypto';
import type { Journal } from '../journal/journal';
import { ProblemError } from '../http/problem-error';
import { Guesses } from './guesses';

/** How long somebody stays signed in on a device, and from when on that is prolonged, in seconds. */
const STAYS_S = 30 * 86_400;
const PROLONGED_S = 15 * 86_400;
const MS = 1000;

/** What opens a workshop, for whom. */
export type Passphrases = Readonly<{ owner: string; guest: string | null }>;

/** Who asks, and from where. */
export interface Asker {
  readonly role: Role | null;
  readonly address: string;
  /** The name that the page was opened by, with its port. */
  readonly host: string;
  /** Whether what travels is encrypted. */
  readonly encrypted: boolean;
}

const hash = (text: string): Buffer => createHash('sha256').update(text.normalize('NFC')).digest();
const same = (a: string, b: string): boolean => timingSafeEqual(hash(a), hash(b));

/** Whether a passphrase is long enough to be guessed by nobody at the pace that is allowed. */
export const isLongEnough = (passphrase: string): boolean => [...passphrase].length >= LEAST_PASSPHRASE;

/**
 * Keeps the door of a workshop that has a passphrase. Who gave it carries a cookie with the time until which it counts,
 * signed with a secret of the workshop and the passphrase itself: another passphrase ends all of them.
 */
export class Keeper {
  private readonly guesses = new Guesses();
  private readonly cookie: string;

  constructor(
    private readonly passphrases: Passphrases,
    private readonly secret: string,
    private readonly journal: Pick<Journal, 'event'>,
    private readonly seconds = (): number => Date.now() / MS,
  ) {
    // Cookies do not tell ports apart: two workshops of one machine have one each.
    this.cookie = `odd-corner-${hash(secret).toString('hex').slice(0, 8)}`;
  }

  /** Who carries a cookie that counts. */
  async roleOf(c: Context): Promise<Role | null> {
    return (await this.read(c))?.role ?? null;
  }

  /** The same, and the cookie is prolonged where it has aged. */
  async prolonged(c: Context, encrypted: boolean): Promise<Role | null> {
    const found = await this.read(c);
    if (found && found.until - this.seconds() < PROLONGED_S) await this.admit(c, found.role, encrypted);
    return found?.role ?? null;
  }

  /** @throws ProblemError 403 for a wrong passphrase, 429 while guesses have to wait */
  async signIn(
    c: Context,
    passphrase: string,
    { address, encrypted }: Pick<Asker, 'address' | 'encrypted'>,
  ): Promise<Role> {
    const wait = this.guesses.waitOf(address, this.seconds());
    if (wait) {
      this.journal.event('passphrase not looked at', { address, wait });
      throw new ProblemError(429, `Too many wrong passphrases. Wait ${inWords(wait)}, then try again.`, {
        headers: { 'retry-after': String(wait) },
      });
    }
    const role = this.roleFor(passphrase);
    if (!role) {
      this.guesses.wrong(address, this.seconds());
      this.journal.event('wrong passphrase', { address });
      const message = 'That is not the passphrase of this workshop.';
      throw new ProblemError(403, message, { issues: [{ path: ['passphrase'], message }] });
    }
    this.guesses.right(address);
    this.journal.event('signed in', { address, role });
    await this.admit(c, role, encrypted);
    return role;
  }

  signOut(c: Context): void {
    deleteCookie(c, this.cookie, { path: '/' });
  }

  private roleFor(passphrase: string): Role | null {
    const { owner, guest } = this.passphrases;
    // Both are compared, whichever it is.
    const [isOwner, isGuest] = [same(passphrase, owner), guest !== null && same(passphrase, guest)];
    return isOwner ? 'owner' : isGuest ? 'guest' : null;
  }

  private async read(c: Context): Promise<{ readonly role: Role; readonly until: number } | null> {
    for (const role of ['owner', 'guest'] as const) {
      const secret = this.secretOf(role);
      const value = secret === null ? false : await getSignedCookie(c, secret, this.cookie);
      if (value && Number(value) > this.seconds()) return { role, until: Number(value) };
    }
    return null;
  }

  private async admit(c: Context, role: Role, secure: boolean): Promise<void> {
    await setSignedCookie(c, this.cookie, String(Math.floor(this.seconds() + STAYS_S)), this.secretOf(role)!, {
      ...{ path: '/', httpOnly: true, sameSite: 'Strict', maxAge: STAYS_S, secure },
    });
  }

  private secretOf(role: Role): string | null {
    const passphrase = this.passphrases[role];
    return passphrase === null ? null : `${role} ${this.secret} ${hash(passphrase).toString('base64')}`;
  }
}

const inWords = (seconds: number): string =>
  seconds < 100 ? `${seconds} ${seconds === 1 ? 'second' : 'seconds'}` : `${Math.ceil(seconds / 60)} minutes`;

/** A secret of a workshop's own. */
export const newSecret = (): string => randomBytes(32).toString('base64');
