import { learnSteps, type StepsLearned, type TimedSteps } from './step-pace';

/** Something that was folded, and how long that took. */
export interface TimedPiece {
  readonly formId: string;
  /** What it takes by its form, all copies, in minutes. */
  readonly toldMinutes: number;
  readonly minutes: number;
}

/** How many times as long as told a hand takes. */
export interface Pace {
  readonly times: number;
  /** One standard deviation of its natural logarithm. */
  readonly spread: number;
  readonly pieces: number;
}

/** What a hand's time says: in all, at forms that it folded, and in their steps. */
export interface PaceLearned extends Pace {
  readonly forms: Readonly<Record<string, Pace>>;
  readonly steps: StepsLearned;
}

/** Spreads of the logarithm: of hands, of a hand's forms, of one piece after another. Judgements, stated here once. */
const PRIOR = { hand: 0.5, form: 0.25, piece: 0.35 } as const;
/** A time that is further off than so many spreads says no more than one that is not. */
const MOST_OFF = 2;
const ROUNDS = 20;

/** Weighted mean of what pulls towards it, zero pulling with the precision of what was thought before. */
function shrunk(
  all: readonly { readonly mean: number; readonly sd: number }[],
  sd: number,
): { mean: number; sd: number } {
  const weight = all.reduce((sum, one) => sum + 1 / one.sd ** 2, 1 / sd ** 2);
  return { mean: all.reduce((sum, one) => sum + one.mean / one.sd ** 2, 0) / weight, sd: 1 / Math.sqrt(weight) };
}

/**
 * Learns how fast a hand folds: forms within the hand, shrunk to what is told where little is known. A time that is far off,
 * a dinner between two folds, counts as one that is just off (Huber's rule).
 * @param copies the steps of single copies, where they were timed
 * @returns null without any time
 */
export function learnPace(timed: readonly TimedPiece[], copies: readonly TimedSteps[] = []): PaceLearned | null {
  const known = timed.filter(({ toldMinutes, minutes }) => toldMinutes > 0 && minutes > 0);
  if (!known.length) return null;
  const byForm = new Map<string, number[]>();
  for (const { formId, minutes, toldMinutes } of known)
    byForm.set(formId, [...(byForm.get(formId) ?? []), Math.log(minutes / toldMinutes)]);
  let hand: { readonly mean: number; readonly sd: number } = { mean: 0, sd: PRIOR.hand };
  let forms = new Map<string, { readonly mean: number; readonly sd: number }>();
  for (let round = 0; round < ROUNDS; round++) {
    const near = (log: number, mean: number): number =>
      mean + Math.max(-MOST_OFF * PRIOR.piece, Math.min(MOST_OFF * PRIOR.piece, log - mean));
    const means = [...byForm].map(([formId, logs]) => {
      const at = forms.get(formId)?.mean ?? hand.mean;
      const mean = logs.reduce((sum, log) => sum + near(log, at), 0) / logs.length;
      return { formId, mean, sd: PRIOR.piece / Math.sqrt(logs.length) };
    });
    hand = shrunk(
      means.map(({ mean, sd }) => ({ mean, sd: Math.hypot(sd, PRIOR.form) })),
      PRIOR.hand,
    );
    const about = hand;
    forms = new Map(
      means.map(({ formId, mean, sd }) => {
        const own = shrunk([{ mean: mean - about.mean, sd }], PRIOR.form);
        return [formId, { mean: about.mean + own.mean, sd: Math.hypot(own.sd, about.sd) }];
      }),
    );
  }
  const paceOf = ({ mean, sd }: { readonly mean: number; readonly sd: number }, pieces: number): Pace => ({
    times: Math.exp(mean),
    ...{ spread: sd, pieces },
  });
  return {
    ...paceOf({ mean: hand.mean, sd: Math.hypot(hand.sd, PRIOR.form) }, known.length),
    forms: Object.fromEntries([...forms].map(([formId, own]) => [formId, paceOf(own, byForm.get(formId)!.length)])),
    steps: learnSteps(copies),
  };
}

/** How long a form takes this hand, in minutes, told by the form alone where nothing is known of the hand. */
export function minutesAt(pace: PaceLearned | null, formId: string, toldMinutes: number): number {
  if (!pace) return toldMinutes;
  return toldMinutes * (Object.hasOwn(pace.forms, formId) ? pace.forms[formId] : pace).times;
}
