import { type LayerOrder, noOrder } from './layer-order';
import type { LayerProblem, LayerRule } from './layer-problem';

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

/**
 * The pair signs of all layer orders: propagation of every rule to a fixed point, then a branch on the first open pair.
 * The array yielded is the search's own and changes as it goes on.
 */
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
  const signs = new Int8Array(pairs.length);
  const rulesOf: number[][] = pairs.map(() => []);
  rules.forEach((rule, r) => rule.pairs.forEach((pair) => rulesOf[pair].push(r)));
  const trail = new Int32Array(pairs.length);
  let length = 0;
  const set = (pair: number, sign: number): void => {
    signs[pair] = sign;
    trail[length++] = pair;
  };
  const undoTo = (mark: number): void => {
    while (length > mark) signs[trail[--length]] = 0;
  };
  /** Forces what one rule leaves no choice about; false when nothing is left. */
  const narrow = (rule: LayerRule): boolean => {
    let known = 0;
    let bits = 0;
    for (let k = 0; k < rule.pairs.length; k++) {
      const sign = signs[rule.pairs[k]] * rule.flips[k];
      if (sign === 0) continue;
      known |= 1 << k;
      if (sign > 0) bits |= 1 << k;
    }
    let all = -1;
    let any = 0;
    let left = 0;
    for (const pattern of rule.allowed) {
      if ((pattern & known) !== bits) continue;
      all &= pattern;
      any |= pattern;
      left++;
    }
    if (!left) return false;
    for (let k = 0; k < rule.pairs.length; k++) {
      const bit = 1 << k;
      if (known & bit) continue;
      if (signs[rule.pairs[k]] !== 0) continue;
      if (all & bit) set(rule.pairs[k], rule.flips[k]);
      else if (!(any & bit)) set(rule.pairs[k], -rule.flips[k]);
    }
    return true;
  };
  const propagate = (from: number): boolean => {
    for (let next = from; next < length; next++)
      for (const r of rulesOf[trail[next]])
        if (!narrow(rules[r])) {
          onConflict?.({ faces: rules[r].faces });
          return false;
        }
    return true;
  };

  for (const [pair, sign] of choices.given) {
    if (signs[pair] === 0) set(pair, sign);
    else if (signs[pair] !== sign) {
      onConflict?.({ faces: [pairs[pair].i, pairs[pair].j] });
      return;
    }
  }
  for (const rule of rules)
    if (!narrow(rule)) {
      onConflict?.({ faces: rule.faces });
      return;
    }
  if (!propagate(0)) return;

  const preferred = (pair: number): number => {
    const { i, j } = pairs[pair];
    const sign = choices.prefer ? choices.prefer.side[i * choices.prefer.faces + j] : 0;
    return sign || 1;
  };
  const stack: { pair: number; mark: number; sign: number; second: boolean }[] = [];
  let cursor = 0;
  for (;;) {
    while (cursor < pairs.length && signs[cursor] !== 0) cursor++;
    let failed = false;
    if (cursor === pairs.length) {
      yield signs;
      failed = true;
    } else {
      const sign = preferred(cursor);
      stack.push({ pair: cursor, mark: length, sign, second: false });
      set(cursor, sign);
      failed = !propagate(length - 1);
    }
    while (failed) {
      const top = stack[stack.length - 1];
      if (!top) return;
      undoTo(top.mark);
      cursor = top.pair;
      if (top.second) {
        stack.pop();
        continue;
      }
      top.second = true;
      set(top.pair, -top.sign);
      failed = !propagate(length - 1);
    }
  }
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
