import { type AssignedPattern, foldsOf } from '../pattern/assigned-pattern';
import { turn } from '../pattern/outline';
import { type CreasePattern, faceOutline } from '../pattern/crease-pattern';
import { FoldRefused } from './fold-refused';
import { CLOSURE, place, type Placement } from './place';
import { IDENTITY } from './transform';

/** Fold angles with every crease folded flat; which way does not matter to where faces lie. */
export function flatAngles(pattern: CreasePattern | AssignedPattern): number[] {
  return foldsOf(pattern).map((fold) => (fold === 'flat' ? 0 : fold === 'mountain' ? -180 : 180));
}

/**
 * Where each face lies when every crease is folded flat, the first face kept where it is on the sheet.
 * @throws FoldRefused `does-not-close` when the walk round some vertex does not meet, or when a face is not convex, which
 *   breaks the angle law at one of its corners
 */
export function placeFlat(pattern: CreasePattern | AssignedPattern): Placement {
  pattern.faces.forEach((face, f) => {
    const outline = faceOutline(pattern, f);
    outline.forEach((p, k) => {
      const n = outline.length;
      if (
        turn(outline[(k + n - 1) % n], p, outline[(k + 1) % n]) < 0 &&
        !straight(outline[(k + n - 1) % n], p, outline[(k + 1) % n], pattern.size)
      )
        throw new FoldRefused(
          'does-not-close',
          `The angle at (${p.x}, ${p.y}) is over 180°: creases there cannot fold flat.`,
          [f],
        );
    });
    if (new Set(face.edges).size < face.edges.length)
      throw new FoldRefused('does-not-close', 'A crease ends in the middle of the paper.', [f]);
  });
  const placement = place(pattern, flatAngles(pattern), 0, IDENTITY);
  if (placement.residual > CLOSURE) {
    const { from } = pattern.edges[placement.worstEdge];
    const p = pattern.vertices[from];
    throw new FoldRefused(
      'does-not-close',
      `The paper does not meet near (${p.x}, ${p.y}): off by ${placement.residual.toExponential(2)}.`,
    );
  }
  return placement;
}

function straight(
  a: { x: number; y: number },
  b: { x: number; y: number },
  c: { x: number; y: number },
  size: number,
): boolean {
  return (
    Math.abs((b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x)) <= 1e-8 * size * Math.hypot(c.x - a.x, c.y - a.y)
  );
}
