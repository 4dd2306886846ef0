import type { FormStep } from '../forms/form';

/** Steps that are made on all copies before anybody goes on with the next ones: from one, up to but without another. */
export interface Stage {
  readonly name: string;
  readonly from: number;
  readonly to: number;
}

/** What of a step decides where a stage begins. */
export type StagedStep = Pick<FormStep, 'title' | 'stage' | 'waits' | 'view' | 'arrows'>;

/** A stage that nobody named has at least so many steps: less is not worth putting the paper down for. */
const LEAST_STEPS = 3;

/** A longer one is parted evenly: nobody keeps so much in mind from one copy to the next. */
const MOST_STEPS = 6;

const turns = ({ arrows }: StagedStep): boolean => arrows.some(({ kind }) => kind === 'turn-over' || kind === 'rotate');

/**
 * The stages of a form: those that it names itself; else a new one begins where the paper is turned, where it is stood up, and
 * after glue, for there the hand lays the paper down anyway.
 */
export function stagesOf(steps: readonly StagedStep[]): readonly Stage[] {
  const named = steps.some(({ stage }) => stage !== undefined);
  const starts = steps.flatMap((step, k) => {
    if (k === 0) return [0];
    if (named) return step.stage === undefined ? [] : [k];
    const before = steps[k - 1];
    return turns(step) || step.view !== before.view || before.waits ? [k] : [];
  });
  const kept = named ? starts : parted(roomy(steps, starts), steps.length);
  return kept.map((from, k) => {
    const to = kept[k + 1] ?? steps.length;
    const { stage, title } = steps[from];
    return { name: stage ?? (to - from > 1 ? `${title} – ${lower(steps[to - 1].title)}` : title), from, to };
  });
}

/** Leaves out starts that would make a stage too short; one after glue always counts. */
function roomy(steps: readonly StagedStep[], starts: readonly number[]): readonly number[] {
  const kept: number[] = [];
  for (const k of starts) {
    const last = kept.at(-1);
    const long = last === undefined || k - last >= LEAST_STEPS;
    if (long || steps[k - 1].waits) kept.push(k);
  }
  // What is left at the end is done with the stage before.
  if (kept.length > 1 && steps.length - kept[kept.length - 1] < LEAST_STEPS && !steps[kept[kept.length - 1] - 1].waits)
    kept.pop();
  return kept;
}

/** Parts what is too long. */
const parted = (starts: readonly number[], end: number): readonly number[] =>
  starts.flatMap((from, k) => {
    const length = (starts[k + 1] ?? end) - from;
    const parts = Math.ceil(length / MOST_STEPS);
    return Array.from({ length: parts }, (_, part) => from + Math.round((part * length) / parts));
  });

const lower = (title: string): string => title.charAt(0).toLowerCase() + title.slice(1);

/** The stage that a step belongs to; their number past the last step. */
export function stageAt(stages: readonly Stage[], step: number): number {
  const k = stages.findIndex(({ to }) => step < to);
  return k < 0 ? stages.length : k;
}
