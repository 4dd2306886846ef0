import type { SizeEffects } from '../fit/size-effects';
import { cholesky, solveLower, solveUpper } from '../measure/cholesky';

/** A piece that was measured: how far each size came out from what was predicted, and what moves it. */
export interface MeasuredPiece {
  readonly formId: string;
  /** What the paper is known by. */
  readonly paper: string;
  /** By the names that sizes have in all makes, in mm: too large is positive. */
  readonly offMm: Readonly<Record<string, number>>;
  readonly effects: SizeEffects;
}

/**
 * What is thought of a hand before it has folded anything, beside its usual miss: judgements, stated here once. Lengths are
 * shares of that miss; spreads of how far it misses are of its natural logarithm.
 */
export const HAND_PRIOR = {
  lean: { hand: 0.6, paper: 0.3, size: 0.5 },
  miss: { hand: 0.45, paper: 0.15, form: 0.2 },
  /** A layer of paper may differ so far from what it is taken for, in mm. */
  thicknessMm: 0.012,
  /** Reading a ruler misses by so much, in mm. */
  readMm: 0.2,
  /**
   * What a piece may be: as the hand folds, a slip, or written down wrongly. How often, and how many times as far it then lies
   * off: it says little of the hand.
   */
  kinds: [
    { share: 0.95, times: 1 },
    { share: 0.04, times: 5 },
    { share: 0.01, times: 80 },
  ],
} as const;

/** Names, numbered in the order in which they are met. */
export class Numbered {
  private readonly at = new Map<string, number>();
  readonly names: string[] = [];
  of(...name: readonly string[]): number {
    const key = JSON.stringify(name);
    let n = this.at.get(key);
    if (n === undefined) this.at.set(key, (n = this.names.push(name[name.length - 1]) - 1));
    return n;
  }
}

/** A piece as it is worked with: its measured sizes only. */
export interface Seen {
  readonly keys: readonly string[];
  readonly off: Float64Array;
  /** How sizes go together for a hand that misses by 1 mm: n × n. */
  readonly together: Float64Array;
  /** Unknowns that move each size, and by how much: index and slope. */
  readonly moves: readonly (readonly (readonly [unknown: number, slope: number])[])[];
  readonly paper: number;
  readonly form: number;
}

/** What pieces are about: papers, forms on papers, sizes of forms on papers; and which paper forms and sizes are on. */
export interface Known {
  readonly papers: readonly string[];
  readonly forms: readonly { readonly formId: string; readonly paper: number; readonly pieces: number }[];
  /** With what a layer that is 1 mm thicker does to a size, beside what a miss of 1 mm does to it. */
  readonly sizes: readonly { readonly key: string; readonly form: number; readonly perThickness: number }[];
  readonly pieces: readonly Seen[];
}

/** Where the unknowns stand: the hand's lean, leans of papers, of sizes, then how thick papers are. */
export const unknownsOf = ({ papers, sizes }: Pick<Known, 'papers' | 'sizes'>) => ({
  hand: 0,
  paper: (p: number): number => 1 + p,
  size: (s: number): number => 1 + papers.length + s,
  thickness: (p: number): number => 1 + papers.length + sizes.length + p,
  count: 1 + 2 * papers.length + sizes.length,
});

