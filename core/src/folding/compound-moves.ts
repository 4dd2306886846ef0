import { joined } from '../pattern/plates';
import {
  between,
  crossing,
  distance,
  type Line,
  lineThrough,
  type Point,
  reflect,
  reversed,
  sideOf,
} from '../measure/point';
import { contains } from '../pattern/convex';
import { faceOutline, isBorder, toleranceOf } from '../pattern/crease-pattern';
import type { Stretch } from '../pattern/crease-stretches';
import { edgesOn } from './collapse';
import { creaseFlap, isOnLine } from './crease-flap';
import { FoldRefused } from './fold-refused';
import { sideOfFace } from './layer-order';
import { creasesOf, flapFaces, onLayers } from './on-layers';
import { faceAt, isFlat, type Pose, whereIs } from './pose';
import type { Rework, Reworked } from './rework';
import { heldBy, heldFlat } from './roots';
import { settle } from './settle';
import type { Point3 } from '../measure/vector3';
import { apply } from './transform';

const FAR = 4;

const along = ({ at, along: d }: Line, t: number): Point => ({ x: at.x + t * d.x, y: at.y + t * d.y });

const withOnLeft = (line: Line, p: Point): Line => (sideOf(line, p) > 0 ? line : reversed(line));

/** The table line of the fold that a sheet point lies on. */
function foldAt(pose: Pose, p: Point): Line {
  const { pattern } = pose;
  const near = 1e3 * toleranceOf(pattern);
  const edge = pattern.edges.findIndex((e, k) => {
    if (isBorder(e) || Math.abs(pose.angles[k]) !== 180) return false;
    const [a, b] = [pattern.vertices[e.from], pattern.vertices[e.to]];
    return (
      Math.abs(sideOf(lineThrough(a, b), p)) <= near &&
      Math.abs(distance(a, p) + distance(p, b) - distance(a, b)) <= near
    );
  });
  if (edge < 0) throw new FoldRefused('unknown-mark', `(${p.x}, ${p.y}) does not lie on a folded edge.`);
  const { from, to, left } = pattern.edges[edge];
  const [a, b] = [from, to].map((v) => apply(pose.placed[left], pattern.vertices[v]));
  return lineThrough(a, b);
}

export interface Squash {
  /** A sheet point on the folded edge that is opened and pressed flat. */
  readonly ridge: Point;
  /** Where it comes to lie: a table line. The flap hinges on it. */
  readonly onto: Line;
  readonly name: string;
}

/** Opens a flap's folded edge and presses it flat so that the edge comes to lie on the line that the flap hinges on. */
export function squash(pose: Pose, { ridge, onto, name }: Squash): Rework {
  const fold = foldAt(pose, ridge);
  const corner = crossing(fold, onto);
  if (!corner) throw new FoldRefused('ambiguous', 'The folded edge never meets the line that it should lie on.');
  const tip = whereIs(pose, ridge);
  const faces = platesAt(pose, ridge);
  const reach = distance(corner, tip);
  // Of the line's two rays, the one on the side where the flap's paper lies between it and the folded edge.
  const ray = [1, -1]
    .map((sign) => along({ at: corner, along: onto.along }, sign * reach))
    .find((p) => paperBetween(pose, faces, corner, between(tip, p)));
  if (!ray) throw new FoldRefused('no-paper', 'There is no flap between the folded edge and that line.');
  const halfway = lineThrough(corner, between(tip, ray));
  const opens = creasesOf(pose, faces, (e) => isOnLine(pose, e, fold));
  const creases = [
    ...onLayers(pose, faces, corner, along(halfway, FAR * pose.pattern.size), name),
    ...opens,
    ...creasesOf(pose, faces, (e) => isOnLine(pose, e, onto)),
  ];
  const stays = stayingPoint(pose, faces);
  return { creases, opens, lands: [{ point: ridge, at: reflect(halfway, tip) }], stays };
}

/** The two flat pieces of paper that meet in a folded edge. */
function platesAt(pose: Pose, ridge: Point): boolean[] {
  const { pattern } = pose;
  const beside = pattern.faces.flatMap((_, f) =>
    contains(faceOutline(pattern, f), ridge, 1e3 * toleranceOf(pattern)) ? [f] : [],
  );
  return joined(pattern, beside, (e) => pose.angles[e] === 0);
}

