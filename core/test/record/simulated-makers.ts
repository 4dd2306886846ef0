import {
  atOnce,
  DRAWS,
  entriesOf,
  Fitting,
  foldAnew,
  HANDS,
  HAND_PRIOR,
  type LearnedHand,
  leanAt,
  leanOfRoom,
  learnHand,
  type MeasuredPiece,
  missesOf,
  type Offsets,
  offsetsOf,
  seededNormal,
  seededRandom,
  SHELF,
  type SizeEffects,
  sizeEffects,
  withLean,
} from '../../src/index';

/** How far a hand is thought to miss before it has folded anything, in mm. */
const USUAL_MM = HANDS.practised.missMm;
/** A slip misses so many times as far. */
const SLIP_TIMES = 5;
/** How thick a layer is that the forms are folded from, in mm. */
const THICK_MM = 0.1;

/** A form at one sheet: what moves its sizes is read off the real folding. */
interface Folded {
  readonly formId: string;
  readonly effects: SizeEffects;
  /** The sizes of its first room, as they are measured and as they are drawn. */
  readonly keys: readonly string[];
  readonly offsets: Offsets;
  readonly entryKey: string;
  readonly kind: string;
}

/** What the simulated makers fold. */
export function foldedForms(fitting: Pick<Fitting, 'luckOf'> = new Fitting()): readonly Folded[] {
  return (
    [
      ['square-tray-and-eared-lid', 200, 200],
      ['card-template-wrap', 240, 200],
      ['tuck-flap-envelope', 200, 200],
      ['page-corner-bookmark', 120, 120],
    ] as const
  ).map(([formId, widthMm, heightMm]) => {
    const sheet = { widthMm, heightMm };
    const form = SHELF.form(formId);
    const [entry] = entriesOf(form, {});
    const effects = sizeEffects({ formId, params: {}, entries: { [entry.key]: { sheet, thicknessMm: THICK_MM } } });
    const offsets = offsetsOf(fitting, atOnce(missesOf(foldAnew(SHELF.piece(entry.pieceId), sheet, entry.params))));
    const kind = form.rooms[0];
    const keys = offsets.names
      .map((name) => `${entry.key}/${kind}.${name}`)
      .filter((key) => effects.keys.includes(key));
    return { formId, effects, keys, offsets, entryKey: entry.key, kind };
  });
}

/** How makers differ: shares of the usual miss, and of the logarithm of how far they miss. */
export interface Population {
  readonly name: string;
  readonly lean: Readonly<Record<'hand' | 'paper' | 'size', number>>;
  readonly miss: Readonly<Record<'hand' | 'paper' | 'form', number>>;
  /** What the usual miss is multiplied by for all of them. */
  readonly times: number;
  readonly slips: number;
  readonly thicknessMm: number;
}

/** Makers as they are thought of before anything is known, and makers as nobody thought of them. */
export const POPULATIONS: readonly Population[] = [
  { name: 'as thought', ...HAND_PRIOR, times: 1, slips: 0.03 },
  {
    name: 'more exact, leaning less',
    ...HAND_PRIOR,
    lean: { hand: 0.3, paper: 0.1, size: 0.25 },
    times: 0.6,
    slips: 0.01,
  },
  { name: 'wilder, leaning more', ...HAND_PRIOR, lean: { hand: 0.9, paper: 0.4, size: 0.7 }, times: 1.6, slips: 0.06 },
];

/** A maker whose true values are known. */
class Maker {
  private readonly kept: Map<string, number>;
  /** @param truly what is not left to chance */
  constructor(
    private readonly population: Population,
    private readonly normal: () => number,
    private readonly random: () => number,
    truly: Readonly<Record<string, number>> = {},
  ) {
    this.kept = new Map(Object.entries(truly));
  }

  private own(name: string, sd: number): number {
    let value = this.kept.get(name);
    if (value === undefined) this.kept.set(name, (value = sd * this.normal()));
    return value;
  }

  missMm(formId: string, paper: string): number {
    const { miss, times } = this.population;
    const log =
      this.own('miss', miss.hand) +
      this.own(`miss ${paper}`, miss.paper) +
      this.own(`miss ${paper} ${formId}`, miss.form);
    return USUAL_MM * times * Math.exp(log);
  }

  leanMm(formId: string, paper: string, key: string): number {
    const { lean } = this.population;
    const share =
      this.own('lean', lean.hand) +
      this.own(`lean ${paper}`, lean.paper) +
      this.own(`lean ${paper} ${formId} ${key}`, lean.size);
    return USUAL_MM * share;
  }

  /** How far the sizes of one more piece come out, truly. @param slips how often it is a slip */
  piece({ formId, effects, keys }: Folded, paper: string, slips = 0): Record<string, number> {
    const thick = this.own(`thick ${paper}`, this.population.thicknessMm);
    const slip = this.random() < slips ? SLIP_TIMES : 1;
    const miss = slip * this.missMm(formId, paper);
    const luck = effects.misses[0].map(() => this.normal());
    return Object.fromEntries(
      keys.map((key) => {
        const at = effects.keys.indexOf(key);
        const row = effects.misses[at];
        const spread = Math.hypot(...row);
        const byLuck = row.reduce((sum, slope, k) => sum + slope * luck[k], 0);
        return [key, miss * byLuck + spread * this.leanMm(formId, paper, key) + thick * effects.perThickness[at]];
      }),
    );
  }

