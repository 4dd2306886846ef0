import type { Alignment } from '../folding/alignment';
import { type Hand, startSheet } from '../folding/hand';
import type { InexactHand } from '../folding/inexact';
import type { Mark } from '../folding/pose';
import type { FormStep, SheetSize, StepArrow } from '../forms/form';
import { recordSteps } from '../forms/record-steps';
import { between, distance, type Line, type Point, reflect } from '../measure/point';
import { rectangleSheet } from '../paper/sheet';
import { foldWords, type Naming, namingOf } from './mark-words';
import { type Creased, landingsOf } from './search/creased';
import { writeFolds } from './search/fold-code';
import {
  alignmentOf,
  edgesOf,
  FIRST_FOLD,
  type FoldBy,
  type MarkFold,
  needsOf,
  type PlaceRef,
  placeOf,
} from './search/mark-fold';

/** Steps by which marks are made, and what they leave on the sheet. */
export interface MarkSteps {
  readonly steps: readonly FormStep[];
  readonly marks: readonly Mark[];
}

const nameOf = (k: number): string => `mark ${k + 1}`;

/** The edges and all marks made so far, as they lie on the table. */
const linesOn = (hand: Hand, size: SheetSize, folds: number): readonly Line[] => [
  ...edgesOf(size),
  ...Array.from({ length: folds }, (_, k) => hand.crease(nameOf(k))),
];

/**
 * Makes marks with a hand that holds the open sheet: each fold lined up by what the hand has made before, creased where it is
 * needed, and opened.
 * @param around what is done round each fold: it must make it
 */
export function makeMarks(
  hand: Hand,
  size: SheetSize,
  folds: readonly MarkFold[],
  creased: readonly Creased[],
  around: (k: number, alignment: Alignment, fold: () => void) => void = (_k, _alignment, fold) => fold(),
): void {
  folds.forEach((fold, k) => {
    const alignment = alignmentOf(fold, linesOn(hand, size, k), size, creased[k].line);
    const { pieces, whole } = creased[k];
    around(k, alignment, () =>
      hand.creaseParts(
        nameOf(k),
        alignment,
        // About where they are meant: a fold that is missed leaves the sheet elsewhere.
        pieces.map(([from, to]) => ({ near: between(from, to), lengthMm: distance(from, to) })),
        { pressed: whole },
      ),
    );
  });
}

/**
 * The steps by which a sequence is made, drawn by the engine, and the marks that are on the sheet afterwards.
 * @param wanted what is marked: by its fold, in words
 * @throws FoldRefused when a fold cannot be made
 */
export function markSteps(
  size: SheetSize,
  folds: readonly MarkFold[],
  creased: readonly Creased[],
  wanted: ReadonlyMap<number, string>,
): MarkSteps {
  const hand = startSheet(rectangleSheet(size.widthMm, size.heightMm));
  const { steps, step } = recordSteps(hand);
  const naming = namingOf(creased);
  makeMarks(hand, size, folds, creased, (k, alignment, fold) => {
    const { by } = folds[k];
    const { whole } = creased[k];
    const lines = linesOn(hand, size, k);
    const mark = wanted.get(k);
    step(
      {
        // By what it is, too: where another way was chosen meanwhile, nothing of it is done.
        id: `mark-${k + 1}-${writeFolds([folds[k]])}`,
        title: mark ? `Mark ${mark}` : `${whole ? 'Crease' : 'Pinch'} ${k + 1}`,
        words: `${foldWords(by, lettered(naming, by))} ${whole ? 'Crease all along, and open it.' : pinchWords(creased[k])}`,
        check: 'Open, the sheet lies flat, and the mark is sharp enough to find it again with a fingertip.',
        slip: {
          what: 'The mark is broad, or there are two.',
          remedy: 'Line it up once more and press with a fingernail, over the better one.',
        },
        crease: whole ? 'sharp' : 'pinch',
      },
      {
        creases: [nameOf(k)],
        arrows: [arrowOf(by, lines, creased[k].line, size, alignment)],
        landmarks: placesOf(by, lines).map(({ point, name }) => ({ point, name })),
      },
      fold,
    );
  });
  return { steps, marks: hand.pose.marks ?? [] };
}

/** Places by their names and by the letters that the picture shows. */
function lettered({ line, place }: Naming, by: FoldBy): Naming {
  const keys = needsOf(by).places.map((ref) => ref.join());
  return { line, place: (ref) => `${place(ref)} (${LETTERS[keys.indexOf(ref.join())]})` };
}

const LETTERS = 'ABCD';

function pinchWords({ pieces }: Creased): string {
  return pieces.length > 1
    ? `Pinch it in ${pieces.length} places only, as drawn, and open it.`
    : 'Pinch it where drawn only, and open it.';
}

/** The places that are laid on each other, by letters. */
function placesOf(by: FoldBy, lines: readonly Line[]): readonly { readonly point: Point; readonly name: string }[] {
  return needsOf(by).places.map((ref, k) => ({ point: placeOf(lines, ref), name: LETTERS[k] }));
}

/** How the paper moves: from what is laid to where it comes to lie. */
function arrowOf(
  by: FoldBy,
  lines: readonly Line[],
  crease: Line,
  { widthMm: w, heightMm: h }: SheetSize,
  alignment: Alignment,
): StepArrow {
  const on = ({ x, y }: Point): boolean => x >= 0 && y >= 0 && x <= w && y <= h;
  const laid: readonly PlaceRef[] = by.kind === 'point-onto-point' ? [by.point] : landingsOf(by).map(([p]) => p);
  const corners: Point[] = [
    { x: 0, y: 0 },
    { x: w, y: 0 },
    { x: w, y: h },
    { x: 0, y: h },
  ];
  const middles = corners.map((p, k) => ({
    x: (p.x + corners[(k + 1) % 4].x) / 2,
    y: (p.y + corners[(k + 1) % 4].y) / 2,
  }));
  const moving = 'moving' in alignment ? [alignment.moving] : [];
  const grips = [...laid.map((ref) => placeOf(lines, ref)), ...moving, ...corners, ...middles];
  const far = (p: Point): number => distance(p, reflect(crease, p));
  const grip = grips.find((p) => on(p) && on(reflect(crease, p)) && far(p) > 0.05 * Math.max(w, h)) ?? corners[0];
  return { kind: 'fold-and-unfold', grip, to: reflect(crease, grip) };
}

/** Where a hand that misses brings a mark, in sheet coordinates. */
export function markMissed(
  size: SheetSize,
  folds: readonly MarkFold[],
  creased: readonly Creased[],
  [edge, fold]: PlaceRef,
  inexact: InexactHand,
): Point {
  const hand = startSheet(rectangleSheet(size.widthMm, size.heightMm), { inexact });
  makeMarks(hand, size, folds, creased);
  return placeOf([...linesOn(hand, size, fold - FIRST_FOLD + 1)], [edge, fold]);
}
