import { isFlat, type Pose, whereIs } from '../folding/pose';
import { distance3, type Point3 } from '../measure/vector3';
import type { Arrangement, PlacedThing } from '../bodies/arrange';
import type { Room } from '../purpose/demand';
import { roomKindById } from '../rooms/all-rooms';
import { prism } from '../rooms/prism';
import type { Point } from '../measure/point';
import { draw } from './draw';
import type { Drawing } from './drawing';
import { pieceDrawing, SCENE_VIEW } from './paper-scene';
import { FROM_ABOVE, project } from './view';

interface Floor {
  readonly centre: Point3;
  /** Unit directions along its longer and its shorter side. */
  readonly along: Point3;
  readonly across: Point3;
}

function floorOf(pose: Pose, corners: readonly Point[]): Floor {
  const [a, b, c] = corners.map((p) => whereIs(pose, p));
  const d = whereIs(pose, corners[3]);
  const unit = (p: Point3, q: Point3): Point3 => {
    const length = distance3(p, q);
    return { x: (q.x - p.x) / length, y: (q.y - p.y) / length, z: 0 };
  };
  const longer = distance3(a, b) >= distance3(b, c);
  return {
    centre: { x: (a.x + b.x + c.x + d.x) / 4, y: (a.y + b.y + c.y + d.y) / 4, z: (a.z + b.z + c.z + d.z) / 4 },
    along: longer ? unit(a, b) : unit(b, c),
    across: longer ? unit(b, c) : unit(a, b),
  };
}

/** The longer side of what is packed lies along the longer side of the floor. */
function onFloor(floor: Floor, { box }: Arrangement, { at, size }: PlacedThing): Point3[][] {
  const turned = box[0] < box[1];
  const corner = (i: number, j: number, up: number): Point3 => {
    const [u, v] = [at[0] + i * size[0] - box[0] / 2, at[1] + j * size[1] - box[1] / 2];
    const [s, t] = turned ? [v, -u] : [u, v];
    return {
      x: floor.centre.x + s * floor.along.x + t * floor.across.x,
      y: floor.centre.y + s * floor.along.y + t * floor.across.y,
      z: floor.centre.z + at[2] + up * size[2],
    };
  };
  const ring = (up: number): Point3[] => [corner(0, 0, up), corner(1, 0, up), corner(1, 1, up), corner(0, 1, up)];
  return prism(ring(0), ring(1));
}

/** The very things of an arrangement as they stand on the floor of a piece, each by its sides. */
export function contentsOn(pose: Pose, floor: readonly Point[], arrangement: Arrangement): Point3[][][] {
  const base = floorOf(pose, floor);
  return arrangement.placements.map((thing) => onFloor(base, arrangement, thing));
}

/** A piece with the very things in it that it was sized for, at scale. */
export function answerDrawing(
  pose: Pose,
  room: Room,
  floor: readonly Point[] | undefined,
  arrangement: Arrangement | null,
): Drawing {
  if (!isFlat(pose)) {
    const things = floor && arrangement ? contentsOn(pose, floor, arrangement) : [];
    return draw([{ kind: 'paper', pose }, ...things.map((sides) => ({ kind: 'thing' as const, sides }))], SCENE_VIEW);
  }
  const drawing = pieceDrawing(pose);
  const lying = arrangement && roomKindById(room.kind).lying?.(room, arrangement);
  const outlines = (lying ?? []).flatMap((outline) => {
    const corners = outline.map((p) => project(FROM_ABOVE, p));
    return corners.map((from, k) => ({ kind: 'hidden' as const, from, to: corners[(k + 1) % corners.length] }));
  });
  return { ...drawing, lines: [...drawing.lines, ...outlines] };
}
