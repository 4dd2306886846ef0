import type { Assembly, AssemblyStep, Body } from '../../assembly/assembly';
import type { BodyRef, Joint } from '../../assembly/joint';
import { whereIs } from '../../folding/pose';
import { apply, compose, IDENTITY, type Transform } from '../../folding/transform';
import { cross, distance3, lengthOf, minus, onWay, type Point3, scaledBy, unitOf } from '../../measure/vector3';
import { squareFrame } from '../at-hand';
import type { MadeEntry } from '../form';
import { groupsOf, type SixTubeTidyParams, unitKey } from './frame';

/** How far the card lies beneath the tubes, as a share of their height. */
const UNDER_SHARE = 1e-3;

const shifted = ({ x, y, z }: Point3): Transform => [...IDENTITY.slice(0, 9), x, y, z];

/** A turn about the upright, in sixths. */
function sixths(k: number): Transform {
  const [c, s] = [Math.cos((k * Math.PI) / 3), Math.sin((k * Math.PI) / 3)];
  return [c, -s, 0, s, c, 0, 0, 0, 1, 0, 0, 0];
}

/** Where the copies of each colour stand: the entry and the copy at every place of the ring. */
function placesOf(params: SixTubeTidyParams): readonly BodyRef[] {
  const places: BodyRef[] = [];
  groupsOf(params).forEach((group, g) => group.forEach((place, copy) => (places[place] = { entry: unitKey(g), copy })));
  return places;
}

/** Units round their common edge, each glued to the one before it; strips in their windows, and the card beneath. */
export function assembleTidy(made: ReadonlyMap<string, MadeEntry>, params: SixTubeTidyParams): Assembly {
  const places = placesOf(params);
  const motionOf = (ref: BodyRef, place: number): Transform => {
    const { folding, sheet } = made.get(ref.entry)!;
    const { on } = squareFrame(sheet);
    // The ring's middle is the edge opposite the window.
    const middle = whereIs(folding.finished, on(0.25, 0.5));
    return compose(sixths(place), shifted({ x: -middle.x, y: -middle.y, z: 0 }));
  };
  const units = places.map((ref, place): Body => ({
    ref,
    shape: made.get(ref.entry)!.folding.finished,
    motion: motionOf(ref, place),
  }));
  const strips = units.flatMap((unit, k) => stripIn(made, unit, k));
  /** A spot on the flap of the wall before or after the ring's middle edge. */
  const wall = (ref: BodyRef, y: number) => {
    const { on } = squareFrame(made.get(ref.entry)!.sheet);
    return { body: ref, at: on(0.15, y), side: 'coloured' as const };
  };
  const glued = (a: BodyRef, b: BodyRef): Joint => ({ kind: 'glued', a: wall(a, 0.6), b: wall(b, 0.4) });
  const joints = units.slice(1).map(({ ref }, k) => glued(units[k].ref, ref));
  if (units.length === 6) joints.push(glued(units[5].ref, units[0].ref));
  const steps = units.slice(1).map((_, k): AssemblyStep => {
    const last = k === units.length - 2;
    const before = units.slice(0, k + 2);
    return {
      id: `unit-${k + 2}-to-the-ring`,
      title: last && units.length === 6 ? 'The last unit closes the ring' : `Unit ${k + 2} to unit ${k + 1}`,
      words:
        last && units.length === 6
          ? 'Glue both its walls without a window. Slide it in from above, all edges flush, and hold a band round the ring until it is dry.'
          : 'Glue one of its walls without a window, lay it wall to wall with the one before, all edges flush, windows outwards, and press until it holds.',
      puts: before.map(({ ref: own, shape, motion }) => ({ ref: own, pose: shape as never, motion })),
      joints: joints.filter(
        (joint) =>
          joint.kind === 'glued' &&
          [joint.a, joint.b].every(({ body }) =>
            before.some(({ ref: own }) => own.entry === body.entry && own.copy === body.copy),
          ),
      ),
    };
  });
  const card = cardUnder(made, units);
  const closed = [...units, ...strips.map(({ body }) => body), ...card];
  const all = [...joints, ...strips.map(({ joint }) => joint)];
  const puts = closed.map(({ ref: own, shape, motion }) => ({ ref: own, pose: shape as never, motion }));
  const last = (id: string, title: string, words: string): AssemblyStep => ({ id, title, words, puts, joints: all });
  if (strips.length)
    steps.push(
      last(
        'strips-in',
        'A strip into each window',
        'Bow a strip a little and slide it from its window in between the wall and the flaps, first one end and then the other, until the same shows on both sides.',
      ),
    );
  if (card.length)
    steps.push(
      last(
        'card-beneath',
        'The card beneath',
        'Put a thin line of glue round the lower rims, set the ring on the middle of the card and leave it standing until it is dry.',
      ),
    );
  steps.push(
    last(
      'use',
      'Fill it and lift it',
      `Share out what stands in it over all tubes, long things opposite each other: all on one side it tips sooner. Lift it with both hands round the ring, never by one wall${
        card.length ? '' : '; what stands in it stays on the table'
      }. A joint that opens is glued again and pressed until it holds.`,
    ),
  );
  return { states: { closed }, joints: all, steps };
}

