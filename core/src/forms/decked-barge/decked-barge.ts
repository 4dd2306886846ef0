import { displacedMm3 } from '../../bodies/hull';
import { flatExtent, layersThrough } from '../../folding/layers-at';
import { whereIs } from '../../folding/pose';
import { spanOf } from '../../folding/solid-measures';
import { mostLayers } from '../../folding/stack-depth';
import { distance3 } from '../../measure/vector3';
import { AFLOAT } from '../../purpose/cautions';
import { HULL, hullOf } from '../../rooms/hull';
import { choice } from '../choice';
import type { Form } from '../form';
import { fold } from './fold-barge';
import { deckLimits, type DeckedBargeParams, deckedBargeParams, frameOf, sideLimits } from './frame';

/** A broad flat-bottomed boat with upright sides, a deck at its stern and a beak at its bow. */
export const deckedBarge: Form<DeckedBargeParams> = {
  id: 'decked-barge',
  name: 'Decked barge',
  family: 'boats',
  use: 'A broad boat that hardly tips: a battery light or washers afloat, or a tray for cards on a table.',
  sheetShape: 'square',
  leastSheetMm: 120,
  params: deckedBargeParams,
  fields: [
    {
      key: 'sideMm',
      label: 'Height of the sides',
      why: 'Higher sides make a narrower boat. A sixteenth of the diagonal carries most.',
      input: { kind: 'length', folded: 'a sixteenth of the diagonal', range: ({ widthMm }) => sideLimits(widthMm) },
    },
    {
      key: 'deckMm',
      label: 'Depth of the deck',
      why: 'A deeper deck leaves less of the floor free.',
      input: {
        kind: 'length',
        folded: 'as deep as the sides are high',
        range: ({ widthMm }, { sideMm }) =>
          deckLimits(widthMm, typeof sideMm === 'number' ? sideMm : (widthMm * Math.SQRT2) / 16),
      },
    },
    choice('tabs', 'Tabs at the sides', 'Out over the rim they are handles; on the floor they stiffen it.', {
      out: 'Out over the rim',
      floor: 'Flat on the floor',
    }),
    choice('bow', 'Bow', 'A beak makes the boat longer; its tip on the floor leaves a plain end.', {
      beak: 'A level beak',
      floor: 'Its tip on the floor',
    }),
  ],
  rooms: ['hull'],
  closure: () => ({ kind: 'open', words: 'does not close' }),
  adhesive: () => 'optional',
  cuts: () => 'none',
  skill: 3,
  minutes: 20,
  papers: '70 to 120 g/m², crisp; wax or clear tape outside along the floor and round the four lower corners.',
  ceiling: { mm: 700, why: 'its floor sags under the load' },
  cautions: AFLOAT,
  fold,
  floor(sheet, params) {
    const { at, g, b, d } = frameOf(sheet, params);
    return [at([-4 * g + d, -b]), at([4 * g, -b]), at([4 * g, b]), at([-4 * g + d, b])];
  },
  sizes({ finished, flat }, sheet, params, thicknessMm) {
    const { at: place, g, h, b, d } = frameOf(sheet, params);
    const at = (x: number, y: number) => whereIs(finished, place([x, y]));
    const length = (distance3(at(-4 * g, b), at(4 * g, b)) + distance3(at(-4 * g, -b), at(4 * g, -b))) / 2;
    const beam = (distance3(at(-4 * g, -b), at(-4 * g, b)) + distance3(at(4 * g, -b), at(4 * g, b))) / 2;
    // Sides and ends, each over the floor's edge beneath it; the lowest lets water in.
    const rims = [at(0, 4 * g - h).z - at(0, b).z, at(0, h - 4 * g).z - at(0, -b).z];
    const rim = Math.min(...rims);
    const ends = [at(-(4 * g + h), 0).z - at(-4 * g, 0).z, at(4 * g + h, 0).z - at(4 * g, 0).z];
    const deck = distance3(at(-(4 * g + h), 0), at(-(4 * g + h + d), 0));
    const outer = spanOf(finished);
    const most = mostLayers(finished);
    const room = HULL.of({
      floorLengthMm: length,
      floorWidthMm: beam,
      sideMm: rim,
      tipMm: Math.min(...ends),
      rimLengthMm: length,
      rimWidthMm: beam,
      overallMm: length,
      // The tab too, where it lies on the floor: it is a layer of the floor there.
      sideThickMm:
        thicknessMm * (layersThrough(finished, place([0.1 * g, 4 * g - 0.6 * h])) + (params.tabs === 'floor' ? 1 : 0)),
      deckMm: deck,
    });
    const ml = (share: number): number => displacedMm3(hullOf(room), share * Math.min(rim, ...ends)) / 1000;
    return {
      rooms: [room],
      outer: {
        lengthMm: outer.x + 2 * thicknessMm,
        widthMm: outer.y + 2 * thicknessMm,
        heightMm: outer.z + 2 * thicknessMm,
      },
      lengths: [
        { name: 'hull, long', mm: length },
        { name: 'beam', mm: beam },
        { name: 'deck', mm: deck },
        { name: 'flat pack, long', mm: flatExtent(flat!).widthMm },
      ],
      volumes: [
        { name: 'water pushed aside, loaded to 70 % of the side', ml: ml(0.7) },
        { name: 'to the rim, where it fills', ml: ml(1) },
      ],
      layers: [{ name: 'thickest', count: most }],
    };
  },
};
