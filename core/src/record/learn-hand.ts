import type { LeanAtForm, LearnedHand } from '../fit/learned-hand';
import { seededNormal, seededRandom } from '../measure/seeded-random';
import { drawLeans, HAND_PRIOR, type Known, knownOf, likelihood, type MeasuredPiece, unknownsOf } from './hand-model';

/** How thick a paper is found to be, beside what it was taken for: in mm. */
export interface LearnedThickness {
  readonly pieces: number;
  readonly offMm: number;
  /** One standard deviation. */
  readonly sdMm: number;
}

/** What pieces say of the hand that folded them. */
export interface HandLearned {
  readonly pieces: number;
  /** On a paper that it never folded. */
  readonly any: LearnedHand;
  readonly papers: Readonly<Record<string, LearnedHand>>;
  readonly thickness: Readonly<Record<string, LearnedThickness>>;
}

/** Draws that are thrown away, and those that are kept. */
const [BURNT, KEPT] = [150, 350] as const;
/** The latest pieces of a hand say enough of it. */
const MOST_PIECES = 200;
/** Steps of the walk over how far it misses, as shares of what is thought before. */
const STEP = 0.8;

/**
 * Learns a hand from measured pieces by a hierarchical model: a size leans by the hand, by its paper and by itself at its form,
 * and is spread by how far the hand misses, which differs a little by paper and form; thicker paper moves sizes as folding says.
 * Now and then a piece is a slip and tells little. Drawn from by Gibbs sampling: leans all at once (a normal of several unknowns),
 * slips one by one, and how far it misses by a random walk (Metropolis). The same pieces and seed give the same.
 * @param usualMm how far such a hand is thought to miss before anything is known of it, in mm
 * @returns null without any piece of which something was measured
 */
export function learnHand(all: readonly MeasuredPiece[], usualMm: number, seed = 1): HandLearned | null {
  const known = knownOf(all.slice(-MOST_PIECES));
  const { papers, forms, pieces } = known;
  if (!pieces.length) return null;
  const { lean, miss, thicknessMm, kinds } = HAND_PRIOR;
  const at = unknownsOf(known);
  const prior = new Float64Array(at.count).fill(lean.size * usualMm);
  prior[at.hand] = lean.hand * usualMm;
  papers.forEach((_, p) => {
    prior[at.paper(p)] = lean.paper * usualMm;
    prior[at.thickness(p)] = thicknessMm;
  });
  const [random, normal] = [seededRandom(seed), seededNormal(seed + 1)];
  /** How far it misses, of the logarithm: the hand, papers, forms on papers; each beside what is thought before. */
  const wide = new Float64Array(1 + papers.length + forms.length);
  const wideSd = Float64Array.from(wide, (_, k) => (k === 0 ? miss.hand : k <= papers.length ? miss.paper : miss.form));
  const touching = Array.from(wide, (_, k) =>
    pieces.flatMap(({ paper, form }, i) => (k === 0 || 1 + paper === k || 1 + papers.length + form === k ? [i] : [])),
  );
  const kindOf = new Uint8Array(pieces.length);
  const unknown = new Float64Array(at.count);
  const rests = pieces.map(({ off }) => new Float64Array(off.length));
  const logs = new Float64Array(pieces.length);
  const missOf = (i: number, kind = kindOf[i]): number => {
    const { paper, form } = pieces[i];
    return usualMm * Math.exp(wide[0] + wide[1 + paper] + wide[1 + papers.length + form]) * kinds[kind].times;
  };
  const likely = (i: number, kind = kindOf[i]): number => likelihood(pieces[i], rests[i], missOf(i, kind));
  const draws = new Draws(known);
  for (let sweep = 0; sweep < BURNT + KEPT; sweep++) {
    drawLeans(pieces, prior, unknown, (i) => missOf(i), normal);
    pieces.forEach(({ off, moves }, i) => {
      for (let r = 0; r < off.length; r++) {
        let rest = off[r];
        for (const [k, slope] of moves[r]) rest -= slope * unknown[k];
        rests[i][r] = rest;
      }
      const each = kinds.map((_, kind) => likely(i, kind));
      const most = Math.max(...each);
      const weights = kinds.map(({ share }, kind) => share * Math.exp(each[kind] - most));
      let left = random() * weights.reduce((sum, weight) => sum + weight, 0);
      const drawn = weights.findIndex((weight) => (left -= weight) < 0);
      kindOf[i] = drawn < 0 ? 0 : drawn;
      logs[i] = each[kindOf[i]];
    });
    for (let k = 0; k < wide.length; k++) {
      const was = wide[k];
      wide[k] += STEP * wideSd[k] * normal();
      const now = touching[k].map((i) => likely(i));
      const gain =
        now.reduce((sum, log, m) => sum + log - logs[touching[k][m]], 0) +
        (was ** 2 - wide[k] ** 2) / (2 * wideSd[k] ** 2);
      if (Math.log(1 - random()) < gain) touching[k].forEach((i, m) => (logs[i] = now[m]));
      else wide[k] = was;
    }
    if (sweep >= BURNT) draws.add(unknown, wide);
  }
  return draws.tell(usualMm);
}

