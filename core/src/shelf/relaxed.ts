import type { LaidOut } from './layouts';
import type { CuttingProblem } from './problem';
import type { ProgrammeRow, Solve } from './programme';

/** Rows of a programme whose unknowns are what is missing, one for each wanted sheet, and then how often each layout is cut. */
export function rowsOf(
  { stocks, demand }: Pick<CuttingProblem, 'stocks' | 'demand'>,
  from: readonly LaidOut[],
): ProgrammeRow[] {
  const kinds = demand.length;
  return [
    ...demand.map((least, w): ProgrammeRow => ({
      terms: [[w, 1], ...from.flatMap(({ counts }, k) => (counts[w] ? [[k + kinds, counts[w]] as const] : []))],
      least,
    })),
    ...stocks.map(({ count }, s): ProgrammeRow => ({
      terms: from.flatMap((one, k) => (one.stock === s ? [[k + kinds, 1] as const] : [])),
      most: count,
    })),
  ];
}

/** The choice among layouts where parts of sheets may be cut too. */
export interface Relaxed {
  readonly value: number;
  /** How often each layout is cut. */
  readonly times: readonly number[];
  /** What one more of each wanted sheet costs. */
  readonly prices: readonly number[];
  /** By how much one more sheet of each stock makes it cheaper: 0 or less. */
  readonly rents: readonly number[];
}

/** @param cost of one sheet of each stock @param dear what 1 mm² costs that is missing */
export function relaxedChoice(
  problem: Pick<CuttingProblem, 'stocks' | 'demand' | 'areas'>,
  from: readonly LaidOut[],
  solve: Solve,
  cost: readonly number[],
  dear: number,
): Relaxed | null {
  const { demand, areas, stocks } = problem;
  const kinds = demand.length;
  const solved = solve({
    cost: [...areas.map((area) => dear * area), ...from.map(({ stock }) => cost[stock])],
    most: [...areas, ...from].map(() => Infinity),
    rows: rowsOf(problem, from),
    whole: false,
  });
  return (
    solved && {
      value: solved.value,
      times: solved.x.slice(kinds),
      prices: demand.map((_, w) => Math.max(0, solved.duals[w])),
      rents: stocks.map((_, s) => Math.min(0, solved.duals[kinds + s])),
    }
  );
}
