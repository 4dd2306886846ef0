/**
 * A literal says that a variable is positive (2 v) or negative (2 v + 1). A clause is a list of literals of which at least
 * one must hold.
 */
export type Clause = readonly number[];

export interface ClauseSearchOptions {
  /** What to try first for each variable: +1, -1, or 0 for no wish (then +1). */
  readonly prefer?: Int8Array;
  /** Told which of the given clauses could not be kept, each time that a contradiction is met. */
  readonly onConflict?: (clause: number) => void;
}

const BUMP_GROWTH = 1 / 0.95;
const RESCALE_AT = 1e100;
const FIRST_RESTART = 100;
const RESTART_GROWTH = 1.5;

/** A clause of its own without repeated literals, or null when it holds whatever is chosen. */
function tidied(clause: Clause): number[] | null {
  const literals: number[] = [];
  for (const literal of clause) {
    if (literals.includes(literal ^ 1)) return null;
    if (!literals.includes(literal)) literals.push(literal);
  }
  return literals;
}

/**
 * All sign choices that keep every clause, one after another; the array yielded is the search's own.
 *
 * Conflict-driven search: each contradiction is traced to the decisions that caused it (first unique implication point),
 * what was learned is kept, and the search returns as far as the lesson reaches. Independent parts of a problem therefore
 * do not multiply each other's dead ends. After a solution its decisions are forbidden together. Deterministic.
 */
