import {
  type AssemblyStep,
  type BodyRef,
  type CreaseAngle,
  IDENTITY,
  type Joint,
  type KnownLayers,
  type LayerRef,
  point,
  type Pose,
  rectangleSheet,
  squareSheet,
  startSheet,
  type Transform,
} from '../../src/index';

const quarters = (side: number, name: string, y: number, angleDeg: number): readonly CreaseAngle[] =>
  // The flaps lie the other way up: what is a mountain in the base is a valley in them.
  [
    [0.25, 0.75, -angleDeg],
    [0, 0.25, angleDeg],
    [0.75, 1, angleDeg],
  ].map(([from, to, angle]) => ({
    name,
    from: point(from * side, y * side),
    to: point(to * side, y * side),
    angleDeg: angle,
  }));

/** A sheet with its corners folded in and its sides folded over: a strip of two layers with two pockets at either end. */
export function flatUnit(side: number): Pose {
  const hand = startSheet(squareSheet(side));
  const at = (x: number, y: number) => point(x * side, y * side);
  for (const [x, y] of [
    [0, 0],
    [1, 0],
    [1, 1],
    [0, 1],
  ])
    hand.valley('corner', { kind: 'point-onto-point', point: at(x, y), onto: at(0.25 + x / 2, 0.25 + y / 2) });
  for (const x of [0, 1])
    hand.valley('side', {
      kind: 'through-points',
      a: at(0.25 + x / 2, 0),
      b: at(0.25 + x / 2, 1),
      moving: hand.at(at(x, 0.5)),
    });
  return hand.pose;
}

export const tubeRef = (k: number): BodyRef => ({ entry: 'tube', copy: k });
export const stripRef = (k: number): BodyRef => ({ entry: 'strip', copy: k });

/** A layer of a tube by its place on the sheet, in shares of its side. */
export const tubeAt = (side: number, k: number, x: number, y: number): LayerRef => ({
  body: tubeRef(k),
  at: point(x * side, y * side),
});

/** The tab end of a tube lies in its own pockets: on the pocket wall, under that wall's flaps, and is glued there. */
export const closedBy = (side: number, k: number): readonly Joint[] => [
  {
    kind: 'glued',
    a: { ...tubeAt(side, k, 0.5, 0.9), side: 'white' },
    b: { ...tubeAt(side, k, 0.5, 0.15), side: 'coloured' },
  },
];

/** A strip is put under the flaps of the tab end; then the tube is closed over it. */
export function closingTube(side: number, k: number): AssemblyStep {
  const strip = startSheet(rectangleSheet(side / 2, side / 4)).pose;
  return {
    id: `tube ${k}`,
    title: `Tube ${k + 1}`,
    words: 'Put the strip under the flaps, then slide the tab end between base and flaps of the other.',
    puts: [
      { ref: tubeRef(k), pose: flatUnit(side), motion: IDENTITY },
      { ref: stripRef(k), pose: strip, motion: [1, 0, 0, 0, 1, 0, 0, 0, 1, side / 4, 0, 0] },
    ],
    joints: [
      {
        kind: 'slotted',
        tab: { body: stripRef(k), at: point(side / 4, side / 8) },
        between: [
          { ...tubeAt(side, k, 0.5, 0.125), side: 'white' },
          { ...tubeAt(side, k, 0.1, 0.2), side: 'white' },
        ],
      },
    ],
    work: (hand, at) => {
      const on = (x: number, y: number) => at(tubeRef(k), point(x * side, y * side));
      const creases = [0.25, 0.5, 0.75].flatMap((y) => quarters(side, 'wall', y, 120));
      const moved = creases.map((crease) => ({
        ...crease,
        from: at(tubeRef(k), crease.from),
        to: at(tubeRef(k), crease.to),
      }));
      hand.collapse(moved, on(0.5, 0.125), [
        { point: on(0.5, 0.9), other: on(0.5, 0.15), lies: 'on its white side' },
        ...[0.05, 0.95].map((x): KnownLayers => ({
          ...{ point: on(x, 0.95), other: on(0.5, 0.05) },
          lies: 'on its coloured side',
        })),
      ]);
    },
  };
}

/** From a tube that was closed with its tab lying on the table, to the ring round the edge that all tubes share. */
export function tubeMotion(side: number, k: number): Transform {
  const turn = (k * Math.PI) / 3;
  const [c, s] = [Math.cos(turn), Math.sin(turn)];
  // The tab lies from y = 0 to a quarter, the tube below it: its ridge hangs under the middle of the tab.
  const [y, z] = [side / 8, (-side * Math.sqrt(3)) / 8];
  return [1, 0, 0, 0, c, -s, 0, s, c, 0, -(c * y - s * z), -(s * y + c * z)];
}

/** Two neighbours are glued wall to wall, all over. */
export function wallToWall(side: number, k: number, next: number): readonly Joint[] {
  return [0.2, 0.8].map((x): Joint => ({
    kind: 'glued',
    a: { ...tubeAt(side, k, x, 0.6), side: 'coloured' },
    b: { ...tubeAt(side, next, x, 0.4), side: 'coloured' },
  }));
}
