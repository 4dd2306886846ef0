import { sideOfFace } from '../folding/layer-order';
import type { Pose } from '../folding/pose';
import type { Point3 } from '../measure/vector3';
import { apply, compose, IDENTITY, type Transform } from '../folding/transform';
import type { Point } from '../measure/point';
import { area } from '../pattern/convex';
import type { PatchSide } from './drawing';
import { project, type View } from './view';
import { dot } from '../measure/vector3';

/** A flat convex piece of the scene as the viewer sees it. */
export interface Surface {
  readonly part: number;
  readonly face: number;
  readonly side: PatchSide;
  /** Outline in picture coordinates, counter-clockwise in the mathematical sense. */
  readonly outline: readonly Point[];
  /** Distance towards the viewer as a linear function of picture coordinates: c + u·x + v·y. */
  readonly depth: readonly [number, number, number];
  /** 1 when the viewer sees the white side (or a thing's outside), -1 for the coloured side. */
  readonly facing: number;
  readonly light: number;
  readonly normal: Point3;
}

/** Paper in some pose, moved bodily, a solid thing given by its flat sides seen from outside, or a bent
 * sheet given by facets seen from its coloured side. */
export type Part =
  | { readonly kind: 'paper'; readonly pose: Pose; readonly motion?: Transform; readonly spread?: readonly Point[] }
  | { readonly kind: 'thing'; readonly sides: readonly (readonly Point3[])[] }
  | { readonly kind: 'shell'; readonly facets: readonly (readonly Point3[])[] };

const EDGE_ON = 1e-6;

const NEARER_PER_SHIFT = 0.01;

/** Where the light comes from, over the viewer's left shoulder. */
const LIGHT = { right: -0.45, up: 0.6, toward: 0.66 };

function lit(view: View, normal: Point3): number {
  const along = Math.abs(
    LIGHT.right * dot(normal, view.right) + LIGHT.up * dot(normal, view.up) + LIGHT.toward * dot(normal, view.toward),
  );
  return Math.min(1, 0.62 + 0.45 * along);
}

function surface(
  view: View,
  part: number,
  face: number,
  corners: readonly Point3[],
  normal: Point3,
  paper: boolean,
  shift: Point,
): Surface | null {
  const slant = dot(normal, view.toward);
  if (Math.abs(slant) < EDGE_ON || (!paper && slant < 0)) return null;
  const flat = corners.map((p) => {
    const q = project(view, p);
    return { x: q.x + shift.x, y: q.y + shift.y };
  });
  const outline = area(flat) < 0 ? [...flat].reverse() : flat;
  const at = corners[0];
  const start = { x: project(view, at).x + shift.x, y: project(view, at).y + shift.y };
  const u = -dot(normal, view.right) / slant;
  const v = dot(normal, view.up) / slant;
  // Layers spread apart cover strips of their neighbours: the higher one then also counts as nearer.
  const c = dot(at, view.toward) - u * start.x - v * start.y + shift.x * NEARER_PER_SHIFT;
  return {
    part,
    face,
    side: paper ? (slant > 0 ? 'white' : 'colour') : 'thing',
    outline,
    depth: [c, u, v],
    facing: Math.sign(slant),
    light: lit(view, normal),
    normal,
  };
}

const NO_SHIFT = { x: 0, y: 0 };

/** All pieces of a scene that a viewer could see, back sides of things left out. */
export function surfacesOf(parts: readonly Part[], view: View): Surface[] {
  return parts.flatMap((part, index) => {
    if (part.kind === 'thing')
      return part.sides.flatMap(
        (corners, face) => surface(view, index, face, corners, outward(corners), false, NO_SHIFT) ?? [],
      );
    if (part.kind === 'shell')
      return part.facets.flatMap((corners, face) => {
        const { x, y, z } = outward(corners);
        return surface(view, index, face, corners, { x: -x, y: -y, z: -z }, true, NO_SHIFT) ?? [];
      });
    const { pose, motion = IDENTITY, spread } = part;
    return pose.pattern.faces.flatMap((face, f) => {
      const m = compose(motion, pose.placed[f]);
      const corners = face.vertices.map((v) => apply(m, pose.pattern.vertices[v]));
      return surface(view, index, f, corners, { x: m[2], y: m[5], z: m[8] }, true, spread?.[f] ?? NO_SHIFT) ?? [];
    });
  });
}

function outward([a, b, c]: readonly Point3[]): Point3 {
  const p = { x: b.x - a.x, y: b.y - a.y, z: b.z - a.z };
  const q = { x: c.x - b.x, y: c.y - b.y, z: c.z - b.z };
  const n = { x: p.y * q.z - p.z * q.y, y: p.z * q.x - p.x * q.z, z: p.x * q.y - p.y * q.x };
  const length = Math.sqrt(dot(n, n));
  return { x: n.x / length, y: n.y / length, z: n.z / length };
}

/** 1 or -1 when the layer order says that `over` lies before or behind `under` for the viewer; 0 when it does not say. */
export function layered(parts: readonly Part[], over: Surface, under: Surface): number {
  if (over.part !== under.part) return 0;
  const part = parts[over.part];
  if (part.kind !== 'paper') return 0;
  return sideOfFace(part.pose.order, under.face, over.face) * under.facing;
}