/** Axes as a motion: where the sheet's own axes come to point, and its origin to lie. */
const onAxes = (x: Point3, y: Point3, at: Point3): Transform => {
  const z = cross(x, y);
  return [x.x, y.x, z.x, x.y, y.y, z.y, x.z, y.z, z.z, at.x, at.y, at.z];
};

/** The strip of a unit, in the end that is pushed in: between its back and its flaps, in the middle of the wall. */
function stripIn(
  made: ReadonlyMap<string, MadeEntry>,
  { ref, motion }: Body,
  copy: number,
): { readonly body: Body; readonly joint: Joint }[] {
  const strip = made.get('strip');
  if (!strip) return [];
  const { folding, sheet } = made.get(ref.entry)!;
  const { on } = squareFrame(sheet);
  const at = (x: number, y: number): Point3 => apply(motion, whereIs(folding.finished, on(x, y)));
  const [foot, top, raw] = [at(0.25, 0.25), at(0.75, 0.25), at(0.5, 0)];
  const [long, wide] = (['x', 'y'] as const).map((axis) => Math.max(...strip.sheet.outline.map((p) => p[axis])));
  const across = minus(raw, onWay(foot, top, 0.5));
  const [x, y] = [unitOf(minus(top, foot)), unitOf(across)];
  const [gapX, gapY] = [(distance3(foot, top) - long) / 2, (lengthOf(across) - wide) / 2];
  const corner = [scaledBy(x, gapX), scaledBy(y, gapY)].reduce((p, q) => minus(p, scaledBy(q, -1)), foot);
  const own: BodyRef = { entry: 'strip', copy };
  return [
    {
      body: { ref: own, shape: strip.folding.finished, motion: onAxes(x, y, corner) },
      joint: {
        kind: 'tucked-into',
        tab: { body: own, at: { x: 0.3 * long, y: wide / 2 } },
        between: [
          { body: ref, at: on(0.4, 0.12), side: 'white' },
          { body: ref, at: on(0.2, 0.2), side: 'white' },
        ],
      },
    },
  ];
}

/** The card under the ring, its corners under those of the tubes. */
function cardUnder(made: ReadonlyMap<string, MadeEntry>, [first]: readonly Body[]): Body[] {
  const card = made.get('base');
  if (!card) return [];
  const { folding, sheet, sizes } = made.get(first.ref.entry)!;
  const { on } = squareFrame(sheet);
  const corner = apply(first.motion, whereIs(folding.finished, on(0.25, 0.25)));
  const x = unitOf({ ...corner, z: 0 });
  const y = { x: -x.y, y: x.x, z: 0 };
  const [long, wide] = (['x', 'y'] as const).map((axis) => Math.max(...card.sheet.outline.map((p) => p[axis])));
  const centre = { x: (x.x * long + y.x * wide) / 2, y: (x.y * long + y.y * wide) / 2 };
  // Just beneath: the tubes stand on it.
  const at = { x: -centre.x, y: -centre.y, z: -UNDER_SHARE * sizes.outer.heightMm };
  return [{ ref: { entry: 'base', copy: 0 }, shape: card.folding.finished, motion: onAxes(x, y, at) }];
}
