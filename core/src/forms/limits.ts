/** Least and most that a length may be, in mm. */
export type Limits = readonly [leastMm: number, mostMm: number];

/** What arithmetic may add to a limit, as a share of it. */
const SLACK = 1e-9;

/**
 * @param what what is so long, as a maker calls it
 * @throws RangeError for a length that does not suit a sheet, saying which would
 */
export function refuseUnsuited(what: string, mm: number, [least, most]: Limits, sheetMm: number): void {
  if (mm >= least * (1 - SLACK) && mm <= most * (1 + SLACK)) return;
  throw new RangeError(
    `${what}: ${mm.toFixed(1)} mm does not suit a sheet of ${sheetMm.toFixed(1)} mm: between ${least.toFixed(1)} and ${most.toFixed(1)} mm.`,
  );
}
