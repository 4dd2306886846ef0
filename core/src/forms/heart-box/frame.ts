import * as z from 'zod';
import type { CreaseAngle } from '../../folding/collapse';
import { type CreaseRow, onParts, type Place, type SheetPart } from '../../folding/crease-rows';
import { squareFrame } from '../at-hand';
import type { Sheet } from '../../paper/sheet';
import { type Limits, refuseUnsuited } from '../limits';

export const heartPieceParams = z.object({
  /** Height of the walls; a sixth of the sheet where nothing is measured. */
  heightMm: z.number().positive().nullable().default(null),
});

export type HeartPieceParams = z.infer<typeof heartPieceParams>;

/** Of the sheet: above a sixth a pleat is wider than its wall, below the least the corners that are turned in reach above the walls. */
const [LOWEST, HIGHEST] = [0.147, 1 / 6] as const;

export const heightLimits = (side: number): Limits => [LOWEST * side, HIGHEST * side];

const R = Math.SQRT2;
/** How much of an arm's width each corner of a lobe is cut: then its three sides are equal. */
const CUT = (2 - R) / 2;
/** How long the tab at the notch is, of what there is room for. */
const TAB = 0.6;

/** Shares of the sheet's side; places across the packet, and up from its folded edge. */
export interface HeartFrame {
  readonly side: number;
  /** Height of the walls, width of an arm, cut of a corner, height of the packet, where the corners are turned in, length of the tab. */
  readonly h: number;
  readonly m: number;
  readonly k: number;
  readonly top: number;
  readonly q: number;
  readonly tab: number;
  /** The layer that is on top, and the one beneath. */
  readonly upper: SheetPart;
  readonly lower: SheetPart;
}

/** @throws RangeError for a height that does not suit the sheet */
export function frameOf(sheet: Sheet, { heightMm }: HeartPieceParams): HeartFrame {
  const { side, on } = squareFrame(sheet);
  const height = heightMm ?? side / 6;
  refuseUnsuited('Walls', height, heightLimits(side), side);
  const h = height / side;
  const m = 1 / 2 - 2 * h;
  const k = CUT * m;
  return {
    ...{ side, h, m, k, top: 1 / 2, q: k + (2 - R) * h, tab: TAB * (h - k) },
    upper: ([x, y]) => on(x, 1 / 2 - y),
    lower: ([x, y]) => on(x, 1 / 2 + y),
  };
}

/** Signs in the lower layer; the upper one has them the other way round, unless both are alike. */
interface HeartRow {
  readonly row: CreaseRow;
  readonly alike?: true;
}

const row = (name: string, from: Place, to: Place, deg: number): HeartRow => ({ row: [name, from, to, deg] });
const alike = (name: string, from: Place, to: Place, deg: number): HeartRow => ({
  row: [name, from, to, deg],
  alike: true,
});

/** The same of the other arm. */
const mirrored = (rows: readonly HeartRow[]): HeartRow[] =>
  rows.flatMap((one) => {
    const [name, [x, y], [u, v], deg] = one.row;
    return [one, { ...one, row: [name, [1 - x, y], [1 - u, v], deg] as const }];
  });

/** Rows of both layers as creases of the sheet. */
export function onBothLayers({ upper, lower }: HeartFrame, rows: readonly HeartRow[]): CreaseAngle[] {
  return rows.flatMap(({ row: [name, from, to, deg], alike: same }) => {
    const signed = typeof deg === 'number' && !same ? -deg : deg;
    return [...onParts([lower], [[name, from, to, deg]]), ...onParts([upper], [[name, from, to, signed]])];
  });
}

/** The two lobes' corners with their pleats: where the floor turns, and the three lines from there to the rim. */
export function pleats({ h, m, k, top, q }: HeartFrame): readonly {
  readonly at: Place;
  readonly older: Place;
  readonly bisector: Place;
  readonly newer: Place;
}[] {
  const s = h / R;
  return [
    { at: [h + k, h], older: [h + k, 0], bisector: [q, 0], newer: [h + k - s, h - s] },
    { at: [h, h + k], older: [h - s, h + k - s], bisector: [0, q], newer: [0, h + k] },
    { at: [h, h + m - k], older: [0, h + m - k], bisector: [0, top - q], newer: [h - s, h + m - k + s] },
    { at: [h + k, h + m], older: [h + k - s, h + m + s], bisector: [q, top], newer: [h + k, top] },
  ];
}

/** The corners of the packet turned in between its layers: two at the folded edge, two at the raw ones. */
export function cornersIn({ q, top }: HeartFrame): readonly HeartRow[] {
  return mirrored([alike('corner', [q, 0], [0, q], 180), alike('corner', [q, top], [0, top - q], 180)]);
}

/** The folded edge near the corners, pushed in between the layers so far. */
export const edgeIn = (frame: HeartFrame, reach: number): CreaseAngle[] =>
  onParts(
    [frame.lower],
    [
      ['half', [reach, 0], [1 - reach, 0], 180],
      ['half', [0, 0], [reach, 0], -180],
      ['half', [1 - reach, 0], [1, 0], -180],
    ],
  );

/** The point of the heart: base line raised, its corner bent, the right arm slid over the left. */
export function crimped({ h, m }: HeartFrame): readonly HeartRow[] {
  const point: Place = [1 / 2, h];
  return [
    ...mirrored([row('base line', point, [0, h], 90)]),
    row('point', [1 / 2, 0], point, 90),
    row('slant', point, [1 / 2 - m, h + m], 180),
    row('point', point, [1 / 2, h + m], -180),
  ];
}

/** Where the tab will bend, lying flat. */
export const tabLine = ({ h, m, top }: HeartFrame): readonly HeartRow[] => [
  row('tab', [1 / 2 - m, h + m], [1 / 2 - m, top], 0),
];

/** The whole heart: walls upright, pleats between the layers, the tab bent. */
export function whole(frame: HeartFrame): readonly HeartRow[] {
  const { h, m, k, top } = frame;
  const point: Place = [1 / 2, h];
  const s = h / R;
  const corners = pleats(frame);
  const floor = [point, ...corners.map(({ at }) => at), [1 / 2 - m, h + m] as Place];
  const edges = floor.slice(1).map((to, i) => row('floor', floor[i], to, 90));
  const pleated = corners.flatMap(({ at, older, bisector, newer }) => [
    alike('pleat', at, older, 180),
    alike('pleat', at, bisector, -180),
    row('bend', at, newer, 45),
  ]);
  return [
    ...mirrored([
      ...edges,
      ...pleated,
      alike('pleat', [h - s, h + k - s], [0, k], -180),
      alike('pleat', [h + k - s, h + m + s], [k, top], -180),
      row('bend', [h + k - s, h - s], [k, 0], -45),
      row('bend', [h - s, h + m - k + s], [0, top - k], -45),
    ]),
    // Beyond the corners the base line lies flat again.
    ...mirrored([row('base line', [h + k, h], [0, h], 0)]),
    row('tab', [1 / 2 - m, h + m], [1 / 2 - m, top], -90),
  ];
}
