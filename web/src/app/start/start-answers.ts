import { choiceOf, type Choice, type Paper, type TrayAsked, type TraySized } from '@odd-corner/contract';
import { caliperOf, COMMON_PAPER, type CutPlan, cutSquares, type PaperScene } from '@odd-corner/core';
import { concat, concatMap, from, map, type Observable, of, scan } from 'rxjs';
import type { Folding } from '../workers/folding.service';
import { sceneOfChoice } from '../data/choice-of';

/** What one paper of the shelf can do for an answer. */
export interface ShelfAnswer {
  readonly paper: Paper;
  /** Worked out for this paper's own thickness. */
  readonly sizing: TraySized;
  readonly plan: CutPlan | null;
  /** Why it cannot, when there is no plan. */
  readonly why: string | null;
}

/** One way to make the tray: sizes at once, its picture and the shelf's papers as they come in. */
export interface FormAnswer {
  readonly walls: Choice['walls'];
  readonly sizing: TraySized | null;
  readonly why: string | null;
  readonly scene: PaperScene | null;
  readonly shelf: readonly ShelfAnswer[];
  /** Whether all papers have been looked at. */
  readonly done: boolean;
}

export type PurposeAsked = Omit<TrayAsked, 'walls' | 'thicknessMm'>;

const WAYS: readonly Choice['walls'][] = ['folded', 'measured'];

type Part = { readonly walls: Choice['walls'] } & Partial<FormAnswer>;

/** All answers to a purpose, growing as they are worked out: sizes first, then pictures, then paper after paper. */
export function answersTo(
  asked: PurposeAsked,
  papers: readonly Paper[],
  folding: Folding,
): Observable<readonly FormAnswer[]> {
  const none: readonly FormAnswer[] = WAYS.map((walls) => ({
    walls,
    sizing: null,
    why: null,
    scene: null,
    shelf: [],
    done: false,
  }));
  const ways = from(WAYS);
  const sizes = ways.pipe(
    concatMap((walls) =>
      folding
        .size({ ...asked, walls, thicknessMm: caliperOf(COMMON_PAPER) })
        .pipe(
          map((answer): Part => (answer.ok ? { walls, sizing: answer.value } : { walls, why: answer.why, done: true })),
        ),
    ),
  );
  const pictures = (known: readonly FormAnswer[]): Observable<Part> =>
    from(known.filter((answer) => answer.sizing)).pipe(
      concatMap(({ walls, sizing }) =>
        folding
          .scene(sceneOfChoice(choiceOf(sizing!, null), sizing!.asked.block))
          .pipe(map((scene): Part => ({ walls, scene }))),
      ),
    );
  const shelf = (known: readonly FormAnswer[]): Observable<Part> =>
    from(
      known.filter((answer) => answer.sizing).flatMap(({ walls }) => papers.map((paper) => ({ walls, paper }))),
    ).pipe(
      concatMap(({ walls, paper }) =>
        folding
          .size({ ...asked, walls, thicknessMm: caliperOf(paper) })
          .pipe(map((answer): Part => ({ walls, shelf: answer.ok ? [fromShelf(paper, answer.value)] : [] }))),
      ),
    );
  return growing(none, sizes).pipe(
    concatMap((sized) =>
      sized.every((a) => a.sizing || a.why)
        ? concat(
            of(sized),
            growing(sized, concat(pictures(sized), shelf(sized), from(WAYS.map((walls) => ({ walls, done: true }))))),
          )
        : of(sized),
    ),
  );
}

function growing(start: readonly FormAnswer[], parts: Observable<Part>): Observable<readonly FormAnswer[]> {
  return parts.pipe(
    scan(
      (answers, part) =>
        answers.map((answer) =>
          answer.walls === part.walls
            ? { ...answer, ...part, shelf: [...answer.shelf, ...(part.shelf ?? [])].sort(bestFirst) }
            : answer,
        ),
      start,
    ),
  );
}

function fromShelf(paper: Paper, sizing: TraySized): ShelfAnswer {
  const sides = [sizing.tray, sizing.lid].map(({ sheet }) => sheet.widthMm);
  const plan = cutSquares(paper, sides);
  if (plan) return { paper, sizing, plan, why: null };
  if (paper.count === 0) return { paper, sizing, plan, why: 'none left' };
  const enough = cutSquares({ ...paper, count: sides.length }, sides);
  return { paper, sizing, plan, why: enough ? `takes ${enough.sheetsUsed} sheets, ${paper.count} left` : 'too small' };
}

/** Area of the sheets used that does not become a square, in mm². */
function wasted({ paper, plan }: ShelfAnswer): number {
  return plan
    ? plan.sheetsUsed * paper.widthMm * paper.heightMm -
        plan.squares.reduce((sum, p) => sum + p.widthMm * p.heightMm, 0)
    : Infinity;
}

function bestFirst(a: ShelfAnswer, b: ShelfAnswer): number {
  return (
    Number(!a.plan) - Number(!b.plan) ||
    (a.plan ? wasted(a) - wasted(b) : 0) ||
    a.paper.name.localeCompare(b.paper.name)
  );
}
