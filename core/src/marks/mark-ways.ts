import type { PlaceMiss } from '../fit/mark-misses';
import type { SheetSize } from '../forms/form';
import { EXACT, foldWay, foldWaysTo } from './fold-ways';
import { foldsInRound, type Fraction, fractionOf, halvingFolds } from './halving';
import { goalsOf, type MarkGoal } from './mark-goals';
import { creasesOf, type MarkFold, placeOf, type PlaceRef } from './search/mark-fold';
import { readFolds, writeFolds } from './search/fold-code';
import type { MarkSearch } from './search/mark-search';
import { lastMark, type MarkSpread, markSpread } from './search/mark-spread';
import { sharedFolds, symmetriesOf, turnedFolds } from './search/turned-folds';
import { type Creased, creasedBy } from './search/creased';
import type { MarkPlace } from './sheet-marks';

/** How makers like to find their marks. */
export const SCHOOLS = ['ruler', 'fold', 'eye'] as const;
export type School = (typeof SCHOOLS)[number];

/**
 * By what share of a length an eye misses a place on it, one standard deviation, for as long as no drill has shown it: a
 * judgement, on the careful side.
 */
export const USUAL_EYE = 0.025;

/** How far a card or strip that is cut to a length misses it, one standard deviation in mm: a judgement. */
export const CUT_CARD_MM = 0.2;

/** A thing is used as a ruler where its side is so near to the length, in mm. */
const BY_CONTENTS_MM = 1.5;

/** A card longer than this, in mm, is no card any more. */
export const LONGEST_CARD_MM = 300;

/** Rounds of halving after which the guess is forgotten when it leaves less than this in the mark, in mm. */
const FORGOTTEN_MM = 0.15;
const MOST_ROUNDS = 4;

/** Fractions in more parts than this take too many folds to converge, as do rounds of more folds; halves need no guess. */
const MOST_PARTS = 15;
const CONVERGES: ReadonlySet<number> = new Set([2, 3, 4]);

/** A way to find all places of a mark. */
export interface MarkWay {
  /** As it is kept with a job: in small letters, digits and hyphens. */
  readonly id: string;
  readonly kind: 'ruler' | 'nearest' | 'folds' | 'halving' | 'card' | 'contents' | 'roll' | 'eye';
  readonly school: School;
  readonly misses: readonly PlaceMiss[];
  /** What is to be expected that a place misses beside its ruler mark, in mm. */
  readonly expectedMm: number;
  /** Misses of one standard deviation all the same way, in mm. */
  readonly worstMm: number;
  readonly exact: boolean;
  /** What is folded for it, on the open sheet. */
  readonly folded: {
    readonly folds: readonly MarkFold[];
    readonly marks: readonly PlaceRef[];
    readonly creased: readonly Creased[];
    /** Whether the piece is then folded square to the edges on which the marks are; else through two of them. */
    readonly square: boolean;
  } | null;
  /** Of a way that converges. */
  readonly halving?: { readonly fraction: Fraction; readonly rounds: number; readonly left: readonly number[] };
  /** What serves as the ruler. */
  readonly by?: { readonly name: string; readonly mm: number };
}

/** Whose marks they are. */
export interface MarkMaker {
  readonly handMm: number;
  /** By what share of a length the eye misses. */
  readonly eye: number;
  readonly rulerStepMm: number;
  /** What it is for, by its sides: any of them can serve as a ruler. */
  readonly things: readonly { readonly name: string; readonly mm: number }[];
}

/** A mark that a maker measures. */
export interface Measured {
  readonly mm: number;
  readonly places: readonly MarkPlace[];
}

/** All ways to find a mark that is told as measured, the ruler first. */
export function waysToMark(mark: Measured, size: SheetSize, maker: MarkMaker, search: MarkSearch): readonly MarkWay[] {
  const goals = goalsOf(mark.places, size);
  const folded = goals ? foldedWays(goals, size, maker, search) : [];
  const halving = goals ? halvingOf(goals, size) : null;
  return [
    ...plainWays(mark, maker, goals !== null && isThirds(goals, size)),
    ...folded,
    ...(halving ? [halvingWay(goals!, halving, size, maker)].filter((way) => way !== null) : []),
  ];
}

/** The way of an id, whether or not it would be told again; null where it is none for this mark. */
export function wayById(id: string, mark: Measured, size: SheetSize, maker: MarkMaker): MarkWay | null {
  const goals = goalsOf(mark.places, size);
  const plain = plainWays(mark, maker, goals !== null && isThirds(goals, size)).find((way) => way.id === id);
  if (plain) return plain;
  if (!goals) return null;
  const rounds = /^halving-([1-9])$/.exec(id);
  if (rounds) {
    const fraction = halvingOf(goals, size);
    return fraction && halvingWay(goals, fraction, size, maker, Number(rounds[1]));
  }
  const folds = id.startsWith(FOLDED) ? readFolds(id.slice(FOLDED.length)) : null;
  try {
    return folds && wayOfFolds(folds, goals, size, maker);
  } catch {
    // A code from elsewhere may name folds that this sheet does not have.
    return null;
  }
}

