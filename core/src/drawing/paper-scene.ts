import { isFlat, type Pose } from '../folding/pose';
import type { Point3 } from '../folding/transform';
import type { Opened } from '../forms/form';
import type { Made } from '../forms/make';
import { draw } from './draw';
import type { Drawing } from './drawing';
import { skinOf, type SkinPiece } from './skin';
import { spreadLayers } from './spread-layers';
import type { Part } from './surfaces';
import { FROM_ABOVE, fromDirection } from './view';

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
const FILLED = 0.62;

/** Something that stands in a piece, so that its size can be seen: in boats, a block on the floor. */
function contentsOf({ sizes, folding }: Made): Point3[][] {
  const { cavity } = sizes;
  if (cavity.kind !== 'hull') return [];
  const corners = folding.finished.pattern.faces.flatMap((face, f) =>
    Math.abs(folding.finished.placed[f][8]) > 1 - 1e-9
      ? face.vertices.map((v) => {
          const { x, y } = folding.finished.pattern.vertices[v];
          const m = folding.finished.placed[f];
          return { x: m[0] * x + m[1] * y + m[9], y: m[3] * x + m[4] * y + m[10], z: m[6] * x + m[7] * y + m[11] };
        })
      : [],
  );
  const mean = (axis: 'x' | 'y' | 'z'): number => {
    const values = corners.map((p) => p[axis]);
    return (Math.min(...values) + Math.max(...values)) / 2;
  };
  return block(
    { x: mean('x'), y: mean('y'), z: Math.min(...corners.map((p) => p.z)) },
    // The boat lies along y.
    [FILLED * cavity.floorWidthMm, FILLED * 0.6 * cavity.floorLengthMm, FILLED * cavity.sideMm],
  );
}

function block({ x, y, z }: Point3, [width, length, height]: readonly [number, number, number]): Point3[][] {
  const at = (sx: number, sy: number, up: number): Point3 => ({
    x: x + (sx * width) / 2,
    y: y + (sy * length) / 2,
    z: z + 0.02 * height + up * height,
  });
  const ring = [at(-1, -1, 0), at(1, -1, 0), at(1, 1, 0), at(-1, 1, 0)];
  const top = [at(-1, -1, 1), at(1, -1, 1), at(1, 1, 1), at(-1, 1, 1)];
  return [top, [...ring].reverse(), ...ring.map((p, i) => [p, ring[(i + 1) % 4], top[(i + 1) % 4], top[i]])];
}

/** A made piece on its own. */
export function pieceScene(made: Made): PaperScene {
  const { finished } = made.folding;
  const contents = contentsOf(made);
  const parts: Part[] = [
    { kind: 'paper', pose: finished },
    ...(contents.length ? [{ kind: 'thing' as const, sides: contents }] : []),
  ];
  const drawing = isFlat(finished) ? pieceDrawing(finished) : draw(parts, SCENE_VIEW);
  return { open: drawing, closed: drawing, piece: skinOf(finished), lid: [], contents, liftMm: 0 };
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
