import type { Point } from '../measure/point';
import type { CutRect, PlannedParent } from '../shelf/cutting';
import type { Drawing, DrawnLabel, DrawnLine, Patch } from './drawing';

/** Height of a label as a share of the sheet's longer side. */
const LABEL = 0.06;
const LETTER = 0.58;

/** Corners of a rectangle in picture coordinates: the sheet's near left corner is at the origin, y runs down. */
const corners = ({ xMm, yMm, widthMm, heightMm }: CutRect): readonly Point[] => [
  { x: xMm, y: -yMm },
  { x: xMm + widthMm, y: -yMm },
  { x: xMm + widthMm, y: -yMm - heightMm },
  { x: xMm, y: -yMm - heightMm },
];

/**
 * One sheet as it is cut: the wanted sheets light, what is kept paler than what is scrap, every cut by its number.
 * @param size of the whole sheet, in mm
 * @param nameOf what stands on a wanted sheet
 */
export function cutPicture(
  { pieces, cuts, offcuts }: Pick<PlannedParent, 'pieces' | 'cuts' | 'offcuts'>,
  { widthMm, heightMm }: { readonly widthMm: number; readonly heightMm: number },
  nameOf: (wanted: number) => string,
): Drawing {
  const whole: CutRect = { xMm: 0, yMm: 0, widthMm, heightMm };
  const height = LABEL * Math.max(widthMm, heightMm);
  const label = (text: string, at: Point): DrawnLabel => ({
    ...{ text, at, anchor: at, height },
    width: height * (LETTER * text.length + 0.5),
  });
  /** What stands on a part, where it has room for it. */
  const named = (rect: CutRect, text: string): DrawnLabel[] => {
    const made = label(text, { x: rect.xMm + rect.widthMm / 2, y: -rect.yMm - rect.heightMm / 2 });
    return made.width <= rect.widthMm && height <= rect.heightMm ? [made] : [];
  };
  const ring = (rect: CutRect, kind: DrawnLine['kind']): DrawnLine[] =>
    corners(rect).map((from, k, all) => ({ kind, from, to: all[(k + 1) % all.length] }));
  const patches: Patch[] = [
    { points: corners(whole), side: 'colour', part: 0, light: 0.62 },
    ...offcuts.map((rest): Patch => ({ points: corners(rest), side: 'colour', part: 0, light: 1 })),
    ...pieces.map((piece): Patch => ({ points: corners(piece), side: 'white', part: 0, light: 1 })),
  ];
  const cutLines = cuts.map(({ piece, runs, atMm }, k): { line: DrawnLine; label: DrawnLabel } => {
    const { xMm, yMm, widthMm: w, heightMm: h } = piece;
    const from = runs === 'upright' ? { x: xMm + atMm, y: -yMm } : { x: xMm, y: -yMm - atMm };
    const to = runs === 'upright' ? { x: from.x, y: -yMm - h } : { x: xMm + w, y: from.y };
    // The number stands where the cut begins: level ones on the left, upright ones at the far edge.
    const at = runs === 'upright' ? { x: to.x, y: to.y + height } : { x: from.x + height, y: from.y };
    return { line: { kind: 'mountain', from, to }, label: label(`${k + 1}`, at) };
  });
  return {
    patches,
    lines: [
      ...pieces.flatMap((piece) => ring(piece, 'folded')),
      ...ring(whole, 'raw'),
      ...cutLines.map(({ line }) => line),
    ],
    arrows: [],
    labels: [
      ...pieces.flatMap((piece) => named(piece, nameOf(piece.wanted))),
      ...offcuts.flatMap((rest) => named(rest, 'keep')),
      ...cutLines.map((one) => one.label),
    ],
    box: { x: 0, y: -heightMm, width: widthMm, height: heightMm },
  };
}
