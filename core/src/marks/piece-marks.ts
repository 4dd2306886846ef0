import type { Pose } from '../folding/pose';
import type { Folding, FormStep, SheetSize } from '../forms/form';
import { goalsAtHand } from './mark-goals';
import type { Sheet } from '../paper/sheet';
import { type MarkPlan, planMarks } from './mark-plan';
import type { MarkMaker, MarkWay, Measured, School } from './mark-way';
import { usualWay, wayById, waysToMark } from './mark-ways';
import type { MarkSearch } from './search/mark-search';
import { type SheetMark, sheetMarks, type StepMarks } from './sheet-marks';
import { type Visible, visibleOn } from './visible';

/** What of a way's creases is seen when the piece is finished. */
export const seenOf = ({ finished }: Pick<Folding, 'finished'>, { folded }: MarkWay): Visible =>
  folded
    ? visibleOn(
        finished,
        folded.creased.flatMap(({ pieces }) => pieces),
      )
    : { white: 0, coloured: 0 };

/** How the marks of a piece are to be found. */
export interface MarksWanted {
  /** By the keys of marks; null as long as nobody chose. */
  readonly ways: Readonly<Record<string, string>> | null;
  /** What holds for all that nobody chose. */
  readonly school: School;
  readonly maker: MarkMaker;
}

/** A mark that is measured, and how it is found. */
export interface MarkFoundBy {
  readonly mark: SheetMark;
  readonly measured: Measured;
  readonly way: MarkWay;
}

/** A piece with its marks found as was chosen. */
export interface PieceMarks {
  readonly marks: readonly StepMarks[];
  readonly found: readonly MarkFoundBy[];
  readonly plan: MarkPlan;
}

/** A sheet's sides as it lies when folding begins. */
export function sheetSizeOf({ outline }: Sheet): SheetSize {
  const span = (axis: 'x' | 'y'): number =>
    Math.max(...outline.map((p) => p[axis])) - Math.min(...outline.map((p) => p[axis]));
  return { widthMm: span('x'), heightMm: span('y') };
}

/** The measured mark that a mark is, or null. @param pose the paper as it lies when it is needed */
export const measuredOf = ({ how }: SheetMark, size: SheetSize, pose: Pose): Measured | null =>
  how.kind === 'measured' ? { ...how, goals: goalsAtHand(how.places, size, pose) } : null;

/**
 * How the marks of a folded piece are found: as was chosen for each, and else as the school has it.
 * @param searchFor made only when it is needed: the ruler needs none
 */
export function marksOfPiece(
  folding: Folding,
  sheet: Sheet,
  { ways, school, maker }: MarksWanted,
  searchFor: (size: SheetSize) => MarkSearch,
): PieceMarks {
  const size = sheetSizeOf(sheet);
  const marks = sheetMarks(folding, sheet);
  const seen = (way: MarkWay): number => {
    const { white, coloured } = seenOf(folding, way);
    return white + coloured;
  };
  const found = marks.flatMap((step) =>
    step.marks.flatMap((mark): MarkFoundBy[] => {
      const measured = measuredOf(mark, size, folding.steps[step.step - 1].poses[0]);
      if (!measured) return [];
      const chosen = ways && Object.hasOwn(ways, mark.key) ? wayById(ways[mark.key], measured, size, maker) : null;
      const usual = (): MarkWay =>
        school === 'ruler'
          ? wayById('ruler', measured, size, maker)!
          : usualWay(waysToMark(measured, size, maker, searchFor(size)), school, seen);
      return [{ mark, measured, way: chosen ?? usual() }];
    }),
  );
  const plan = planMarks(
    found.map(({ mark, way }) => ({ called: mark.n === null ? mark.name : `${mark.n}`, way })),
    size,
  );
  return { marks, found, plan };
}

/** The steps of a piece after those that make its marks; what a step measures is told with how it is found. */
export function withMarkSteps(
  steps: readonly FormStep[],
  { marks, found, plan }: PieceMarks,
  say: (found: MarkFoundBy) => string | null,
): readonly FormStep[] {
  const notes = (id: string): readonly string[] => {
    const keys = marks.find((step) => step.id === id)?.marks.map(({ key }) => key) ?? [];
    return found.filter(({ mark }) => keys.includes(mark.key)).flatMap((one) => say(one) ?? []);
  };
  return [...plan.steps, ...steps.map((step) => ({ ...step, finds: notes(step.id) }))];
}
