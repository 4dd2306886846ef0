import { sideOfFace } from '../folding/layer-order';
import { outlineInFrameOf } from '../folding/overlaps';
import type { Pose } from '../folding/pose';
import { apply } from '../folding/transform';
import type { Point } from '../measure/point';
import { cross, dot, minus, type Point3, scaledBy, unitOf } from '../measure/vector3';
import { area, type Convex, intersect, middle, subtract } from '../pattern/convex';
import { faceOutline } from '../pattern/crease-pattern';
import { unionOutline } from './union-outline';

export type SheetSide = 'white' | 'coloured';

/** A stretch of sheet that shows on a face of the piece. */
export interface ShownPart {
  readonly side: SheetSide;
  /** On the open sheet, x right, y up, in mm, as seen from the white side; counter-clockwise. */
  readonly outline: readonly Point[];
  /** How far the sheet's up has turned on the face, seen from outside, counter-clockwise, in degrees. */
  readonly turnDeg: number;
}

/** A flat face of a folded piece, as it is seen from outside it. */
export interface ShownFace {
  /** Where it looks. */
  readonly normal: Point3;
  /** The picture's right and up on it, in space. */
  readonly right: Point3;
  readonly up: Point3;
  readonly widthMm: number;
  readonly heightMm: number;
  readonly areaMm2: number;
  readonly parts: readonly ShownPart[];
  /** Faces of the pattern and their sides that it is made of, for pictures. */
  readonly of: readonly { readonly face: number; readonly side: SheetSide }[];
}

/** Directions closer than this are one, and planes that lie nearer, as a share of the sheet. */
const SAME_DIRECTION = 1e-6;
const SAME_PLANE = 1e-5;

/** What shows less than this share of the sheet is a sliver at a crease. */
const LEAST_SHARE = 1e-5;

interface Piece {
  readonly face: number;
  readonly side: SheetSide;
  readonly regions: readonly Convex[];
  readonly normal: Point3;
  readonly at: Point3;
}

/** What of a face no layer lies against, on one side of it, in sheet coordinates. */
function uncovered({ pattern, placed, order }: Pose, face: number, side: 1 | -1): readonly Convex[] {
  const smallest = LEAST_SHARE * 1e-2 * pattern.size * pattern.size;
  let open: Convex[] = [faceOutline(pattern, face)];
  pattern.faces.forEach((_, other) => {
    if (other === face || sideOfFace(order, face, other) !== side) return;
    const over = outlineInFrameOf(pattern, placed, face, other);
    open = open.flatMap((piece) =>
      area(intersect(over, piece)) > smallest ? subtract(piece, intersect(over, piece), smallest) : [piece],
    );
  });
  return open.filter((piece) => area(piece) > smallest);
}

/**
 * Every face of a folded piece that shows, and where on which side of the sheet it lies, read off the folded layers: what no
 * layer lies against, taken together plane by plane. The largest first. Inside faces count: they show when it is open.
 */
export function shownFaces(pose: Pose): readonly ShownFace[] {
  const { pattern, placed } = pose;
  const pieces = pattern.faces.flatMap((_, face) =>
    ([1, -1] as const).flatMap((sign): Piece[] => {
      const regions = uncovered(pose, face, sign);
      if (!regions.length) return [];
      const m = placed[face];
      const normal = scaledBy({ x: m[2], y: m[5], z: m[8] }, sign);
      const at = apply(m, middle(regions[0]));
      return [{ face, side: sign > 0 ? 'white' : 'coloured', regions, normal, at }];
    }),
  );
  const planes: Piece[][] = [];
  for (const piece of pieces) {
    const same = planes.find(([first]) => inOnePlane(first, piece, pattern.size));
    if (same) same.push(piece);
    else planes.push([piece]);
  }
  const least = LEAST_SHARE * pattern.size * pattern.size;
  return planes
    .map((plane) => faceOf(pose, plane))
    .filter(({ areaMm2 }) => areaMm2 > least)
    .sort((a, b) => b.areaMm2 - a.areaMm2);
}

const inOnePlane = (a: Piece, b: Piece, size: number): boolean =>
  dot(a.normal, b.normal) > 1 - SAME_DIRECTION && Math.abs(dot(a.normal, minus(b.at, a.at))) < SAME_PLANE * size;

/** Up on a face as who looks at it has it: away from the table, and on a level face away from the body. */
function frameOf(normal: Point3): Pick<ShownFace, 'right' | 'up'> {
  const upright = Math.abs(normal.z) < 1 - 1e-4;
  const wanted = upright ? { x: 0, y: 0, z: 1 } : { x: 0, y: 1, z: 0 };
  const up = unitOf(minus(wanted, scaledBy(normal, dot(wanted, normal))));
  return { up, right: cross(up, normal) };
}

function faceOf({ pattern, placed }: Pose, plane: readonly Piece[]): ShownFace {
  const [{ normal }] = plane;
  const { right, up } = frameOf(normal);
  const corners = plane.flatMap(({ face, regions }) => regions.flat().map((p) => apply(placed[face], p)));
  const span = (along: Point3): number => {
    const values = corners.map((p) => dot(p, along));
    return Math.max(...values) - Math.min(...values);
  };
  // Sheet that hangs together and lies the same way on the face is one part.
  const groups = new Map<string, { readonly side: SheetSide; readonly turnDeg: number; readonly regions: Convex[] }>();
  for (const { face, side, regions } of plane) {
    const m = placed[face];
    const sheetUp = { x: m[1], y: m[4], z: m[7] };
    const turnDeg = (Math.atan2(-dot(sheetUp, right), dot(sheetUp, up)) * 180) / Math.PI;
    const key = `${side} ${Math.round(turnDeg * 100) % 36_000} ${offsetOf(m, right, up, pattern.size)}`;
    const known = groups.get(key);
    if (known) known.regions.push(...regions);
    else groups.set(key, { side, turnDeg: Math.abs(turnDeg) < 1e-9 ? 0 : turnDeg, regions: [...regions] });
  }
  const parts = [...groups.values()].flatMap(({ side, turnDeg, regions }) =>
    unionOutline(regions, 1e-6 * pattern.size).map((outline): ShownPart => ({ side, turnDeg, outline })),
  );
  return {
    ...{ normal, right, up, parts },
    ...{ widthMm: span(right), heightMm: span(up) },
    areaMm2: plane.reduce((sum, { regions }) => sum + regions.reduce((all, one) => all + area(one), 0), 0),
    of: plane.map(({ face, side }) => ({ face, side })),
  };
}

/** Where the sheet's corner would lie on the face: the same for all of it that lies as if it were not folded in between. */
function offsetOf(m: readonly number[], right: Point3, up: Point3, size: number): string {
  const origin = { x: m[9], y: m[10], z: m[11] };
  return [right, up].map((along) => Math.round((1e5 * dot(origin, along)) / size)).join();
}
