import { layersThrough } from '../../folding/layers-at';
import { whereIs } from '../../folding/pose';
import { mostLayers } from '../../folding/stack-depth';
import { distance } from '../../measure/point';
import type { Form, SheetSize } from '../form';
import { BOX } from '../../rooms/box';
import { type BandedBoxParams, bandedBoxParams, frameOf, mostHalfBand, mostHeight } from './frame';
import { fold } from './fold-banded';
import { NO_FLAMES } from '../../purpose/cautions';

const range =
  (least: (s: number) => number, most: (s: number, other: number | null) => number, other: string) =>
  ({ widthMm }: SheetSize, params: Readonly<Record<string, unknown>>): readonly [number, number] => {
    const given = params[other];
    return [least(widthMm), most(widthMm, typeof given === 'number' ? given : null)];
  };

/** A closed box in one piece with a raised band round it, whose two points lock the lid. */
export const bandedBox: Form<BandedBoxParams> = {
  id: 'banded-gift-box',
  name: 'Banded gift box',
  family: 'closing boxes',
  use: 'Jewellery, sweets, a key on a ribbon: a flat closed box with a band round it like a ribbon.',
  sheetShape: 'square',
  leastSheetMm: 120,
  params: bandedBoxParams,
  fields: [
    {
      key: 'halfBandMm',
      label: 'Half the band',
      why: 'A narrow band leaves a larger box; below 7 mm the points no longer hold.',
      input: {
        kind: 'length',
        folded: 'A sixteenth of the diagonal, found by folding',
        range: range(
          (s) => Math.max(7, 0.02 * s),
          (s, h) => mostHalfBand(s, h ?? (s * Math.SQRT2) / 8),
          'heightMm',
        ),
      },
    },
    {
      key: 'heightMm',
      label: 'Height',
      why: 'Every millimetre of height takes one from the base.',
      input: {
        kind: 'length',
        folded: 'An eighth of the diagonal, found by folding',
        range: range(
          (s) => 0.06 * s,
          (s, b) => mostHeight(s, b ?? (s * Math.SQRT2) / 16),
          'halfBandMm',
        ),
      },
    },
  ],
  rooms: ['box'],
  closure: () => ({ kind: 'slides', words: 'two points that slide into each other, and two flaps tucked under' }),
  adhesive: () => 'none',
  cuts: () => 'none',
  skill: 3,
  minutes: 25,
  papers: '60 to 100 g/m². Where the points meet five layers lie in the lid.',
  ceiling: { mm: 800, why: 'its walls give way between the bands' },
  cautions: [NO_FLAMES],
  fold,
  floor(sheet, params) {
    const { x3, y1, on } = frameOf(sheet, params);
    return [on(x3, y1), on(-x3, y1), on(-x3, -y1), on(x3, -y1)];
  },
  sizes({ finished }, sheet, params, thicknessMm) {
    const { u, x3, x4, y1, b, on } = frameOf(sheet, params);
    const at = (xi: number, eta: number) => whereIs(finished, on(xi, eta));
    const length = distance(at(x3, 0), at(-x3, 0));
    const width = distance(at(0, y1), at(0, -y1));
    const height = at(x4, 0).z - at(x3, 0).z;
    const aside = 0.3 * b;
    const band = layersThrough(finished, on(aside, y1 + height / 2));
    const floor = layersThrough(finished, on(aside, 0.1 * y1));
    const lid = layersThrough(finished, on(aside, y1 + height + 0.9 * y1));
    const most = mostLayers(finished);
    return {
      rooms: [
        BOX.of({
          lengthMm: length - 2 * thicknessMm,
          widthMm: width - 2 * thicknessMm,
          depthMm: height - thicknessMm,
        }),
      ],
      outer: {
        lengthMm: length + 2 * thicknessMm,
        widthMm: width + 2 * band * thicknessMm,
        heightMm: height + (floor + lid) * thicknessMm,
      },
      lengths: [
        { name: 'band', mm: distance(at(b, 0), at(-b, 0)) },
        { name: 'points over each other', mm: distance(at(0, 8 * u), at(0, -8 * u)) },
      ],
      layers: [
        { name: 'thickest', count: most },
        { name: 'floor under the band', count: floor },
        { name: 'band walls', count: band },
        { name: 'lid in the band', count: lid },
      ],
    };
  },
};
