import { contains } from '../pattern/convex';
import { type CreasePattern, faceOutline, toleranceOf } from '../pattern/crease-pattern';
import { apart, boxOf } from './space-box';
import { apply, inverse, type Transform } from './transform';

/** The first pair of faces of which one goes through the other, or null. Touching is not piercing. */
export function piercingFaces(pattern: CreasePattern, placed: readonly Transform[]): readonly [number, number] | null {
  const tolerance = 1e3 * toleranceOf(pattern);
  const n = pattern.faces.length;
  const corners = pattern.faces.map((face, f) => face.vertices.map((v) => apply(placed[f], pattern.vertices[v])));
  const boxes = corners.map(boxOf);
  for (let j = 0; j < n; j++) {
    const back = inverse(placed[j]);
    const outline = faceOutline(pattern, j);
    for (let i = 0; i < n; i++) {
      if (i === j || apart(boxes[i], boxes[j], -tolerance)) continue;
      const seen = corners[i].map((p) => apply(back, p));
      for (let k = 0; k < seen.length; k++) {
        const p = seen[k];
        const q = seen[(k + 1) % seen.length];
        if (!((p.z > tolerance && q.z < -tolerance) || (p.z < -tolerance && q.z > tolerance))) continue;
        const t = p.z / (p.z - q.z);
        if (contains(outline, { x: p.x + t * (q.x - p.x), y: p.y + t * (q.y - p.y) }, -tolerance)) return [i, j];
      }
    }
  }
  return null;
}
