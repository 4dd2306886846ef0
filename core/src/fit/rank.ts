import { formById } from '../forms/shelf';
import type { EaseId } from '../purpose/ease';
import { CRITERIA, type Criterion, USUAL_WEIGHTS, type Weights } from './criteria';
import { lostToRoom, tooRoomy, type TooRoomy } from './roominess';
import { paperOf, type SizedForm } from './size-options';

/** An answer with its marks: each from 0 to 1, and all together, weighed. */
export interface Ranked {
  readonly answer: SizedForm;
  readonly marks: Readonly<Record<Criterion, number>>;
  readonly score: number;
  /** Along which sides it has too much room. */
  readonly roomy: readonly TooRoomy[];
}

/** By what answers are judged beside their weights. */
export interface RankedBy {
  /** By which it is judged how much room is too much. */
  readonly ease?: EaseId;
  /** What an answer takes of paper, where that is not the area of its sheets. */
  readonly paper?: (answer: SizedForm) => number;
  /** By how much things may come out smaller than they were packed, in mm. */
  readonly slackMm?: number;
}

const nothingAgainst = (): number => 0;

/** How much of the room the contents take, over all needs. */
function closeness({ fit }: SizedForm): number {
  const shares = fit.needs.map(({ have, need }) => Math.max(0, Math.min(1, need / Math.max(1e-9, have))));
  return shares.reduce((a, b) => a + b, 0) / shares.length;
}

/**
 * Marks all answers against each other and sorts them, best first.
 * @param lowered the share of its score that an answer loses whatever counts, from 0 to 1: paper that must not touch food
 */
export function rank(
  answers: readonly SizedForm[],
  weights: Weights = USUAL_WEIGHTS,
  lowered: (answer: SizedForm) => number = nothingAgainst,
  { ease = 'easy', paper = paperOf, slackMm = 0 }: RankedBy = {},
): readonly Ranked[] {
  if (!answers.length) return [];
  const leastArea = Math.min(...answers.map(paper));
  const leastMinutes = Math.min(...answers.map(({ formId }) => formById(formId).minutes));
  const total = Object.values(weights).reduce((a, b) => a + b, 0) || 1;
  return answers
    .map((answer): Ranked => {
      const form = formById(answer.formId);
      const { minutes, skill } = form;
      const closes = form.closure(answer.make).kind !== 'open';
      const roomy = tooRoomy(answer.fit, ease, closes, slackMm);
      const marks: Record<Criterion, number> = {
        paper: leastArea / paper(answer),
        close: closeness(answer) * (1 - lostToRoom(roomy)),
        sure: answer.chance ?? 0.5,
        time: leastMinutes / minutes,
        ease: (3 - skill) / 2,
        dry:
          ({ none: 0.5, optional: 0.35, needed: 0 } as const)[form.adhesive(answer.make)] +
          ({ none: 0.5, optional: 0.35, needed: 0 } as const)[form.cuts(answer.make)],
        closed: closes ? 1 : 0,
      };
      const weighed = (Object.keys(CRITERIA) as Criterion[]).reduce((sum, key) => sum + weights[key] * marks[key], 0);
      return { answer, marks, roomy, score: (weighed / total) * (1 - lowered(answer)) };
    })
    .sort((p, q) => q.score - p.score || paper(p.answer) - paper(q.answer));
}

/** What speaks most for one answer over the next one: the criteria that make up the difference, largest first. */
export function reasons(better: Ranked, other: Ranked, weights: Weights): readonly Criterion[] {
  const gain = (key: Criterion): number => weights[key] * (better.marks[key] - other.marks[key]);
  return (Object.keys(CRITERIA) as Criterion[]).filter((key) => gain(key) > 1e-9).sort((p, q) => gain(q) - gain(p));
}