/** Mean and spread of draws, gathered as they come. */
class Gathered {
  private sum = 0;
  private squares = 0;
  private count = 0;
  add(x: number): void {
    this.sum += x;
    this.squares += x * x;
    this.count++;
  }
  get mean(): number {
    return this.sum / this.count;
  }
  /** @param more standard deviation of what is not known beside it */
  sd(more = 0): number {
    return Math.sqrt(Math.max(0, this.squares / this.count - this.mean ** 2) + more * more);
  }
}

const gathered = (all: readonly unknown[]): readonly Gathered[] => all.map(() => new Gathered());

/** What the draws say of the hand, of papers, of forms on papers and of sizes. */
class Draws {
  private readonly handLean = new Gathered();
  private readonly handMiss = new Gathered();
  private readonly paperLean: readonly Gathered[];
  private readonly paperMiss: readonly Gathered[];
  private readonly thickness: readonly Gathered[];
  private readonly formMiss: readonly Gathered[];
  private readonly sizeLean: readonly Gathered[];

  constructor(private readonly known: Known) {
    const { papers, forms, sizes } = known;
    [this.paperLean, this.paperMiss, this.thickness] = [gathered(papers), gathered(papers), gathered(papers)];
    [this.formMiss, this.sizeLean] = [gathered(forms), gathered(sizes)];
  }

  /** @param wide how far it misses, of the logarithm: the hand, papers, forms */
  add(unknown: Float64Array, wide: Float64Array): void {
    const { papers, forms, sizes } = this.known;
    const at = unknownsOf(this.known);
    const leanOn = (p: number): number => unknown[at.hand] + unknown[at.paper(p)];
    this.handLean.add(unknown[at.hand]);
    this.handMiss.add(wide[0]);
    papers.forEach((_, p) => {
      this.paperLean[p].add(leanOn(p));
      this.paperMiss[p].add(wide[0] + wide[1 + p]);
      this.thickness[p].add(unknown[at.thickness(p)]);
    });
    forms.forEach(({ paper }, f) => this.formMiss[f].add(wide[0] + wide[1 + paper] + wide[1 + papers.length + f]));
    sizes.forEach(({ form, perThickness }, s) => {
      const { paper } = forms[form];
      // Paper that is thicker than it is taken for moves a size as a lean does.
      this.sizeLean[s].add(leanOn(paper) + unknown[at.size(s)] + perThickness * unknown[at.thickness(paper)]);
    });
  }

  tell(usualMm: number): HandLearned {
    const { papers, forms, sizes, pieces } = this.known;
    const { lean, miss } = HAND_PRIOR;
    const [sizeSd, paperSd] = [lean.size * usualMm, lean.paper * usualMm];
    const known = (side: Gathered, wide: Gathered, leanSd: number, wideSd: number) => ({
      ...{ missMm: usualMm * Math.exp(wide.mean), missSpread: wide.sd(wideSd) },
      ...{ leanMm: side.mean, leanSdMm: side.sd(leanSd) },
    });
    const formsOn = (paper: number): Record<string, LeanAtForm> =>
      Object.fromEntries(
        forms.flatMap(({ formId, paper: on, pieces: count }, f) => {
          if (on !== paper) return [];
          const own = sizes.flatMap(({ key, form }, s) =>
            form === f ? [[key, { leanMm: this.sizeLean[s].mean, leanSdMm: this.sizeLean[s].sd() }] as const] : [],
          );
          const at = known(this.paperLean[paper], this.formMiss[f], sizeSd, 0);
          return [[formId, { ...at, pieces: count, sizes: Object.fromEntries(own) }] as const];
        }),
      );
    const on = papers.map((name, p): readonly [string, LearnedHand] => {
      const count = pieces.filter(({ paper }) => paper === p).length;
      const hand = known(this.paperLean[p], this.paperMiss[p], sizeSd, miss.form);
      return [name, { ...hand, pieces: count, forms: formsOn(p) }];
    });
    const elsewhere = known(
      this.handLean,
      this.handMiss,
      Math.hypot(paperSd, sizeSd),
      Math.hypot(miss.paper, miss.form),
    );
    return {
      pieces: pieces.length,
      any: { ...elsewhere, pieces: pieces.length, forms: {} },
      papers: Object.fromEntries(on),
      thickness: Object.fromEntries(
        papers.map((name, p) => [
          name,
          { pieces: on[p][1].pieces, offMm: this.thickness[p].mean, sdMm: this.thickness[p].sd() },
        ]),
      ),
    };
  }
}
