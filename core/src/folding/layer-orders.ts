import { type AssignedPattern, type Fold, foldsOf } from '../pattern/assigned-pattern';
import { type CreasePattern, isBorder } from '../pattern/crease-pattern';
import { FoldRefused } from './fold-refused';
import type { LayerOrder } from './layer-order';
import { layerProblem, type LayerProblem } from './layer-problem';
import { placeFlat } from './place-flat';
import { givenByCreases, type LayerConflict, layerOrdersOf, searchSigns } from './solve-layers';

export interface LayerOrderOptions {
  /** `given` (default) keeps valleys and mountains as the pattern has them; `free` asks for every way to fold it. */
  readonly assignment?: 'given' | 'free';
  /** Told of each set of faces that could not be ordered on the way. */
  readonly onConflict?: (conflict: LayerConflict) => void;
}

/** One way to fold a pattern flat. */
export interface FlatFolding {
  readonly order: LayerOrder;
  /** For each edge, the way that it folds in this order. */
  readonly folds: readonly Fold[];
}

/** A fold whose way is known as its angle; open ones ask for nothing. */
const anglesOfKnown = (fold: Fold): number => (fold === 'valley' ? 180 : fold === 'mountain' ? -180 : 0);

function prepare(
  pattern: CreasePattern | AssignedPattern,
  assignment: 'given' | 'free',
): { problem: LayerProblem; given: Map<number, number>; folds: readonly Fold[] } {
  const folds = foldsOf(pattern);
  const problem = layerProblem(pattern, placeFlat(pattern).faces);
  return {
    problem,
    given: assignment === 'free' ? new Map<number, number>() : givenByCreases(problem, folds.map(anglesOfKnown)),
    folds,
  };
}

/**
 * All ways to fold a pattern flat without its layers passing through each other, found one after another as they are
 * asked for.
 * @throws FoldRefused `does-not-close` when it folds flat nowhere near, see `placeFlat`
 */
export function* layerOrders(
  pattern: CreasePattern | AssignedPattern,
  { assignment = 'given', onConflict }: LayerOrderOptions = {},
): Generator<FlatFolding> {
  const { problem, given, folds } = prepare(pattern, assignment);
  const n = pattern.faces.length;
  for (const order of layerOrdersOf(problem, { given }, onConflict))
    yield {
      order,
      folds: pattern.edges.map((edge, e) =>
        isBorder(edge) || folds[e] === 'flat'
          ? 'flat'
          : order.side[edge.left * n + edge.right] > 0
            ? 'valley'
            : 'mountain',
      ),
    };
}

/**
 * The first way to fold a pattern flat.
 * @throws FoldRefused `no-layer-order` with faces in conflict when every vertex would fold but the whole does not
 */
export function firstFolding(
  pattern: CreasePattern | AssignedPattern,
  assignment: 'given' | 'free' = 'given',
): FlatFolding {
  let inTheWay: readonly number[] = [];
  const first = layerOrders(pattern, { assignment, onConflict: ({ faces }) => (inTheWay = faces) }).next();
  if (first.done)
    throw new FoldRefused('no-layer-order', 'The layers would have to pass through each other.', inTheWay);
  return first.value;
}

/** How many ways there are to fold a pattern flat: choices of valley and mountain times layer orders, one face held. */
export function countFoldings(
  pattern: CreasePattern | AssignedPattern,
  assignment: 'given' | 'free' = 'given',
): number {
  const { problem, given } = prepare(pattern, assignment);
  let ways = 0;
  for (const _ of searchSigns(problem, { given })) ways++;
  return ways;
}
