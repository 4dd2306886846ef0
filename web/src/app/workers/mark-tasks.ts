import {
  angleWaysTo,
  type CommonMarks,
  type Creased,
  divideBy,
  edgeLength,
  type Drawing,
  type FoldWay,
  findingWords,
  foldWaysTo,
  formatLength,
  fractionOf,
  fromCommon,
  halvingWayTo,
  type MarkFold,
  marksPicture,
  markSteps,
  type MarksWanted,
  type MarkWay,
  type School,
  SCHOOLS,
  usualWay,
  seenOf,
  SHELF,
  sheetFor,
  type SheetSize,
  type ShownUnit,
  sheetSizeOf,
  type StepMarks,
  stepPictures,
  type Visible,
  waysToMark,
} from '@odd-corner/core';
import { type Attempt, attempt } from './attempt';
import { type FormAsked, madeForm } from './fold-piece';
import { markSearch, searchingMarks } from './mark-searches';
import { pieceMarks } from './marked-piece';

/** A fold as it is made, drawn and in words. */
export interface FoldShown {
  readonly drawing: Drawing;
  readonly words: string;
}

/** A way to find a mark, ready to be shown. */
export interface WayShown extends Pick<
  MarkWay,
  'id' | 'kind' | 'school' | 'exact' | 'expectedMm' | 'worstMm' | 'halving' | 'by'
> {
  readonly biasMm: number;
  readonly folds: readonly FoldShown[];
  readonly seen: Visible;
}

/** A mark that is measured, and all ways to find it. */
export interface MarkChoice {
  readonly key: string;
  readonly wayId: string;
  readonly ways: readonly WayShown[];
  /** What is done for it where that is not the ruler's way, in words. */
  readonly said: string | null;
  /** What each school takes for it. */
  readonly usual: Readonly<Record<School, string>>;
}

/** How the folds of a piece are found, and the sheet with all marks. */
export interface MarksShown {
  readonly steps: readonly StepMarks[];
  readonly picture: Drawing;
  readonly choices: readonly MarkChoice[];
  /** Folds on the open sheet before the first step. */
  readonly before: number;
}

/** What is to be found on a sheet that nothing is folded from. */
export interface FreeAsked {
  readonly size: SheetSize;
  readonly find:
    | { readonly kind: 'places'; readonly edge: number; readonly mm: readonly number[] }
    | { readonly kind: 'angle'; readonly deg: number };
  readonly handMm: number;
  readonly eye: number;
}

/** A way to find it, ready to be shown. Errors in mm, or in degrees for a direction. */
export interface FreeWay {
  readonly kind: 'folds' | 'halving' | 'division' | 'angle';
  readonly exact: boolean;
  readonly off: number;
  readonly expected: number;
  /** When all misses of one standard deviation go the same way; null where that was not worked out. */
  readonly worst: number | null;
  readonly folds: readonly FoldShown[];
  readonly halving?: { readonly round: number; readonly left: readonly number[] };
  /** Of a division: what is to be expected at each mark. */
  readonly marks?: readonly { readonly mm: number; readonly expectedMm: number }[];
}

function foldsShown(size: SheetSize, folds: readonly MarkFold[], creased: readonly Creased[]): readonly FoldShown[] {
  const { steps } = markSteps(size, folds, creased, new Map());
  return steps.map((step) => ({ drawing: stepPictures(step).now, words: step.words }));
}

/** Ways to common fractions, made when this application was built; empty where they cannot be read. */
let common: Promise<CommonMarks> | null = null;

async function readCommon(): Promise<CommonMarks> {
  try {
    const answer = await fetch(new URL('/mark-table.json', self.location.origin));
    return answer.ok ? ((await answer.json()) as CommonMarks) : {};
  } catch {
    return {};
  }
}

