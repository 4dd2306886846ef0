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

/** How many sides a round thing is drawn with. */
const ROUND_SIDES = 14;
/** Rings of a ball from below upwards: how wide each is, and how high it lies, as shares of the diameter. */
const BALL_RINGS = [0.08, 0.25, 0.5, 0.75, 0.92].map((up) => ({ up, wide: 2 * Math.sqrt(up - up * up) }));

/** The faces of a thing in its own place: a block by its sides, a round one with many. */
function facesOf({ at, size, round }: PlacedThing): Point3[][] {
  /** About which axis it is drawn; the other two follow in turn, so that outside stays outside. */
  const axis = round === 0 || round === 1 ? round : 2;
  const [p, q] = [(axis + 1) % 3, (axis + 2) % 3];
  const circle = Array.from({ length: ROUND_SIDES }, (_, k) => (2 * Math.PI * (k + 0.5)) / ROUND_SIDES);
  const square = [5, 7, 1, 3].map((eighth) => (Math.PI * eighth) / 4);
  const ring = (around: readonly number[], wide: number, up: number): Point3[] =>
    around.map((turn) => ({
      x: at[p] + (0.5 + (wide / 2) * Math.cos(turn)) * size[p],
      y: at[q] + (0.5 + (wide / 2) * Math.sin(turn)) * size[q],
      z: at[axis] + up * size[axis],
    }));
  const inPlace = (faces: readonly Point3[][]): Point3[][] =>
    faces.map((face) =>
      face.map(({ x, y, z }) => {
        const sides = [0, 0, 0];
        [sides[p], sides[q], sides[axis]] = [x, y, z];
        return { x: sides[0], y: sides[1], z: sides[2] };
      }),
    );
  if (round === undefined) return inPlace(prism(ring(square, Math.SQRT2, 0), ring(square, Math.SQRT2, 1)));
  if (round !== 'ball') return inPlace(prism(ring(circle, 1, 0), ring(circle, 1, 1)));
  const bands = BALL_RINGS.slice(1).map(({ up, wide }, k) =>
    prism(ring(circle, BALL_RINGS[k].wide, BALL_RINGS[k].up), ring(circle, wide, up)),
  );
  // Each band has its upper and its lower face first: only the outermost are seen.
  return inPlace([bands[bands.length - 1][0], bands[0][1], ...bands.flatMap(([, , ...around]) => around)]);
}

/** The longer side of what is packed lies along the longer side of the floor, or all of it turned by its angle. */
function onFloor(floor: Floor, { box, cornerwise }: Arrangement, thing: PlacedThing): Point3[][] {
  const own = cornerwise?.of ?? box;
  const turn = (own[0] < own[1] ? -Math.PI / 2 : 0) + (cornerwise?.angle ?? 0);
  const [c, s] = [Math.cos(turn), Math.sin(turn)];
  return facesOf(thing).map((face) =>
    face.map(({ x, y, z }) => {
      const [u, v] = [x - own[0] / 2, y - own[1] / 2];
      const [along, across] = [u * c - v * s, u * s + v * c];
      return {
        x: floor.centre.x + along * floor.along.x + across * floor.across.x,
        y: floor.centre.y + along * floor.along.y + across * floor.across.y,
        z: floor.centre.z + z,
      };
    }),
  );
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
