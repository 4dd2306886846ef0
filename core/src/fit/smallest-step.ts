/**
 * The smallest whole number of ruler steps that fits, where more steps leave more slack.
 *
 * Sizes are close to linear in the sheet, so the secant through two measured sheets lands on or beside the answer; the
 * answer counts only when it was measured to fit and the step below was measured not to.
 *
 * @param slackAt slack in mm measured at a number of steps, negative when it does not fit
 * @returns the steps, or null when even `high` does not fit; `low` when that already fits
 */
export function smallestStep(
  slackAt: (steps: number) => number,
  guess: number,
  low: number,
  high: number,
): number | null {
  const known = new Map<number, number>();
  const slack = (k: number): number => {
    const v = known.get(k) ?? slackAt(k);
    known.set(k, v);
    return v;
  };
  let fails = low - 1;
  let fits = high + 1;
  let k = Math.min(high, Math.max(low, Math.round(guess)));
  while (fits - fails > 1) {
    const v = slack(k);
    if (v >= 0) fits = k;
    else fails = k;
    if (fits - fails <= 1) break;
    const beside = v >= 0 ? k - 1 : k + 1;
    if (beside < low || beside > high) break;
    const w = slack(beside);
    if (w >= 0) fits = Math.min(fits, beside);
    else fails = Math.max(fails, beside);
    const slope = (v - w) / (k - beside);
    const landed = slope > 0 ? Math.ceil(k - v / slope - 1e-9) : NaN;
    k = landed > fails && landed < fits ? landed : Math.floor((fails + fits) / 2);
  }
  return fits > high ? null : fits;
}
