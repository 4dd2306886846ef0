import { isFlat, type Pose, whereIs } from '../folding/pose';
import { distance3, type Point3 } from '../folding/transform';
import type { Cavity, FormSizes, Opened } from '../forms/form';
import type { Point } from '../measure/point';
import { area } from '../pattern/convex';
import { draw } from './draw';
import type { Drawing } from './drawing';
import { skinOf, type SkinPiece } from './skin';
import { spreadLayers } from './spread-layers';
import type { Part } from './surfaces';
import { FROM_ABOVE, fromDirection, project } from './view';

/** A folded piece with what goes in and a lid that goes over, if it has one, ready to be shown. */
export interface PaperScene {
  /** Lid lifted off, contents in view. */
  readonly open: Drawing;
  readonly closed: Drawing;
  /** Surfaces for a picture that can be turned; the lid's are where it rests. */
  readonly piece: readonly SkinPiece[];
  readonly lid: readonly SkinPiece[];
  readonly contents: readonly (readonly Point3[])[];
  /** How far up the lid is drawn when it is off, in mm. */
  readonly liftMm: number;
}

export const SCENE_VIEW = fromDirection(28, 33);

/** A piece as a card shows it: flat ones from above with their layers told apart, standing ones from the side. */
export function pieceDrawing(pose: Pose): Drawing {
  if (!isFlat(pose)) return draw(pose, SCENE_VIEW);
  return draw([{ kind: 'paper', pose, spread: spreadLayers(pose, 0.0035 * pose.pattern.size) }], FROM_ABOVE);
}

/** Share of the room that the thing shown in it fills. */
const FILLED = 0.68;

/** A block on the floor of a standing piece, so that its size can be seen. */
function contentsOn(pose: Pose, floor: readonly Point[], cavity: Cavity): Point3[][] {
  const corners = floor.map((p) => whereIs(pose, p));
  const depthMm = depthOf(cavity);
  // Where the opening is narrower than the floor, the opening counts.
  const room = cavity.kind === 'box' ? Math.min(1, cavity.lengthMm / distance3(corners[0], corners[1])) : 1;
  const centre = ['x', 'y', 'z'].map(
    (axis) => corners.reduce((sum, p) => sum + p[axis as 'x' | 'y' | 'z'], 0) / corners.length,
  );
  const level = (up: number): Point3[] =>
    corners.map((p) => ({
      x: centre[0] + FILLED * room * (p.x - centre[0]),
      y: centre[1] + FILLED * room * (p.y - centre[1]),
      z: centre[2] + up * FILLED * depthMm,
    }));
  const [ring, top] = [level(0.02), level(1)].map((loop) => (area(loop) < 0 ? [...loop].reverse() : loop));
  return [top, [...ring].reverse(), ...ring.map((p, k) => [p, ring[(k + 1) % 4], top[(k + 1) % 4], top[k]])];
}

/** How high something may stand in a cavity. */
function depthOf(cavity: Cavity): number {
  return cavity.kind === 'box' ? cavity.depthMm : cavity.kind === 'hull' ? cavity.sideMm : 0;
}

/**
 * A piece in one of its lies, with something in it where it can be seen: a block on the floor, or the outline of the
 * largest flat thing in a pocket.
 * @param floor sheet points of the floor's corners
 */
export function pieceScene(pose: Pose, sizes: FormSizes, floor?: readonly Point[]): PaperScene {
  const { cavity } = sizes;
  const contents = floor && !isFlat(pose) ? contentsOn(pose, floor, cavity) : [];
  const parts: Part[] = [
    { kind: 'paper', pose },
    ...(contents.length ? [{ kind: 'thing' as const, sides: contents }] : []),
  ];
  const drawing = isFlat(pose) ? withOutline(pieceDrawing(pose), cavity) : draw(parts, SCENE_VIEW);
  return { open: drawing, closed: drawing, piece: skinOf(pose), lid: [], contents, liftMm: 0 };
}

/** Adds the outline of what a pocket holds, as an edge below other layers. */
function withOutline(drawing: Drawing, cavity: Cavity): Drawing {
  if (cavity.kind !== 'pocket') return drawing;
  const corners = cavity.corners.map((p) => project(FROM_ABOVE, p));
  return {
    ...drawing,
    lines: [
      ...drawing.lines,
      ...corners.map((from, k) => ({ kind: 'hidden' as const, from, to: corners[(k + 1) % corners.length] })),
    ],
  };
}

/** A soft piece in the shape that it has in use: coloured outside, white inside. */
export function openedScene({ vertices, triangles }: Opened): PaperScene {
  const piece = triangles.flatMap(([a, b, c]): SkinPiece[] => {
    const corners = [a, b, c].map((v) => vertices[v]);
    return [
      { corners, side: 'colour' },
      { corners: [...corners].reverse(), side: 'white' },
    ];
  });
  const facets = triangles.map((corners) => corners.map((v) => vertices[v]));
  const drawing = draw([{ kind: 'shell', facets }], SCENE_VIEW);
  return { open: drawing, closed: drawing, piece, lid: [], contents: [], liftMm: 0 };
}