const FOLDED = 'f-';

function plainWays({ mm, places }: Measured, { eye, rulerStepMm, things }: MarkMaker, thirds: boolean): MarkWay[] {
  const all = (biasMm: number, sdMm: number, together: boolean): PlaceMiss[] =>
    places.map(({ measured }, k) => ({ measured, biasMm, sdMm, luck: together ? 0 : k }));
  const way = (
    id: MarkWay['kind'],
    school: School,
    biasMm: number,
    sdMm: number,
    more: Partial<MarkWay> & { readonly together?: boolean } = {},
  ): MarkWay => {
    const { together = false, ...rest } = more;
    return {
      ...{ id, kind: id, school, exact: false, folded: null },
      misses: all(biasMm, sdMm, together),
      expectedMm: Math.hypot(biasMm, sdMm),
      worstMm: Math.abs(biasMm) + sdMm,
      ...rest,
    };
  };
  const beside = Math.round(mm / rulerStepMm) * rulerStepMm - mm;
  const [thing] = things
    .filter((one) => Math.abs(one.mm - mm) <= BY_CONTENTS_MM)
    .sort((p, q) => Math.abs(p.mm - mm) - Math.abs(q.mm - mm));
  return [
    way('ruler', 'ruler', 0, 0, { exact: true }),
    ...(Math.abs(beside) > SEEN_MM ? [way('nearest', 'ruler', beside, 0)] : []),
    ...(mm <= LONGEST_CARD_MM ? [way('card', 'ruler', 0, CUT_CARD_MM, { together: true })] : []),
    ...(thing ? [way('contents', 'eye', thing.mm - mm, 0, { by: thing, together: true })] : []),
    ...(thirds ? [way('roll', 'eye', 0, eye * mm)] : []),
    way('eye', 'eye', 0, eye * mm),
  ];
}

/** Nearer to a mark of the ruler than this, in mm, nobody sees it. */
const SEEN_MM = 0.05;

const lengthOf = (edge: number, size: SheetSize): number => (edge % 2 ? size.heightMm : size.widthMm);

const fractionAt = ({ edge, mm }: MarkGoal, size: SheetSize): Fraction | null =>
  fractionOf(mm / lengthOf(edge, size), 1e-7);

const isThirds = (goals: readonly MarkGoal[], size: SheetSize): boolean =>
  goals.every((goal) => fractionAt(goal, size)?.of === 3);

/** The fraction of the first goal, where all are such that halving converges on them in a few folds. */
function halvingOf(goals: readonly MarkGoal[], size: SheetSize): Fraction | null {
  const fractions = goals.map((goal) => fractionAt(goal, size));
  const usable = fractions.every((one) => one !== null && one.of <= MOST_PARTS && CONVERGES.has(foldsInRound(one)));
  return usable ? fractions[0] : null;
}

function foldedWays(goals: readonly MarkGoal[], size: SheetSize, maker: MarkMaker, search: MarkSearch): MarkWay[] {
  const [{ edge, mm }] = goals;
  return foldWaysTo(search, size, edge, mm, maker.handMm).flatMap(
    ({ folds }) => wayOfFolds(folds, goals, size, maker) ?? [],
  );
}

/** The folds of the first goal, and the same laid otherwise for all others, what they share made once; null where they do not go. */
function wayOfFolds(
  folds: readonly MarkFold[],
  goals: readonly MarkGoal[],
  size: SheetSize,
  maker: MarkMaker,
): MarkWay | null {
  const [first] = goals;
  const off = markedAt(first, folds, size) - first.mm;
  if (Math.abs(off) > WRONG_SHARE * lengthOf(first.edge, size)) return null;
  const sequences = goals.map((goal) => (goal === first ? folds : laidFor(goal, folds, off, size)));
  if (sequences.some((one) => one === null)) return null;
  const way = sharedWay(sequences as (readonly MarkFold[])[], goals, size, maker);
  return way && { ...way, id: FOLDED + writeFolds(folds), kind: 'folds' };
}

/** Folds that miss a place by more than this share of its edge are for another place. */
const WRONG_SHARE = 0.1;

const markedAt = ({ edge }: MarkGoal, folds: readonly MarkFold[], size: SheetSize): number => {
  const lines = creasesOf(folds, size);
  const { x, y } = placeOf(lines, lastMark(edge, folds));
  return [x, y, size.widthMm - x, size.heightMm - y][edge];
};

