import { isFlat, type Pose } from '../folding/pose';
import type { Point3 } from '../measure/vector3';
import type { FormSizes, Opened } from '../forms/form';
import type { Room } from '../purpose/demand';
import { roomKindById } from '../rooms/all-rooms';
import type { Point } from '../measure/point';
import { blockOn, flatContents, surfaceIn } from './contents';
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
  /** Surfaces for a picture that can be turned. */
  readonly piece: readonly SkinPiece[];
  /** What can be lifted off or out: a lid, inner trays. */
  readonly lifted: readonly LiftedPart[];
  readonly contents: readonly (readonly Point3[])[];
}

/** A part of a scene where it rests, and how far up it is drawn when it is lifted, in mm. */
export interface LiftedPart {
  readonly skin: readonly SkinPiece[];
  readonly liftMm: number;
}

export const SCENE_VIEW = fromDirection(28, 33);

/** A piece as a card shows it: flat ones from above with their layers told apart, standing ones from the side. */
export function pieceDrawing(pose: Pose): Drawing {
  if (!isFlat(pose)) return draw(pose, SCENE_VIEW);
  return draw([{ kind: 'paper', pose, spread: spreadLayers(pose, 0.0035 * pose.pattern.size) }], FROM_ABOVE);
}

/**
 * A piece in one of its states, with what it holds where that can be seen: a block on the floor, the largest flat thing of
 * a pocket held over it, a page in the corner that marks it.
 * @param floor sheet points of the floor's corners
 */
export function pieceScene(pose: Pose, sizes: FormSizes, floor?: readonly Point[]): PaperScene {
  const [room] = sizes.rooms;
  const flat = isFlat(pose);
  const contents = flat ? flatContents(room) : floor ? blockOn(pose, floor, room) : [];
  const parts: Part[] = [
    { kind: 'paper', pose },
    ...(contents.length ? [{ kind: 'thing' as const, sides: contents }] : []),
  ];
  const drawing = flat ? withOutline(pieceDrawing(pose), room) : draw(parts, SCENE_VIEW);
  return { open: drawing, closed: drawing, piece: skinOf(pose), lifted: [], contents };
}

/** Adds the outline of what lies in it, as an edge below other layers. */
function withOutline(drawing: Drawing, room: Room): Drawing {
  const outline = roomKindById(room.kind).outline?.(room);
  if (!outline) return drawing;
  const corners = outline.map((p) => project(FROM_ABOVE, p));
  return {
    ...drawing,
    lines: [
      ...drawing.lines,
      ...corners.map((from, k) => ({ kind: 'hidden' as const, from, to: corners[(k + 1) % corners.length] })),
    ],
  };
}

/** A soft piece in the shape that it has in use: coloured outside, white inside, filled as far as it says. */
export function openedScene({ vertices, triangles, shownMl }: Opened): PaperScene {
  const piece = triangles.flatMap(([a, b, c]): SkinPiece[] => {
    const corners = [a, b, c].map((v) => vertices[v]);
    return [
      { corners, side: 'colour' },
      { corners: [...corners].reverse(), side: 'white' },
    ];
  });
  const facets = triangles.map((corners) => corners.map((v) => vertices[v]));
  const contents = [surfaceIn(facets, 1000 * shownMl)];
  const drawing = draw(
    [
      { kind: 'shell', facets },
      { kind: 'thing', sides: contents },
    ],
    SCENE_VIEW,
  );
  return { open: drawing, closed: drawing, piece, lifted: [], contents };
}
