/** A linear programme to be minimised, in whole numbers or not; all unknowns are 0 or more. */
export interface Programme {
  /** What one of each unknown costs. */
  readonly cost: readonly number[];
  /** The most of each unknown that there may be. */
  readonly most: readonly number[];
  readonly rows: readonly ProgrammeRow[];
  readonly whole: boolean;
}

export interface ProgrammeRow {
  /** Unknown and factor. */
  readonly terms: readonly (readonly [number, number])[];
  readonly least?: number;
  readonly most?: number;
}

export interface ProgrammeSolved {
  readonly value: number;
  readonly x: readonly number[];
  /** Of each row, by how much the value grows with its limit; not for whole numbers. */
  readonly duals: readonly number[];
  /** Whether nothing better exists, rather than that time ran out. */
  readonly proven: boolean;
}

/**
 * Solves programmes; null where there is no solution, or none was found in time.
 * @param seconds after which a programme is given up, with the best that was found; as long as it takes where nothing is said
 */
export type Solve = (programme: Programme, seconds?: number) => ProgrammeSolved | null;

/** What is used of a solver that reads programmes as text. */
export interface TextSolver {
  solve(
    problem: string,
    options: { readonly output_flag: boolean; readonly time_limit: number; readonly mip_rel_gap: number },
  ): {
    readonly Status: string;
    readonly ObjectiveValue: number;
    /** By name, with `Primal` where there is a solution. */
    readonly Columns: Readonly<Record<string, object>>;
    /** In the order of the text, with `Dual` where there is one. */
    readonly Rows: readonly object[];
  };
}

const TERMS_A_LINE = 12;

/** As text in the LP format, unknowns called x0, x1 and so on. */
export function programmeText({ cost, most, rows, whole }: Programme): string {
  const sum = (terms: readonly (readonly [number, number])[]): string => {
    const words = terms
      .filter(([, factor]) => factor !== 0)
      .map(([k, factor]) => `${factor < 0 ? '-' : '+'} ${Math.abs(factor)} x${k}`);
    if (!words.length) words.push('0 x0');
    return words.map((word, k) => (k % TERMS_A_LINE === TERMS_A_LINE - 1 ? `${word}\n` : word)).join(' ');
  };
  const names = cost.map((_, k) => `x${k}`);
  return [
    'Minimize',
    ` cost: ${sum(cost.map((value, k) => [k, value] as const))}`,
    'Subject To',
    ...rows.flatMap(({ terms, least, most: atMost }, k) => [
      ...(least === undefined ? [] : [` least${k}: ${sum(terms)} >= ${least}`]),
      ...(atMost === undefined ? [] : [` most${k}: ${sum(terms)} <= ${atMost}`]),
    ]),
    'Bounds',
    ...most.map((value, k) => (Number.isFinite(value) ? ` 0 <= x${k} <= ${value}` : ` x${k} >= 0`)),
    ...(whole ? ['General', names.map((name, k) => (k % 20 === 19 ? `${name}\n` : name)).join(' ')] : []),
    'End',
  ].join('\n');
}

const of = (told: object, what: 'Primal' | 'Dual'): number => (what in told ? Number(Reflect.get(told, what)) : NaN);

/** Solves with a solver that reads text. */
export function solverOf(solver: TextSolver): Solve {
  return (programme, seconds = Infinity) => {
    if (!programme.cost.length) return null;
    const { Status, ObjectiveValue, Columns, Rows } = solver.solve(programmeText(programme), {
      ...{ output_flag: false, time_limit: seconds, mip_rel_gap: 0 },
    });
    const proven = Status === 'Optimal';
    if (!proven && !Status.startsWith('Time limit')) return null;
    const x = programme.cost.map((_, k) => of(Columns[`x${k}`], 'Primal'));
    if (!x.every(Number.isFinite)) return null;
    return { value: ObjectiveValue, x, duals: Rows.map((row) => of(row, 'Dual') || 0), proven };
  };
}