/** Questions about marks: how those of a piece are found, and any other on any sheet. */
export const markTasks = {
  /** How every fold of a piece is found, in order, and the ways there are to find what is measured. */
  marks(asked: FormAsked, wanted: MarksWanted, unit: ShownUnit): Attempt<MarksShown> {
    return attempt(() => {
      const made = madeForm(asked);
      const { marks: steps, found, plan } = pieceMarks(asked, made, wanted);
      const size = sheetSizeOf(sheetFor(SHELF.piece(asked.formId), asked.sheet));
      const choices = found.map(({ mark, measured, way }): MarkChoice => {
        const ways = waysToMark(measured, size, wanted.maker, markSearch(size));
        const seen = (one: MarkWay): number => {
          const { white, coloured } = seenOf(made.folding, one);
          return white + coloured;
        };
        const usual = Object.fromEntries(SCHOOLS.map((school) => [school, usualWay(ways, school, seen).id]));
        const all = ways.some(({ id }) => id === way.id) ? ways : [...ways, way];
        return {
          said: findingWords({ mark, measured, way }, (mm) => formatLength(mm, unit)),
          ...{ key: mark.key, wayId: way.id, usual: usual as Record<School, string> },
          ways: all.map(({ id, kind, school, exact, expectedMm, worstMm, halving, by, misses, folded }) => ({
            ...{ id, kind, school, exact, expectedMm, worstMm, halving, by },
            biasMm: misses[0]?.biasMm ?? 0,
            folds: folded ? foldsShown(size, folded.folds, folded.creased) : [],
            seen: seenOf(made.folding, { folded } as MarkWay),
          })),
        };
      });
      return { steps, picture: marksPicture(made.folding, steps, plan.pinches), choices, before: plan.steps.length };
    });
  },

  /**
   * How a place, several, or a direction is found on a sheet.
   * @param tell told how much of all sequences has been looked at
   * @param wanted asked now and then; false stops the work
   */
  async freeWays(
    { size, find, handMm, eye }: FreeAsked,
    tell: (share: number) => void,
    wanted: () => Promise<boolean>,
  ): Promise<readonly FreeWay[] | null> {
    if (find.kind === 'places' && find.mm.length === 1) {
      const known = fromCommon(await (common ??= readCommon()), size, find.edge, find.mm[0], handMm);
      if (known) return waysTo(known, size, find.edge, find.mm[0], handMm, eye);
    }
    let stopped = false;
    const search = await searchingMarks(
      size,
      (share) => {
        tell(share);
        void wanted().then((still) => (stopped = !still));
      },
      () => stopped,
    );
    if (!search) return null;
    if (find.kind === 'angle')
      return angleWaysTo(search, size, find.deg, handMm).map(({ folds, creased, exact, offDeg, expectedDeg }) => ({
        ...{ kind: 'angle', exact, off: offDeg, expected: expectedDeg, worst: null },
        folds: foldsShown(size, folds, creased),
      }));
    const { edge, mm } = find;
    if (mm.length === 1) return waysTo(foldWaysTo(search, size, edge, mm[0], handMm), size, edge, mm[0], handMm, eye);
    const division = divideBy(search, size, edge, mm, handMm);
    if (!division) return [];
    const off = division.marks.reduce((most, one) => (Math.abs(one.offMm) > Math.abs(most) ? one.offMm : most), 0);
    return [
      {
        ...{ kind: 'division', off, exact: Math.abs(off) < 1e-6, worst: null },
        expected: Math.max(...division.marks.map(({ expectedMm }) => expectedMm)),
        folds: foldsShown(size, division.folds, division.creased),
        marks: division.marks.map(({ mm: at, expectedMm }) => ({ mm: at, expectedMm })),
      },
    ];
  },
};

/** Ways by folding to one place, and the one that converges on it where there is one. */
function waysTo(
  ways: readonly FoldWay[],
  size: SheetSize,
  edge: number,
  mm: number,
  handMm: number,
  eye: number,
): readonly FreeWay[] {
  const told = ways.map(({ folds, creased, exact, offMm, expectedMm, spread }): FreeWay => ({
    ...{ kind: 'folds', exact, off: offMm, expected: expectedMm },
    worst: Math.abs(offMm) + spread.worst * handMm,
    folds: foldsShown(size, folds, creased),
  }));
  const fraction = fractionOf(mm / edgeLength(size, edge), 1e-7);
  const halving = fraction && halvingWayTo(edge, fraction, size, { handMm, eye });
  if (!halving) return told;
  const { folds, creased, expectedMm, spread } = halving.way;
  return [
    ...told,
    {
      ...{ kind: 'halving', exact: true, off: 0, expected: expectedMm },
      worst: spread.worst * handMm + spread.ofEye * eye,
      folds: foldsShown(size, folds, creased),
      halving: { round: halving.round, left: halving.left },
    },
  ];
}
