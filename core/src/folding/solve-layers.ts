import { type LayerOrder, noOrder } from './layer-order';
import { type Clause, searchClauses } from './clause-search';
import type { LayerProblem, LayerRule } from './layer-problem';
import { clausesOfRule } from './rule-clauses';

/** Which way creases fold: signs of pairs already known, and what to try first for the others. */
export interface LayerChoices {
  /** Pair index → sign that must hold. */
  readonly given: ReadonlyMap<number, number>;
  /** An order to stay close to where there is a choice. */
  readonly prefer?: LayerOrder;
}

/** No order exists: the faces of a rule that cannot be met together with what was already decided. */
export interface LayerConflict {
  readonly faces: readonly number[];
}

/** Turns pair signs into an order over all faces. */
function toOrder(problem: LayerProblem, signs: Int8Array): LayerOrder {
  const order = noOrder(problem.pattern.faces.length);
  problem.pairs.forEach(({ i, j, parallel }, k) => {
    order.side[i * order.faces + j] = signs[k];
    order.side[j * order.faces + i] = -signs[k] * parallel;
  });
  return order;
}

/** All layer orders without self-crossing, one after another. Deterministic. */
export function* layerOrdersOf(
  problem: LayerProblem,
  choices: LayerChoices,
  onConflict?: (conflict: LayerConflict) => void,
): Generator<LayerOrder> {
  for (const signs of searchSigns(problem, choices, onConflict)) yield toOrder(problem, signs);
}

/** The pair signs of all layer orders. The array yielded is the search's own and changes as it goes on. */
export function* searchSigns(
  problem: LayerProblem,
  choices: LayerChoices,
  onConflict?: (conflict: LayerConflict) => void,
): Generator<Int8Array> {
  if (problem.piercing.length) {
    onConflict?.({ faces: problem.piercing[0] });
    return;
  }
  const { rules, pairs } = problem;
  const clauses: Clause[] = [];
  /** The faces that a clause speaks of. */
  const faces: (readonly number[])[] = [];
  for (const [pair, sign] of choices.given) {
    clauses.push([2 * pair + (sign > 0 ? 0 : 1)]);
    faces.push([pairs[pair].i, pairs[pair].j]);
  }
  for (const rule of rules)
    for (const clause of clausesOfRule(rule)) {
      clauses.push(clause);
      faces.push(rule.faces);
    }
  const { prefer } = choices;
  const wishes = prefer && Int8Array.from(pairs, ({ i, j }) => prefer.side[i * prefer.faces + j]);
  yield* searchClauses(pairs.length, clauses, {
    prefer: wishes,
    onConflict: onConflict && ((clause) => onConflict({ faces: faces[clause] })),
  });
}

/** The first rule that an order breaks, or null when paper can lie so. */
export function brokenRule(problem: LayerProblem, order: LayerOrder): LayerRule | null {
  for (const rule of problem.rules) {
    let bits = 0;
    let open = false;
    rule.pairs.forEach((pair, k) => {
      const sign = order.side[problem.pairs[pair].i * order.faces + problem.pairs[pair].j] * rule.flips[k];
      if (sign === 0) open = true;
      if (sign > 0) bits |= 1 << k;
    });
    if (open || !rule.allowed.includes(bits)) return rule;
  }
  return null;
}

/** The signs that flat-folded creases demand: a valley puts the neighbour on the white side. */
export function givenByCreases(problem: LayerProblem, anglesDeg: readonly number[]): Map<number, number> {
  const n = problem.pattern.faces.length;
  const given = new Map<number, number>();
  problem.pattern.edges.forEach((edge, e) => {
    if (edge.right < 0 || edge.left < 0 || Math.abs(Math.abs(anglesDeg[e]) - 180) > 1e-9) return;
    const pair = problem.pairOf.get(Math.min(edge.left, edge.right) * n + Math.max(edge.left, edge.right));
    if (pair !== undefined) given.set(pair, Math.sign(anglesDeg[e]));
  });
  return given;
}
