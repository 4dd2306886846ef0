import { between, distance, type Point } from '../measure/point';
import type { ShownFace } from './shown-faces';

/** Nearer to a right angle than this, in mm, an outline is a rectangle that lies square on the sheet. */
const SQUARE_MM = 0.05;

/** How a face is called: by where it looks. */
export function faceName({ normal: { x, y, z } }: Pick<ShownFace, 'normal'>): string {
  if (z > 0.99) return 'Looks up';
  if (z < -0.99) return 'Looks down';
  const way = Math.abs(y) >= Math.abs(x) ? (y < 0 ? 'towards you' : 'away from you') : x < 0 ? 'left' : 'right';
  return Math.abs(z) < 0.1 ? `Looks ${way}` : `Slopes ${way}, ${z > 0 ? 'up' : 'down'}`;
}

/** A rectangle that lies square on the sheet: from its left and near edges, and its sides. */
export function squareOn(outline: readonly Point[]): { x: number; y: number; width: number; height: number } | null {
  if (outline.length !== 4) return null;
  const [xs, ys] = [outline.map((p) => p.x), outline.map((p) => p.y)];
  const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const onBox = outline.every(
    (p) =>
      Math.min(Math.abs(p.x - x0), Math.abs(p.x - x1)) < SQUARE_MM &&
      Math.min(Math.abs(p.y - y0), Math.abs(p.y - y1)) < SQUARE_MM,
  );
  return onBox ? { x: x0, y: y0, width: x1 - x0, height: y1 - y0 } : null;
}

/** A tilted rectangle by its sides, anything else by how many corners it has. */
function shapeWords(outline: readonly Point[], length: (mm: number) => string): string {
  const [a, b, c, d] = outline;
  const isOne =
    outline.length === 4 &&
    Math.abs(distance(a, c) - distance(b, d)) < SQUARE_MM &&
    distance(between(a, c), between(b, d)) < SQUARE_MM;
  return isOne
    ? `a rectangle of ${length(distance(a, b))} by ${length(distance(b, c))} that lies aslant`
    : `a shape with ${outline.length} corners`;
}

/** Which way up something must be drawn on the sheet to stand upright on the face. */
function turnWords(turnDeg: number): string {
  const turn = Math.round(turnDeg);
  if (turn === 0) return 'Upright on the sheet is upright on the face.';
  if (Math.abs(turn) === 180) return 'Draw it upside down: it stands upright on the face.';
  // It is said of what is seen, from the face as from the sheet: the side makes no difference.
  const way = turn > 0 ? 'clockwise' : 'counter-clockwise';
  return `Draw it turned by ${Math.abs(turn)}° ${way}: it stands upright on the face.`;
}

/**
 * What is marked with a pencil so that a drawing shows on a face, part by part.
 * @param widthMm of the sheet
 * @param length how a length is written
 */
export function pencilWords({ parts }: ShownFace, widthMm: number, length: (mm: number) => string): readonly string[] {
  return parts.map(({ side, outline, turnDeg }) => {
    // On the coloured side what was on the left is on the right: the sheet is turned over like a page.
    const lying = side === 'white' ? outline : outline.map(({ x, y }) => ({ x: widthMm - x, y }));
    const square = squareOn(lying);
    const corners = lying.map(({ x, y }) => `${length(Math.abs(x))} and ${length(Math.abs(y))}`).join('; ');
    const where = square
      ? `a rectangle ${length(square.width)} wide and ${length(square.height)} high, its left edge ${length(square.x)} from the left edge, its near edge ${length(square.y)} from the near edge of the sheet.`
      : `${shapeWords(lying, length)}; from the left and the near edge of the sheet its corners are at ${corners}.`;
    return `With the ${side} side up: ${where} ${turnWords(turnDeg)}`;
  });
}
