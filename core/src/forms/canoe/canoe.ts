import { flatExtent } from '../../folding/layers-at';
import { mostLayers } from '../../folding/stack-depth';
import { point } from '../../measure/point';
import type { Form } from '../form';
import { HULL } from '../../rooms/hull';
import { displacedMm3 } from '../../bodies/hull';
import { type CanoeKind, type CanoeParams, canoeParams, frameOf } from './frame';
import { fold } from './fold-canoe';
import { measuredHull, sideLayers } from './measured-hull';
import { AFLOAT } from '../../purpose/cautions';

/** A boat of this family. */
export function canoe(kind: CanoeKind): Form<CanoeParams> {
  return {
    ...kind,
    family: 'boats',
    params: canoeParams(kind.wallDeg),
    fields: [
      {
        key: 'wallDeg',
        label: 'Walls to the floor',
        why: 'Upright walls make the driest boat; beyond 90° the boat is wider and steadier.',
        input: { kind: 'angle', min: 75, max: 115, sought: [75, 80, 85, 90, 95, 100, 105, 110, 115] },
      },
    ],
    rooms: ['hull'],
    closure: () => ({ kind: 'open', words: 'does not close; the sides stand by their own creases' }),
    adhesive: () => 'none',
    cuts: () => 'none',
    skill: 3,
    papers: '60 to 100 g/m², long-fibred; rub the outside with wax first if it is to float for more than minutes.',
    ceiling: { mm: 700, why: 'its sides fold under the load' },
    cautions: AFLOAT,
    fold: (hand, sheet, params) => fold(kind, hand, sheet, params),
    floor(sheet) {
      const { width, length, h, e } = frameOf(sheet);
      const mid = width / 2;
      return [point(mid - h, e), point(mid + h, e), point(mid + h, length - e), point(mid - h, length - e)];
    },
    sizes(folding, sheet, _params, thicknessMm) {
      const frame = frameOf(sheet);
      const hull = measuredHull(folding, frame);
      const most = mostLayers(folding.flat!);
      const rimMm = Math.min(hull.rim.z, hull.tip.z);
      const ml = (share: number): number => displacedMm3(hull, share * rimMm) / 1000;
      return {
        rooms: [
          HULL.of({
            floorLengthMm: 2 * hull.chine.x,
            floorWidthMm: 2 * hull.chine.y,
            sideMm: hull.rim.z,
            tipMm: hull.tip.z,
            rimLengthMm: 2 * hull.rim.x,
            rimWidthMm: 2 * hull.rim.y,
            overallMm: 2 * hull.tip.x,
            sideThickMm: thicknessMm * sideLayers(folding, frame),
            deckMm: 0,
          }),
        ],
        outer: {
          lengthMm: 2 * hull.tip.x,
          widthMm: 2 * Math.max(hull.chine.y, hull.rim.y) + 2 * most * thicknessMm,
          heightMm: Math.max(hull.rim.z, hull.tip.z) + thicknessMm,
        },
        lengths: [
          { name: 'length over all', mm: 2 * hull.tip.x },
          { name: 'beam at the rim', mm: 2 * hull.rim.y },
          { name: 'flat pack, wide', mm: flatExtent(folding.flat!).widthMm },
        ],
        volumes: [
          { name: 'water pushed aside, loaded to 70 % of the side', ml: ml(0.7) },
          { name: 'to the rim, where it fills', ml: ml(1) },
        ],
        layers: [{ name: 'thickest', count: most }],
      };
    },
  };
}

export const squareCanoe = canoe({
  id: 'square-canoe',
  name: 'Pointed canoe',
  use: 'Carries a brass washer across a basin, or pens and clips across a desk.',
  sheetShape: 'square',
  leastSheetMm: 120,
  minutes: 12,
  turn: 'single',
  wallDeg: 100,
});

export const oblongCanoe = canoe({
  id: 'oblong-canoe',
  name: 'Long canoe',
  use: 'The larger boat, from a letter sheet: tens of grams afloat, or a tray for pens and markers.',
  sheetShape: {
    longPerShort: [1.2072, 3],
    lies: 'upright',
    why: 'on shorter ones the ends would meet in the middle: use the pointed canoe.',
  },
  leastSheetMm: 120,
  minutes: 10,
  turn: 'single',
  wallDeg: 90,
});

export const podBoat = canoe({
  id: 'pod-boat',
  name: 'Pod boat',
  use: 'A narrow boat with upright sides, turned one half after the other: easier on the paper’s tips.',
  sheetShape: 'square',
  leastSheetMm: 120,
  minutes: 14,
  turn: 'two-stage',
  wallDeg: 90,
});
