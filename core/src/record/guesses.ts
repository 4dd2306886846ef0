/** What was guessed of a trial before it was told, what a simulation told, and what came. */
export interface Guessed {
  /** Who guessed, by role; empty where nobody said. */
  readonly role: string;
  readonly guess: number | null;
  readonly told: number | null;
  readonly truth: number | null;
}

/** How far one guess was off: a share of what came, too much being positive. */
export interface GuessOff {
  /** Which of all trials, the earliest being 0. */
  readonly nth: number;
  readonly guessOff: number | null;
  readonly toldOff: number | null;
}

/** The guesses of one role. */
export interface GuessesOf {
  readonly role: string;
  readonly offs: readonly GuessOff[];
  /** How far off guesses were on average, by size: the first half of them, and the second; null with fewer than four. */
  readonly better: { readonly before: number; readonly now: number } | null;
}

/** Fewer guesses than these say nothing of getting better. */
const ENOUGH = 4;

const offOf = (said: number | null, truth: number): number | null => (said === null ? null : said / truth - 1);

const meanSize = (offs: readonly number[]): number => offs.reduce((sum, off) => sum + Math.abs(off), 0) / offs.length;

/**
 * How guesses came out, role by role, in the order in which each first guessed; trials of which nothing came are left out.
 * @param all the earliest first
 */
export function guessesOf(all: readonly Guessed[]): readonly GuessesOf[] {
  const byRole = new Map<string, GuessOff[]>();
  all.forEach(({ role, guess, told, truth }, nth) => {
    if (truth === null || truth === 0 || (guess === null && told === null)) return;
    const offs = byRole.get(role) ?? [];
    if (!byRole.has(role)) byRole.set(role, offs);
    offs.push({ nth, guessOff: offOf(guess, truth), toldOff: offOf(told, truth) });
  });
  return [...byRole].map(([role, offs]) => {
    const guessed = offs.flatMap(({ guessOff }) => guessOff ?? []);
    const half = Math.floor(guessed.length / 2);
    const better =
      guessed.length < ENOUGH
        ? null
        : { before: meanSize(guessed.slice(0, half)), now: meanSize(guessed.slice(-half)) };
    return { role, offs, better };
  });
}
