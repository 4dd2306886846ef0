import { whereIs } from '../../folding/pose';
import { flatExtent } from '../../folding/layers-at';
import { spanOf } from '../../folding/solid-measures';
import { mostLayers } from '../../folding/stack-depth';
import { cross, distance3, dot, minus, onWay, type Point3, scaledBy, unitOf } from '../../measure/vector3';
import { AFLOAT } from '../../purpose/cautions';
import type { Room } from '../../purpose/demand';
import { HAT } from '../../rooms/hat';
import { TWIN_HULL, TWIN_LOADED, twinVolume } from '../../rooms/twin-hull';
import { choice, sought } from '../choice';
import type { Folding, Form } from '../form';
import type { Sheet } from '../../paper/sheet';
import { fold } from './fold-hat-boat';
import { frameOf, type HatBoatParams, hatBoatParams } from './frame';

/** Where the corners have come to lie: top, both middles of the rim, keel's corners and tips left and right. */
function corners({ finished }: Folding, sheet: Sheet, params: HatBoatParams) {
  const { at: place, u } = frameOf(sheet, params);
  const at = (x: number, v: number): Point3 => whereIs(finished, place([x, v]));
  return {
    top: at(0.5, 0),
    rims: [at(0.5, 0.5), at(0.5, -0.5)] as const,
    ends: [
      { keel: at(0.5 - u, u), tip: at(0, 0.5) },
      { keel: at(0.5 + u, u), tip: at(1, 0.5) },
    ] as const,
  };
}

/** Both pockets, measured where the water meets their edges when it stands at the middle of the rim. */
function pockets(folding: Folding, sheet: Sheet, params: HatBoatParams): Room {
  const { top, rims, ends } = corners(folding, sheet, params);
  const [one, other] = ends;
  // Upright in the boat itself, however it stands.
  const square = unitOf(cross(minus(other.keel, one.keel), minus(rims[1], rims[0])));
  const up = dot(square, minus(top, one.keel)) > 0 ? square : scaledBy(square, -1);
  const height = (p: Point3): number => dot(up, p);
  const mean = (p: Point3, q: Point3): number => (height(p) + height(q)) / 2;
  const [rim, keel] = [mean(...rims), mean(one.keel, other.keel)];
  const atRim = (from: Point3, to: Point3): Point3 =>
    onWay(from, to, (rim - height(from)) / (height(to) - height(from)));
  const along = ends.map((end) => distance3(atRim(end.keel, end.tip), atRim(end.keel, top)));
  return TWIN_HULL.of({
    depthMm: rim - keel,
    beamMm: distance3(...rims),
    pocketMm: (along[0] + along[1]) / 2,
    topMm: height(top) - keel,
  });
}

/** A hat with a brim, and the boat that is made of it by opening it twice. */
export const hatBoat: Form<HatBoatParams> = {
  id: 'hat-boat',
  name: 'Hat boat',
  family: 'boats',
  use: 'A hat to wear, and from the same sheet a boat with a sail: a toy that floats with little more than itself.',
  sheetShape: {
    longPerShort: [1.1, 1.9],
    lies: 'upright',
    why: 'what is longer than square becomes the brim on both sides.',
  },
  leastSheetMm: 90,
  params: hatBoatParams,
  variesRoom: true,
  fields: [
    sought(
      choice('stage', 'Folded to', 'The hat is worn as it is; a few more folds make it a boat.', {
        boat: 'The boat',
        hat: 'The hat',
      }),
    ),
    {
      key: 'pullDeg',
      label: 'How far its ends are pulled apart',
      why: 'Further makes it longer and its sail lower; less far makes it carry more.',
      input: { kind: 'angle', min: 45, max: 75 },
    },
    {
      key: 'spread',
      label: 'How wide it is spread, in hundredths',
      why: 'Wider carries much more; at a hundred the tips have sunk as low as the middle of the rim.',
      input: { kind: 'count', min: 85, max: 100 },
    },
  ],
  rooms: ['twin-hull', 'hat'],
  closure: () => ({ kind: 'open', words: 'does not close' }),
  adhesive: () => 'none',
  cuts: () => 'none',
  skill: 2,
  minutes: 8,
  papers: '60 to 90 g/m² for a boat; newspaper, from 400 mm on, for a hat.',
  ceiling: { mm: 700, why: 'its rim folds under its own weight' },
  cautions: AFLOAT,
  fold,
  sizes(folding, sheet, params, thicknessMm) {
    const { finished, flat } = folding;
    const { a, at: place } = frameOf(sheet, params);
    const outer = spanOf(finished);
    const most = mostLayers(flat!);
    const shared = {
      outer: {
        lengthMm: outer.x + 2 * thicknessMm,
        widthMm: outer.y + most * thicknessMm,
        heightMm: outer.z + thicknessMm,
      },
      layers: [{ name: 'thickest', count: most }],
    };
    if (params.stage === 'hat') {
      const onHat = (x: number, v: number): Point3 => whereIs(flat!, place([x, v]));
      const across = distance3(onHat(0, 0.5), onHat(1, 0.5));
      const high = distance3(onHat(0.5, 0), onWay(onHat(0, 0.5), onHat(1, 0.5), 0.5));
      return {
        ...shared,
        // Round it lies on both sides of the flat hat; its layers lie inside.
        rooms: [HAT.of({ roundMm: 2 * across - most * thicknessMm, heightMm: high })],
        lengths: [
          { name: 'hat, flat across', mm: across },
          { name: 'brim', mm: distance3(onHat(0.5, 0.5), onHat(0.5, 0.5 + frameOf(sheet, params).t)) },
        ],
      };
    }
    const room = pockets(folding, sheet, params);
    const { ends, rims } = corners(folding, sheet, params);
    const { widthMm } = flatExtent(flat!);
    const ml = twinVolume(TWIN_HULL.schema.parse(room).sizes) / 1000;
    return {
      ...shared,
      rooms: [room],
      lengths: [
        { name: 'flat boat, long', mm: widthMm },
        { name: 'spread, tip to tip', mm: distance3(ends[0].tip, ends[1].tip) },
        { name: 'beam at the rim', mm: distance3(...rims) },
        { name: 'sheet, shorter side', mm: a },
      ],
      volumes: [
        { name: 'water pushed aside, loaded to nine tenths of its depth', ml: ml * TWIN_LOADED ** 3 },
        { name: 'to the middle of the rim, where it fills', ml },
      ],
    };
  },
};
