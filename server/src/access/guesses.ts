/** So many wrong guesses of one address are answered at once; each further one waits twice as long. */
const FREE_OF_ONE = 3;
const LONGEST_S = 900;
/** So many of all addresses together, and one more each minute: whoever changes addresses gets no further. */
const FREE_OF_ALL = 30;
const EACH_S = 60;
/** An address is forgotten when it has made no guess for so long. */
const FORGOTTEN_S = 3600;

interface Guesser {
  readonly wrong: number;
  /** When it made its last guess, and from when on it may make the next, in seconds. */
  readonly last: number;
  readonly free: number;
}

/** The home network of an address: guesses of a neighbouring IPv6 address are the same guesser's. */
export const networkOf = (address: string): string => {
  const plain = address.replace(/^::ffff:(?=\d+\.)/i, '').replace(/%.*$/, '');
  if (!plain.includes(':')) return plain;
  const [head, tail] = plain.toLowerCase().split('::');
  const groups = head.split(':').filter(Boolean);
  if (tail !== undefined) {
    const rest = tail.split(':').filter(Boolean);
    groups.push(...Array<string>(Math.max(0, 8 - groups.length - rest.length)).fill('0'), ...rest);
  }
  return groups
    .slice(0, 4)
    .map((group) => group.replace(/^0+(?=.)/, ''))
    .join(':');
};

/** Slows guessing of a passphrase down, for each address and in all. Times are seconds of one clock. */
export class Guesses {
  private readonly guessers = new Map<string, Guesser>();
  private left = FREE_OF_ALL;
  private counted = 0;

  /** How many seconds an address must wait before its next guess is looked at; 0 when it need not. */
  waitOf(address: string, now: number): number {
    this.refill(now);
    const own = (this.guessers.get(networkOf(address))?.free ?? 0) - now;
    const all = this.left >= 1 ? 0 : (1 - this.left) * EACH_S;
    return Math.max(0, Math.ceil(own), Math.ceil(all));
  }

  wrong(address: string, now: number): void {
    this.refill(now);
    this.left = Math.max(0, this.left - 1);
    for (const [key, { last }] of this.guessers) if (now - last > FORGOTTEN_S) this.guessers.delete(key);
    const key = networkOf(address);
    const wrong = (this.guessers.get(key)?.wrong ?? 0) + 1;
    const wait = wrong <= FREE_OF_ONE ? 0 : Math.min(LONGEST_S, 2 ** (wrong - FREE_OF_ONE));
    this.guessers.set(key, { wrong, last: now, free: now + wait });
  }

  right(address: string): void {
    this.guessers.delete(networkOf(address));
  }

  private refill(now: number): void {
    if (this.counted) this.left = Math.min(FREE_OF_ALL, this.left + Math.max(0, now - this.counted) / EACH_S);
    this.counted = now;
  }
}
