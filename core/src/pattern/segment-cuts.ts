import { lineThrough, type Line, type Point, sideOf } from '../measure/point';
import { clipSegment, middle } from './convex';
import { type CreasePattern, faceOutline, toleranceOf } from './crease-pattern';

/**
 * The faces that a segment in sheet coordinates passes through the inside of, each with the segment's line: what
 * `splitFaces` needs to crease along it.
 * @throws RangeError when the segment stops in the middle of a face: a crease that ends nowhere bounds no face
 */
export function segmentCuts(pattern: CreasePattern, from: Point, to: Point): Map<number, Line> {
  const tolerance = toleranceOf(pattern);
  const line = lineThrough(from, to);
  const cuts = new Map<number, Line>();
  pattern.faces.forEach((_, f) => {
    const outline = faceOutline(pattern, f);
    const sides = outline.map((p) => sideOf(line, p));
    if (!sides.some((d) => d > tolerance) || !sides.some((d) => d < -tolerance)) return;
    const within = clipSegment(from, to, outline, tolerance);
    if (!within) return;
    const length = Math.hypot(to.x - from.x, to.y - from.y);
    if ((within[1] - within[0]) * length <= 4 * tolerance) return;
    const far = 1e3 * pattern.size;
    const full = clipSegment(
      { x: from.x - line.along.x * far, y: from.y - line.along.y * far },
      { x: to.x + line.along.x * far, y: to.y + line.along.y * far },
      outline,
      0,
    );
    const crossed = full ? (full[1] - full[0]) * (length + 2 * far) : 0;
    if (crossed - (within[1] - within[0]) * length > 1e-5 * pattern.size) {
      const m = middle(outline);
      throw new RangeError(
        `The crease from (${from.x}, ${from.y}) to (${to.x}, ${to.y}) ends inside the face round (${m.x.toFixed(3)}, ${m.y.toFixed(3)}).`,
      );
    }
    cuts.set(f, line);
  });
  return cuts;
}