export function* searchClauses(
  variables: number,
  given: readonly Clause[],
  { prefer, onConflict }: ClauseSearchOptions = {},
): Generator<Int8Array> {
  const values = new Int8Array(variables);
  const levels = new Int32Array(variables);
  const reasons = new Int32Array(variables).fill(-1);
  const phase = new Int8Array(variables);
  for (let v = 0; v < variables; v++) phase[v] = prefer?.[v] || 1;
  const activity = new Float64Array(variables);
  let bump = 1;
  const trail = new Int32Array(variables);
  let assigned = 0;
  let head = 0;
  /** Where each decision level starts on the trail. */
  const marks: number[] = [];
  const clauses: number[][] = [];
  const watching: number[][] = Array.from({ length: 2 * variables }, () => []);
  const seen = new Uint8Array(variables);

  const valueOf = (literal: number): number => (literal & 1 ? -values[literal >> 1] : values[literal >> 1]);
  const assign = (literal: number, reason: number): void => {
    const v = literal >> 1;
    values[v] = literal & 1 ? -1 : 1;
    levels[v] = marks.length;
    reasons[v] = reason;
    trail[assigned++] = literal;
  };
  const backTo = (level: number): void => {
    if (marks.length <= level) return;
    for (let k = assigned - 1; k >= marks[level]; k--) {
      const v = trail[k] >> 1;
      phase[v] = values[v];
      values[v] = 0;
      reasons[v] = -1;
    }
    assigned = head = marks[level];
    marks.length = level;
  };
  /** Adds a clause whose first two literals are watched. */
  const watch = (literals: number[]): number => {
    const c = clauses.push(literals) - 1;
    watching[literals[0]].push(c);
    if (literals.length > 1) watching[literals[1]].push(c);
    return c;
  };
  /** Follows all forced choices; the clause that cannot be kept, or -1. */
  const propagate = (): number => {
    while (head < assigned) {
      const wrong = trail[head++] ^ 1;
      const list = watching[wrong];
      let kept = 0;
      for (let k = 0; k < list.length; k++) {
        const c = list[k];
        const literals = clauses[c];
        if (literals.length > 1 && literals[0] === wrong) {
          literals[0] = literals[1];
          literals[1] = wrong;
        }
        if (literals.length > 1) {
          if (valueOf(literals[0]) > 0) {
            list[kept++] = c;
            continue;
          }
          let moved = false;
          for (let i = 2; i < literals.length; i++) {
            if (valueOf(literals[i]) < 0) continue;
            literals[1] = literals[i];
            literals[i] = wrong;
            watching[literals[1]].push(c);
            moved = true;
            break;
          }
          if (moved) continue;
        }
        list[kept++] = c;
        if (valueOf(literals[0]) < 0) {
          for (k++; k < list.length; k++) list[kept++] = list[k];
          list.length = kept;
          return c;
        }
        if (valueOf(literals[0]) === 0) assign(literals[0], c);
      }
      list.length = kept;
    }
    return -1;
  };
  const raise = (v: number): void => {
    activity[v] += bump;
    if (activity[v] < RESCALE_AT) return;
    for (let u = 0; u < variables; u++) activity[u] /= RESCALE_AT;
    bump /= RESCALE_AT;
  };
  /** The lesson of a contradiction: a clause whose first literal is the only one of the present level. */
  const learn = (conflict: number): number[] => {
    const lesson = [0];
    let open = 0;
    let k = assigned - 1;
    let literals: readonly number[] = clauses[conflict];
    let pivot = -1;
    for (;;) {
      for (const literal of literals) {
        const v = literal >> 1;
        if (literal === pivot || seen[v] || levels[v] === 0) continue;
        seen[v] = 1;
        raise(v);
        if (levels[v] === marks.length) open++;
        else lesson.push(literal);
      }
      while (!seen[trail[k] >> 1]) k--;
      pivot = trail[k];
      seen[pivot >> 1] = 0;
      open--;
      if (open === 0) break;
      literals = clauses[reasons[pivot >> 1]];
      k--;
    }
    lesson[0] = pivot ^ 1;
    for (let i = 1; i < lesson.length; i++) seen[lesson[i] >> 1] = 0;
    return lesson;
  };
  /** Puts the literal of the highest level second, and answers that level. */
  const secondLevel = (literals: number[]): number => {
    if (literals.length === 1) return 0;
    let best = 1;
    for (let i = 2; i < literals.length; i++) if (levels[literals[i] >> 1] > levels[literals[best] >> 1]) best = i;
    [literals[1], literals[best]] = [literals[best], literals[1]];
    return levels[literals[1] >> 1];
  };

  for (let c = 0; c < given.length; c++) {
    const literals = tidied(given[c]);
    if (!literals) {
      // Always kept; its number is used up so that conflicts name the clause that was given.
      clauses.push([]);
      continue;
    }
    if (!literals.length) {
      onConflict?.(c);
      return;
    }
    watch(literals);
    if (literals.length > 1) continue;
    if (valueOf(literals[0]) < 0) {
      onConflict?.(c);
      return;
    }
    if (valueOf(literals[0]) === 0) assign(literals[0], c);
  }

  let conflicts = 0;
  let restartAt = FIRST_RESTART;
  for (;;) {
    const conflict = propagate();
    if (conflict >= 0) {
      if (conflict < given.length) onConflict?.(conflict);
      if (!marks.length) return;
      const lesson = learn(conflict);
      backTo(secondLevel(lesson));
      assign(lesson[0], watch(lesson));
      bump *= BUMP_GROWTH;
      if (++conflicts >= restartAt) {
        restartAt = conflicts + Math.ceil((restartAt - conflicts + FIRST_RESTART) * RESTART_GROWTH);
        backTo(0);
      }
      continue;
    }
    let next = -1;
    for (let v = 0; v < variables; v++) if (values[v] === 0 && (next < 0 || activity[v] > activity[next])) next = v;
    if (next >= 0) {
      marks.push(assigned);
      assign(2 * next + (phase[next] < 0 ? 1 : 0), -1);
      continue;
    }
    yield values;
    if (!marks.length) return;
    // This solution is its decisions: not all of them again.
    const decisions = marks.map((mark) => trail[mark] ^ 1).reverse();
    const level = marks.length - 1;
    backTo(level);
    assign(decisions[0], watch(decisions));
  }
}
