import { type CreasePattern, type Edge, isBorder } from './crease-pattern';

/** The face on the other side of an edge, or -1 at the border. */
export function beyond({ left, right }: Edge, face: number): number {
  return left === face ? right : left;
}

/**
 * The faces that hang together with some, over edges that count.
 * @param counts asked for an edge and the face that it is reached from
 * @returns for each face whether it is reached; the ones begun with are
 */
export function joined(
  { faces, edges }: CreasePattern,
  from: readonly number[],
  counts: (edge: number, face: number, other: number) => boolean,
): boolean[] {
  const found = faces.map(() => false);
  for (const face of from) found[face] = true;
  const queue = [...from];
  for (const face of queue)
    for (const e of faces[face].edges) {
      const other = beyond(edges[e], face);
      if (other < 0 || found[other] || !counts(e, face, other)) continue;
      found[other] = true;
      queue.push(other);
    }
  return found;
}

/**
 * Parts a pattern into plates: faces that hang together over edges that hold.
 * @returns for each face the number of its plate, which is that of its first face
 */
export function platesOf({ faces, edges }: CreasePattern, holds: (edge: number) => boolean): number[] {
  const plate = faces.map((_, f) => f);
  const first = (f: number): number => {
    while (plate[f] !== f) f = plate[f] = plate[plate[f]];
    return f;
  };
  edges.forEach((edge, e) => {
    if (isBorder(edge) || !holds(e)) return;
    const [a, b] = [first(edge.left), first(edge.right)];
    plate[Math.max(a, b)] = Math.min(a, b);
  });
  return faces.map((_, f) => first(f));
}

const known = new WeakMap<CreasePattern, readonly number[]>();

/** The sheets that a pattern is made of: for each face the number of its sheet, which is that of its first face. */
export function sheetsOf(pattern: CreasePattern): readonly number[] {
  let sheets = known.get(pattern);
  if (!sheets) known.set(pattern, (sheets = platesOf(pattern, () => true)));
  return sheets;
}
