import { joined } from '../pattern/plates';
import { distance, type Line, type Point, sideOf } from '../measure/point';
import { clipSegment } from '../pattern/convex';
import { faceOutline, isBorder, toleranceOf } from '../pattern/crease-pattern';
import type { Stretch } from '../pattern/crease-stretches';
import { FoldRefused } from './fold-refused';
import { faceAt, type Pose } from './pose';
import { apply, inverse } from './transform';

/**
 * The faces of the flap that a sheet point lies on: those that hang together with it beyond a table line, on its left. A
 * face that the line crosses belongs to it.
 */
export function flapFaces(pose: Pose, line: Line, flap: Point): boolean[] {
  const { pattern } = pose;
  const least = 100 * toleranceOf(pattern);
  const beyond = (face: number, v: number): boolean =>
    sideOf(line, apply(pose.placed[face], pattern.vertices[v])) > least;
  const seed = faceAt(pattern, flap);
  if (!pattern.faces[seed].vertices.some((v) => beyond(seed, v)))
    throw new FoldRefused('no-paper', 'The flap to fold does not reach over the fold line.');
  return joined(pattern, [seed], (e, face) =>
    [pattern.edges[e].from, pattern.edges[e].to].some((v) => beyond(face, v)),
  );
}

/** A piece of table line drawn on each chosen face that it passes over, in sheet coordinates. */
export function onLayers(pose: Pose, faces: readonly boolean[], from: Point, to: Point, name: string): Stretch[] {
  return faces.flatMap((chosen, f) => (chosen ? onLayer(pose, f, from, to, name) : []));
}

/** The same on one face: one stretch, or none. */
export function onLayer(pose: Pose, face: number, from: Point, to: Point, name: string): Stretch[] {
  const back = inverse(pose.placed[face]);
  const z = pose.placed[face][11];
  const [a, b] = [from, to].map((p) => apply(back, { x: p.x, y: p.y, z }));
  const within = clipSegment(a, b, faceOutline(pose.pattern, face), toleranceOf(pose.pattern));
  if (!within) return [];
  const [start, end] = within.map((t) => ({ x: a.x + t * (b.x - a.x), y: a.y + t * (b.y - a.y) }));
  return distance(start, end) > 1e-7 * pose.pattern.size ? [{ from: start, to: end, name }] : [];
}

/** The creases that border or cross the chosen faces and fulfil a condition, as stretches. */
export function creasesOf(pose: Pose, faces: readonly boolean[], which: (edge: number) => boolean): Stretch[] {
  const { vertices, edges } = pose.pattern;
  return edges.flatMap((edge, e) =>
    !isBorder(edge) && (faces[edge.left] || faces[edge.right]) && which(e)
      ? [{ from: vertices[edge.from], to: vertices[edge.to], name: edge.name }]
      : [],
  );
}