  /** The same read off a ruler, to half millimetres; one size in five is not measured. */
  measured(form: Folded, paper: string): MeasuredPiece {
    const entries = Object.entries(this.piece(form, paper, this.population.slips)).filter(() => this.random() > 0.2);
    // What is predicted lies anywhere between two marks.
    const read = (mm: number): number => {
      const at = this.random();
      return Math.round(2 * (mm + at)) / 2 - at;
    };
    return {
      formId: form.formId,
      paper,
      effects: form.effects,
      offMm: Object.fromEntries(entries.map(([key, mm]) => [key, read(mm)])),
    };
  }
}

/** A maker that follows from a seed. @param truly what is not left to chance, as its shares are called */
export const simulatedMaker = (
  population: Population,
  seed: number,
  truly: Readonly<Record<string, number>> = {},
): Pick<Maker, 'measured'> => new Maker(population, seededNormal(seed), seededRandom(seed + 1), truly);

/** How one maker's next piece is judged after so many: by what was learned, and by the usual hand. */
export interface Judged {
  readonly after: number;
  readonly learned: number;
  readonly usual: number;
  /** How often it truly comes out. */
  readonly truly: number;
}

/** So much is asked of each maker, and truth is counted over so many pieces. */
const [QUESTIONS, TRUE_PIECES] = [5, 100] as const;

/** The chance that no size comes out smaller than it may, over all draws. */
function chance({ draws }: Offsets, least: readonly number[], handMm: number): number {
  let fits = 0;
  for (let n = 0; n < DRAWS; n++) if (least.every((mm, r) => handMm * draws[r][n] >= mm)) fits++;
  return fits / DRAWS;
}

/**
 * Lets simulated makers fold and measure, learns each hand after so many pieces, and asks for the chance that its next piece is
 * not too small, by margins that are drawn too. A slip is seen and folded again: what is judged is a piece without one.
 */
export function judgedMakers(
  population: Population,
  counts: readonly number[],
  makers: number,
  seed: number,
): readonly Judged[] {
  const fitting = new Fitting();
  const forms = foldedForms(fitting);
  const judged: Judged[] = [];
  for (let m = 0; m < makers; m++) {
    const [random, normal] = [seededRandom(seed + 2 * m), seededNormal(seed + 2 * m + 1)];
    const maker = new Maker(population, normal, random);
    const any = <T>(all: readonly T[]): T => all[Math.floor(random() * all.length)];
    const pieces: MeasuredPiece[] = [];
    for (const after of counts) {
      while (pieces.length < after) pieces.push(maker.measured(any(forms), any(['kraft', 'office'])));
      const inAll = learnHand(pieces, USUAL_MM, seed + m);
      for (let question = 0; question < QUESTIONS; question++) {
        const [next, paper] = [any(forms), any(['kraft', 'office'])];
        const { offsets, formId, entryKey, kind } = next;
        const least = offsets.spreads.map((spread) => USUAL_MM * spread * (0.5 - 3 * random()));
        const hand: LearnedHand | undefined = inAll?.papers[paper] ?? inAll?.any;
        const known = hand && leanOfRoom(leanAt(hand, formId), entryKey, { kind });
        let truly = 0;
        for (let k = 0; k < TRUE_PIECES; k++) {
          const off = maker.piece(next, paper);
          if (next.keys.every((key, r) => off[key] >= least[r])) truly++;
        }
        judged.push({
          after,
          learned: chance(known ? withLean(fitting, offsets, known, USUAL_MM) : offsets, least, USUAL_MM),
          usual: chance(offsets, least, USUAL_MM),
          truly: truly / TRUE_PIECES,
        });
      }
    }
  }
  return judged;
}

/** No chance is told surer than this: how a score counts one that was told as certain and failed. */
const SUREST = 1 - 1 / (2 * DRAWS);

/** Mean logarithm of the chance that was given to what came. */
export const logScore = (all: readonly Judged[], by: 'learned' | 'usual'): number =>
  all.reduce((sum, one) => {
    const p = Math.min(SUREST, Math.max(1 - SUREST, one[by]));
    return sum + one.truly * Math.log(p) + (1 - one.truly) * Math.log(1 - p);
  }, 0) / all.length;

/** By tenths of what was told: how many, what was told on average, and how often it came. */
export function calibration(all: readonly Judged[], by: 'learned' | 'usual', bins = 5) {
  return Array.from({ length: bins }, (_, k) => {
    const own = all.filter((one) => Math.min(bins - 1, Math.floor(bins * one[by])) === k);
    const mean = (read: (one: Judged) => number): number => own.reduce((sum, one) => sum + read(one), 0) / own.length;
    return { count: own.length, told: mean((one) => one[by]), came: mean(({ truly }) => truly) };
  }).filter(({ count }) => count > 0);
}
