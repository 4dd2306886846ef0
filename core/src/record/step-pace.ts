/** How long one copy took in its steps, in seconds, by their ids. */
export interface TimedSteps {
  readonly formId: string;
  readonly seconds: Readonly<Record<string, number>>;
}

/** How many times as long as the other steps of its form one takes. */
export interface StepPace {
  readonly times: number;
  readonly copies: number;
}

/** By forms and their steps. */
export type StepsLearned = Readonly<Record<string, Readonly<Record<string, StepPace>>>>;

/** Spreads of the logarithm: of a form's steps, of one time after another. Judgements, stated here once. */
const PRIOR = { step: 0.6, time: 0.5 } as const;
/** A time that is further off than so many spreads says no more than one that is not. */
const MOST_OFF = 2;
/** Shorter, a step was passed over, not folded, in seconds. */
const LEAST_S = 2;
const ROUNDS = 20;

const mean = (all: readonly number[]): number => all.reduce((sum, one) => sum + one, 0) / all.length;

/**
 * Learns which steps of each form take longer than its others: each copy has a pace of its own, each step its share, shrunk to
 * that of any step where little is known. A time that is far off counts as one that is just off (Huber's rule).
 */
export function learnSteps(timed: readonly TimedSteps[]): StepsLearned {
  const byForm = new Map<string, (readonly (readonly [step: string, log: number])[])[]>();
  for (const { formId, seconds } of timed) {
    const logs = Object.entries(seconds).flatMap(([step, s]) => (s >= LEAST_S ? [[step, Math.log(s)] as const] : []));
    // A step by itself says nothing of how it compares.
    if (logs.length > 1) byForm.set(formId, [...(byForm.get(formId) ?? []), logs]);
  }
  return Object.fromEntries([...byForm].map(([formId, copies]) => [formId, stepsOf(copies)]));
}

function stepsOf(copies: readonly (readonly (readonly [string, number])[])[]): Readonly<Record<string, StepPace>> {
  const shares = new Map<string, number>(copies.flat().map(([step]) => [step, 0]));
  for (let round = 0; round < ROUNDS; round++) {
    const offs = new Map<string, number[]>();
    for (const copy of copies) {
      const pace = mean(copy.map(([step, log]) => log - shares.get(step)!));
      for (const [step, log] of copy) offs.set(step, [...(offs.get(step) ?? []), log - pace]);
    }
    for (const [step, all] of offs) {
      const at = shares.get(step)!;
      const most = MOST_OFF * PRIOR.time;
      const near = mean(all.map((off) => at + Math.max(-most, Math.min(most, off - at))));
      shares.set(step, near / (1 + PRIOR.time ** 2 / PRIOR.step ** 2 / all.length));
    }
  }
  return Object.fromEntries(
    [...shares].map(([step, log]) => [
      step,
      { times: Math.exp(log), copies: copies.filter((copy) => copy.some(([own]) => own === step)).length },
    ]),
  );
}

/**
 * How the minutes of a form are shared among its steps, in their order; evenly where nothing is known of them.
 * @param steps all that are folded, each as often as it is
 */
export function minutesOfSteps(
  learned: StepsLearned | null,
  formId: string,
  minutes: number,
  steps: readonly string[],
): readonly number[] {
  const known = learned && Object.hasOwn(learned, formId) ? learned[formId] : {};
  const shares = steps.map((step) => (Object.hasOwn(known, step) ? known[step].times : 1));
  const all = shares.reduce((sum, one) => sum + one, 0);
  return shares.map((share) => (minutes * share) / all);
}