/** Whether some chosen face lies over the way from a corner to a point. */
function paperBetween(pose: Pose, faces: readonly boolean[], corner: Point, p: Point): boolean {
  return onLayers(pose, faces, between(corner, p, 0.05), between(corner, p, 0.5), '').length > 0;
}

/** The middle of a face that is not among the chosen. */
function stayingPoint(pose: Pose, faces: readonly boolean[]): Point {
  const face = faces.indexOf(false);
  if (face < 0) throw new FoldRefused('no-paper', 'All of the paper would move: nothing stays to fold against.');
  const loop = pose.pattern.faces[face].vertices.map((v) => pose.pattern.vertices[v]);
  return {
    x: loop.reduce((sum, p) => sum + p.x, 0) / loop.length,
    y: loop.reduce((sum, p) => sum + p.y, 0) / loop.length,
  };
}

export interface RabbitEar {
  /** A sheet point of the flap: all its layers take part. */
  readonly flap: Point;
  /** Table corners of the triangle: the ends of the side that stays, then the corner that becomes the ear. */
  readonly corners: readonly [Point, Point, Point];
  /** Which end of the staying side the ear points to. */
  readonly towards: 0 | 1;
  /** A sheet point that stays where it is. */
  readonly stays: Point;
  readonly name: string;
}

/** Folds both sides of a triangle onto its third at once; the corner between them stands up as an ear and is laid down. */
export function rabbitEar(pose: Pose, { flap, corners: [a, b, c], towards, stays, name }: RabbitEar): Rework {
  const [ab, bc, ca] = [distance(a, b), distance(b, c), distance(c, a)];
  const round = ab + bc + ca;
  const inner: Point = {
    x: (bc * a.x + ca * b.x + ab * c.x) / round,
    y: (bc * a.y + ca * b.y + ab * c.y) / round,
  };
  // The side over which the ear lies down is creased square from the middle of the inscribed circle.
  const [kept, other, length] = towards === 0 ? ([b, a, ca] as const) : ([a, b, bc] as const);
  const foot = between(c, kept, (round / 2 - ab) / distance(c, kept));
  const faces = flapFaces(pose, withOnLeft(lineThrough(a, b), c), flap);
  const creases = [a, b, c, foot].flatMap((end) => onLayers(pose, faces, inner, end, name));
  const tips = cornerPoints(pose, faces, c);
  if (!tips.length) throw new FoldRefused('no-paper', 'The flap has no corner there.');
  return { creases, lands: tips.map((point) => ({ point, at: between(other, kept, length / ab) })), stays };
}

/** The sheet vertices of chosen faces that lie at a table point. */
function cornerPoints(pose: Pose, faces: readonly boolean[], at: Point): Point[] {
  const found = new Set<number>();
  pose.pattern.faces.forEach((face, f) => {
    if (!faces[f]) return;
    for (const v of face.vertices)
      if (distance(apply(pose.placed[f], pose.pattern.vertices[v]), at) <= 1e3 * toleranceOf(pose.pattern))
        found.add(v);
  });
  return [...found].map((v) => pose.pattern.vertices[v]);
}

export interface Petal {
  /** The sheet point at the flap's tip, which is lifted. */
  readonly tip: Point;
  /** Table line about which the tip is lifted. */
  readonly hinge: Line;
  /** Table lines along which the flap's two sides fold in. */
  readonly sides: readonly [Line, Line];
  readonly name: string;
}

/**
 * Lifts the tip of the uppermost layer over a hinge while both its sides come in to the middle: the folded edges at its
 * sides open beyond the hinge, and the layers behind them fold in along the same lines.
 */
