import { type Assembly, type Body, isSoft, liftsOf } from '../assembly/assembly';
import { type BodyRef, bodyKey } from '../assembly/joint';
import { apply } from '../folding/transform';
import type { Point3 } from '../measure/vector3';
import { draw } from './draw';
import type { Drawing } from './drawing';
import { type PaperScene, SCENE_VIEW as VIEW } from './paper-scene';
import { skinOf, type SkinPiece } from './skin';
import type { Part } from './surfaces';

const partOf = ({ shape, motion }: Body): Part =>
  isSoft(shape)
    ? {
        kind: 'shell',
        facets: shape.triangles.map((corners) => corners.map((v) => apply(motion, shape.vertices[v]))),
      }
    : { kind: 'paper', pose: shape, motion };

/** What lies in a body, by its sides where that body was folded. */
export interface BodyContents {
  readonly in: BodyRef;
  readonly sides: readonly (readonly Point3[])[];
}

/** An assembly closed, and open with what goes in. */
export function assemblyScene({ states }: Assembly, contents?: BodyContents): PaperScene {
  const { closed, open = closed } = states;
  const sidesIn = (bodies: readonly Body[]): readonly (readonly Point3[])[] => {
    const holder = contents && bodies.find(({ ref }) => bodyKey(ref) === bodyKey(contents.in));
    return holder ? contents.sides.map((side) => side.map((p) => apply(holder.motion, p))) : [];
  };
  const drawn = (bodies: readonly Body[]): Drawing => {
    const sides = sidesIn(bodies);
    const drawing = draw([...bodies.map(partOf), ...(sides.length ? [{ kind: 'thing' as const, sides }] : [])], VIEW);
    const patches = drawing.patches.map((patch) =>
      patch.side === 'thing' ? patch : { ...patch, of: bodies[patch.part].ref },
    );
    return { ...drawing, patches };
  };
  const lifts = liftsOf(states);
  const skins = closed.flatMap(({ ref, shape, motion }) =>
    isSoft(shape)
      ? []
      : [
          {
            liftMm: lifts.get(bodyKey(ref)) ?? 0,
            skin: skinOf(shape, motion).map((piece): SkinPiece => ({ ...piece, of: ref })),
          },
        ],
  );
  return {
    open: drawn(open),
    closed: drawn(closed),
    piece: skins.flatMap(({ skin, liftMm }) => (liftMm > 0 ? [] : skin)),
    lifted: skins.filter(({ liftMm }) => liftMm > 0),
    contents: sidesIn(closed),
  };
}
