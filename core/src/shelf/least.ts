import type { CuttingProblem } from './problem';
import type { ProgrammeRow, Solve } from './programme';

const EPS = 1e-6;

/** Sheets of so many prices add up to nearly anything: then whole ones are not asked for. */
const FEW_PRICES = 3;

/**
 * The least that whole sheets of the stock add up to, when they have room for all that is wanted and cost no less than any plan must.
 * @param goal what one sheet of each stock counts
 * @param bound what no plan can fall below, counted by `of`; null where only the area is known
 * @returns null where that could not be told
 */
export function leastOf(
  { rooms, stocks, demand, areas }: CuttingProblem,
  solve: Solve,
  goal: readonly number[],
  bound: number | null,
  of: readonly number[],
): number | null {
  const inside = rooms.map(({ widthMm, heightMm }) => Math.max(0, widthMm) * Math.max(0, heightMm));
  const need = demand.reduce((sum, count, w) => sum + count * areas[w], 0);
  const [roomiest, dearest, highest] = [inside, goal, of].map((all) => Math.max(EPS, ...all));
  const rows: ProgrammeRow[] = [
    { terms: inside.map((area, s) => [s, area / roomiest] as const), least: need / roomiest - EPS },
  ];
  if (bound !== null && bound > 0)
    rows.push({ terms: of.map((value, s) => [s, value / highest] as const), least: bound / highest - EPS });
  const whole = new Set(goal.map((value) => value.toPrecision(9))).size <= FEW_PRICES;
  const solved = solve({
    ...{ cost: goal.map((value) => value / dearest), rows, whole },
    most: stocks.map(({ count }) => count),
  });
  return solved?.proven ? solved.value * dearest : null;
}