/** Pieces as they are worked with; those of which nothing was measured that a miss moves are left out. */
export function knownOf(all: readonly MeasuredPiece[]): Known {
  const measured = all.flatMap((piece) => {
    const keys = keysOf(piece);
    return keys.length ? [{ ...piece, keys }] : [];
  });
  const [papers, forms, sizes] = [new Numbered(), new Numbered(), new Numbered()];
  const numbered = measured.map(({ paper, formId, keys }) => ({
    ...{ paper: papers.of(paper), form: forms.of(paper, formId) },
    sizes: keys.map((key) => sizes.of(paper, formId, key)),
  }));
  const names = {
    papers: papers.names,
    sizes: sizes.names.map((key, s) => {
      const first = numbered.findIndex((one) => one.sizes.includes(s));
      const { effects } = measured[first];
      const place = effects.keys.indexOf(key);
      const perThickness = effects.perThickness[place] / Math.hypot(...effects.misses[place]);
      return { key, form: numbered[first].form, perThickness };
    }),
  };
  const at = unknownsOf(names);
  return {
    ...names,
    forms: forms.names.map((formId, f) => {
      const own = numbered.filter(({ form }) => form === f);
      return { formId, paper: own[0].paper, pieces: own.length };
    }),
    pieces: measured.map(({ keys, effects, offMm }, i): Seen => {
      const { paper, form, sizes: own } = numbered[i];
      const places = keys.map((key) => effects.keys.indexOf(key));
      const rows = places.map((place) => effects.misses[place]);
      const together = new Float64Array(keys.length ** 2);
      rows.forEach((row, r) =>
        rows.forEach((other, c) => (together[r * keys.length + c] = row.reduce((sum, x, k) => sum + x * other[k], 0))),
      );
      return {
        ...{ keys, together, paper, form },
        off: Float64Array.from(keys, (key) => offMm[key]),
        moves: rows.map((row, r) => {
          const spread = Math.hypot(...row);
          return [
            [at.hand, spread],
            [at.paper(paper), spread],
            [at.size(own[r]), spread],
            [at.thickness(paper), effects.perThickness[places[r]]],
          ] as const;
        }),
      };
    }),
  };
}

/** The measured sizes that folding knows, and that misses or paper move. */
function keysOf({ offMm, effects }: MeasuredPiece): readonly string[] {
  return Object.keys(offMm).filter((key) => {
    const at = effects.keys.indexOf(key);
    return at >= 0 && Number.isFinite(offMm[key]) && effects.misses[at].some((slope) => slope !== 0);
  });
}

/** How sizes of a piece spread together, as the lower triangle of it. */
function spreadOf({ keys, together }: Seen, missMm: number): Float64Array {
  const k = keys.length;
  const v = together.map((x) => x * missMm * missMm);
  for (let r = 0; r < k; r++) v[r * k + r] += HAND_PRIOR.readMm ** 2;
  return cholesky(v, k);
}

/** Logarithm of how likely what is left of a piece is, but for a constant. */
export function likelihood(one: Seen, rest: Float64Array, missMm: number): number {
  const k = one.keys.length;
  const l = spreadOf(one, missMm);
  const z = solveLower(l, k, rest.slice());
  let sum = 0;
  for (let r = 0; r < k; r++) sum -= Math.log(l[r * k + r]) + (z[r] * z[r]) / 2;
  return sum;
}

/** Draws all unknowns at once from what they are when all spreads are known. */
export function drawLeans(
  seen: readonly Seen[],
  prior: Float64Array,
  unknown: Float64Array,
  missOf: (i: number) => number,
  normal: () => number,
): void {
  const n = prior.length;
  const a = new Float64Array(n * n);
  const b = new Float64Array(n);
  for (let k = 0; k < n; k++) a[k * n + k] = 1 / prior[k] ** 2;
  seen.forEach((one, i) => {
    const { keys, moves, off } = one;
    const m = keys.length;
    const l = spreadOf(one, missOf(i));
    // Sizes are made independent of each other: rows of L⁻¹ X, and L⁻¹ of what came out.
    const whole = new Float64Array(m * m);
    for (let c = 0; c < m; c++) {
      const unit = new Float64Array(m);
      unit[c] = 1;
      solveLower(l, m, unit).forEach((x, r) => (whole[r * m + c] = x));
    }
    for (let r = 0; r < m; r++) {
      const row = new Map<number, number>();
      let y = 0;
      for (let c = 0; c <= r; c++) {
        const w = whole[r * m + c];
        y += w * off[c];
        for (const [k, slope] of moves[c]) row.set(k, (row.get(k) ?? 0) + w * slope);
      }
      for (const [k, x] of row) {
        b[k] += x * y;
        for (const [other, z] of row) a[k * n + other] += x * z;
      }
    }
  });
  const l = cholesky(a, n);
  solveLower(l, n, b);
  for (let k = 0; k < n; k++) b[k] += normal();
  unknown.set(solveUpper(l, n, b));
}
