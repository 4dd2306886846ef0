import type { SheetSize } from '../forms/form';
import { foldWaysTo } from './fold-ways';
import { type Fraction, fractionOf, halvingFolds } from './halving';
import { converges, roundsOf } from './halving-way';
import { goalsOf, type MarkGoal } from './mark-goals';
import type { MarkMaker, MarkWay, Measured, School } from './mark-way';
import { plainWays } from './plain-ways';
import { readFolds, writeFolds } from './search/fold-code';
import { creasesOf, edgeLength, type MarkFold } from './search/mark-fold';
import type { MarkSearch } from './search/mark-search';
import { symmetriesOf, turnedFolds } from './search/turned-folds';
import { markedAt, sharedWay } from './shared-way';

/** All ways to find a mark that is told as measured, the ruler first. */
export function waysToMark(mark: Measured, size: SheetSize, maker: MarkMaker, search: MarkSearch): readonly MarkWay[] {
  const goals = goalsFor(mark, size);
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
  const goals = goalsFor(mark, size);
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

const goalsFor = ({ places, goals }: Measured, size: SheetSize): readonly MarkGoal[] | null =>
  goals === undefined ? goalsOf(places, size) : goals;

const FOLDED = 'f-';

const fractionAt = ({ edge, mm }: MarkGoal, size: SheetSize): Fraction | null =>
  fractionOf(mm / edgeLength(size, edge), 1e-7);

const isThirds = (goals: readonly MarkGoal[], size: SheetSize): boolean =>
  goals.every((goal) => fractionAt(goal, size)?.of === 3);

/** The fraction of the first goal, where all are such that halving converges on them in a few folds. */
function halvingOf(goals: readonly MarkGoal[], size: SheetSize): Fraction | null {
  const fractions = goals.map((goal) => fractionAt(goal, size));
  const usable = fractions.every((one) => one !== null && converges(one));
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
  if (Math.abs(off) > WRONG_MM) return null;
  const sequences = goals.map((goal) => (goal === first ? folds : laidFor(goal, folds, off, size)));
  if (sequences.some((one) => one === null)) return null;
  const way = sharedWay(sequences as (readonly MarkFold[])[], goals, size, maker);
  return way && { ...way, id: FOLDED + writeFolds(folds), kind: 'folds' };
}

/** Folds that miss a place by more than this, in mm, were chosen for another sheet. */
const WRONG_MM = 3;

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
  const { left, enough } = roundsOf(goals[0].edge, fraction, size, maker.eye);
  const count = rounds ?? enough;
  const sequences = goals.map((goal) => halvingFolds(goal.edge, fractionAt(goal, size)!, count));
  const way = sharedWay(sequences, goals, size, maker);
  return way && { ...way, id: `halving-${count}`, kind: 'halving', halving: { fraction, rounds: count, left } };
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