export function petal(pose: Pose, { tip, hinge, sides, name }: Petal): Rework {
  const at: Point3 = whereIs(pose, tip);
  const [left, right] = sides.map((side) => crossing(side, hinge));
  if (!left || !right) throw new FoldRefused('ambiguous', 'The sides of a petal must meet its hinge.');
  const own = joined(pose.pattern, [faceAt(pose.pattern, tip)], (e) => pose.angles[e] === 0);
  const beyond = withOnLeft(hinge, at);
  const isOver = (e: number): boolean => {
    const { from, to, left: face } = pose.pattern.edges[e];
    return [from, to].some((v) => sideOf(beyond, apply(pose.placed[face], pose.pattern.vertices[v])) > 1e-6);
  };
  const ridges = creasesOf(pose, own, (e) => Math.abs(pose.angles[e]) === 180 && isOver(e));
  const wings = joined(
    pose.pattern,
    own.flatMap((is, f) => (is ? [f] : [])),
    (e) => pose.angles[e] === 0 || (isOver(e) && own[pose.pattern.edges[e].left] !== own[pose.pattern.edges[e].right]),
  );
  const folds = [left, right].flatMap((end) => onLayers(pose, wings, end, at, name));
  const creases = [...onLayers(pose, own, left, right, name), ...folds, ...ridges];
  return { creases, lands: [{ point: tip, at: reflect(hinge, at) }], stays: stayingPoint(pose, wings) };
}

export interface Sink {
  /** Fold line on the table, the point that is pushed in on its left. */
  readonly line: Line;
  /** A sheet point beyond the line, on the point that is pushed in. */
  readonly flap: Point;
  readonly name: string;
}

/**
 * Pushes a closed point in between its own layers: everything beyond the line is mirrored in it, and all layers crease the
 * same way along it, towards the inside.
 */
export function sink(start: Pose, { line, flap, name }: Sink): Reworked {
  if (!isFlat(start)) throw new FoldRefused('ambiguous', 'This fold is made on the table, with the paper flat.');
  const { before, split, moving } = creaseFlap(start, line, { flap }, name);
  const { pattern, order } = before;
  const ring = pattern.edges.flatMap((edge, e) => {
    if (isBorder(edge) || moving[edge.left] === moving[edge.right]) return [];
    if (!isOnLine(before, e, line))
      throw new FoldRefused('tears', `The paper would tear along “${edge.name}”.`, [edge.left, edge.right]);
    return [e];
  });
  // The outermost layer of what stays has all others on the inside of the point.
  const inside = new Set(
    ring.map((e) => {
      const { left, right } = pattern.edges[e];
      const stays = moving[left] ? right : left;
      const sides = new Set(
        ring.map((o) => {
          const { left: l, right: r } = pattern.edges[o];
          return sideOfFace(order, stays, moving[l] ? r : l);
        }),
      );
      sides.delete(0);
      return sides.size === 1 ? [...sides][0] : 0;
    }),
  );
  inside.delete(0);
  if (inside.size !== 1)
    throw new FoldRefused('ambiguous', 'The point has no inside to be pushed into: it needs layers on two sides.');
  const [side] = inside;
  const angles = before.angles.map((angle, e) => (ring.includes(e) ? 180 * side : angle));
  const eitherWay = new Set(
    pattern.edges.flatMap((edge, e) => (moving[edge.left] && moving[edge.right] && angles[e] ? [e] : [])),
  );
  const pose = settle({ ...before, angles, ...heldFlat(before, moving) }, { from: before, eitherWay });
  return { split, before, pose };
}

/** What lies inside comes outside. */
export interface TurnInsideOut {
  /** The creases that snap through, in sheet coordinates; all folded creases when none are named. */
  readonly creases?: readonly Pick<Stretch, 'from' | 'to'>[];
  readonly stays: Point;
}

/**
 * Turns a closed piece inside out: creases snap through to the other sign. The paper bends while it goes through; what is
 * proved is that both ends of the way are valid folded states.
 */
export function turnInsideOut(pose: Pose, { creases, stays }: TurnInsideOut): Pose {
  const { pattern } = pose;
  const turned = new Set(creases ? creases.flatMap((stretch) => edgesOn(pattern, stretch)) : pattern.edges.keys());
  if (![...turned].some((e) => pose.angles[e] !== 0))
    throw new FoldRefused('unknown-mark', 'No folded crease is there to snap through.');
  const angles = pose.angles.map((angle, e) => (turned.has(e) ? -angle || 0 : angle));
  return settle({ ...pose, angles, ...heldBy(pose, faceAt(pattern, stays)) }, { from: pose });
}