function laidFor(goal: MarkGoal, folds: readonly MarkFold[], off: number, size: SheetSize): readonly MarkFold[] | null {
  for (const to of symmetriesOf(size)) {
    const turned = turnedFolds(folds, to, size);
    const lines = creasesOf(turned, size);
    const last = lines[lines.length - 1];
    const edge = lines[goal.edge];
    if (Math.abs(edge.along.x * last.along.y - edge.along.y * last.along.x) < 1e-6) continue;
    if (Math.abs(Math.abs(markedAt(goal, turned, size) - goal.mm) - Math.abs(off)) < 1e-6) return turned;
  }
  return null;
}

function halvingWay(
  goals: readonly MarkGoal[],
  fraction: Fraction,
  size: SheetSize,
  maker: MarkMaker,
  rounds?: number,
): MarkWay | null {
  const [{ edge }] = goals;
  const left = Array.from({ length: MOST_ROUNDS }, (_, k) => {
    const way = foldWay(halvingFolds(edge, fraction, k + 1), edge, 0, size, 0, maker.eye);
    return way ? way.expectedMm : Infinity;
  });
  const enough = left.findIndex((mm) => mm < FORGOTTEN_MM);
  const count = rounds ?? (enough < 0 ? MOST_ROUNDS : enough + 1);
  const sequences = goals.map((goal) => halvingFolds(goal.edge, fractionAt(goal, size)!, count));
  const way = sharedWay(sequences, goals, size, maker);
  return way && { ...way, id: `halving-${count}`, kind: 'halving', halving: { fraction, rounds: count, left } };
}

/** Sequences for several goals as one. */
function sharedWay(
  sequences: readonly (readonly MarkFold[])[],
  goals: readonly MarkGoal[],
  size: SheetSize,
  { handMm, eye }: MarkMaker,
): Omit<MarkWay, 'id' | 'kind'> | null {
  const { folds, refs } = sharedFolds(sequences, size);
  const marks = goals.map(({ edge }, k): PlaceRef => [edge, refs[k][refs[k].length - 1]]);
  const creased = creasedBy(folds, marks, size);
  const spreads = marks.map((mark) => markSpread(folds, creased, mark, size));
  if (spreads.some((one) => one === null)) return null;
  const known = spreads as MarkSpread[];
  const offs = goals.map((goal, k) => markedAt(goal, sequences[k], size) - goal.mm);
  const sds = known.map(({ ofHand, ofEye }) => Math.hypot(ofHand * handMm, ofEye * eye));
  const longer = Math.max(size.widthMm, size.heightMm);
  return {
    school: 'fold',
    exact: offs.every((off) => Math.abs(off) < EXACT * longer),
    misses: goals.flatMap(({ places }, k) =>
      places.map(({ measured, moves }) => ({
        ...{ measured, biasMm: moves * offs[k], sdMm: Math.abs(moves) * sds[k], luck: k },
      })),
    ),
    expectedMm: most((moves, k) => [moves * offs[k], (moves * sds[k]) ** 2]),
    worstMm: most((moves, k) => [
      Math.abs(moves) * (Math.abs(offs[k]) + known[k].worst * handMm + known[k].ofEye * eye),
      0,
    ]),
    folded: { folds, marks, creased, square: goals.every(({ square }) => square) },
  };
  /** The most that any place misses: what its marks miss always, and the squares of what they miss by luck. */
  function most(part: (moves: number, goal: number) => readonly [number, number]): number {
    const sums = new Map<number, readonly [number, number]>();
    goals.forEach(({ places }, k) => {
      for (const { measured, moves } of places) {
        const [bias, square] = sums.get(measured) ?? [0, 0];
        const [b, s] = part(moves, k);
        sums.set(measured, [bias + b, square + s]);
      }
    });
    return Math.max(...[...sums.values()].map(([bias, square]) => Math.hypot(bias, Math.sqrt(square))));
  }
}

/** What is seen of creases counts as a miss of so much for each mm of crease, where ways are put in order: a judgement. */
const SEEN_AS_MM = 0.002;

/** And each fold for so much. */
const FOLD_AS_MM = 0.02;

/** The way that a school takes for a mark; the ruler where it has none. @param seenMm how much of each way's creases is seen */
export function usualWay(ways: readonly MarkWay[], school: School, seenMm: (way: MarkWay) => number): MarkWay {
  const score = (way: MarkWay): number =>
    way.expectedMm + SEEN_AS_MM * seenMm(way) + FOLD_AS_MM * (way.folded?.folds.length ?? 0);
  const own = ways.filter((way) => way.school === school);
  const [ruler] = ways;
  return school === 'ruler'
    ? ruler
    : own.reduce((best, one) => (score(one) < score(best) ? one : best), own[0] ?? ruler);
}
