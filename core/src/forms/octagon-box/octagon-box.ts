import * as z from 'zod';
import { whereIs } from '../../folding/pose';
import { mostLayers } from '../../folding/stack-depth';
import type { Sheet } from '../../paper/sheet';
import { demandsOn } from '../../purpose/demand';
import type { EaseId } from '../../purpose/ease';
import { distance3 } from '../../measure/vector3';
import { OCTAGON, OCTAGON_AREA } from '../../rooms/octagon';
import { choice } from '../choice';
import { anyPiece, type Entry, type Folding, type Form, type FormSizes, type Piece } from '../form';
import { assembleOctagon } from './assemble-octagon';
import { foldUnit } from './fold-unit';
import { frameOf, H, type UnitKind } from './frame';
import { groupsOf, ringKey } from './layouts';

export const octagonBoxParams = z.object({
  lid: z.enum(['plain', 'none']).default('plain'),
  /** How the colours follow each other round both rings. */
  colours: z.enum(['one', 'two by turns', 'four by turns', 'eight']).default('one'),
  /** Whether the tips of the base are wrapped once it is a ring. */
  lock: z.enum(['wrapped', 'none']).default('wrapped'),
});

export type OctagonBoxParams = z.infer<typeof octagonBoxParams>;

/** Layers that both walls of a pair lose together, that they gain outside, and that lie on the floor at its middle. */
const [WALLS_LOSE, WALLS_GAIN, FLOOR_LAYERS] = [7, 6, 13] as const;
/** Room between base and lid, both sides together, in mm. */
const LID_PLAY_MM: Readonly<Record<EaseId, number>> = { snug: 0.5, easy: 1, loose: 2 };
/** A lid so much larger than its base falls over it. */
const LARGEST_LID = 1.04;

const { demand } = demandsOn<'acrossMm'>();

function unitSizes({ finished }: Folding, sheet: Sheet, kind: UnitKind, thicknessMm: number): FormSizes {
  const { at } = frameOf(sheet);
  const on = (u: number, v: number) => whereIs(finished, at([u, v]));
  const corner = on(0, 0);
  // A side of the ring is as long as the tab, which reaches from corner to corner.
  const side = distance3(corner, on(-0.5, 0));
  const height = distance3(corner, on(0, -H));
  const nominal = side * (1 + Math.SQRT2);
  const clear = nominal - WALLS_LOSE * thicknessMm;
  const deep = height - FLOOR_LAYERS * thicknessMm;
  const outer = nominal + WALLS_GAIN * thicknessMm;
  return {
    rooms: [OCTAGON.of({ acrossMm: clear, heightMm: deep, nominalMm: nominal })],
    outer: { lengthMm: outer, widthMm: outer, heightMm: height + FLOOR_LAYERS * thicknessMm },
    lengths: [
      { name: 'side of the octagon', mm: side },
      { name: 'across its flats, between creases', mm: nominal },
      {
        name: kind === 'base' ? 'tip that is wrapped' : 'tip that lies inside',
        mm: distance3(on(0, Math.SQRT1_2), on(0, 1)),
      },
    ],
    volumes: [{ name: 'inside', ml: (OCTAGON_AREA * nominal * nominal * height) / 1000 }],
    layers: [{ name: 'thickest', count: mostLayers(finished) }],
  };
}

const NO_PARAMS = z.object({});

/** The unit again, one pleat folded the other way. */
const lidUnit: Piece<z.infer<typeof NO_PARAMS>> = {
  id: 'octagon-box-lid',
  name: 'Lid unit of the octagon box',
  sheetShape: 'square',
  leastSheetMm: 75,
  fields: [],
  params: NO_PARAMS,
  fold: (hand, sheet) => foldUnit(hand, sheet, 'lid'),
  sizes: (folding, sheet, _params, thicknessMm) => unitSizes(folding, sheet, 'lid', thicknessMm),
};

/** The lid goes over the base with some play, and is not so large that it falls over it. */
const overBase = ({ outer, rooms: [room] }: FormSizes, ease: EaseId) => {
  const { nominalMm: base, acrossMm } = OCTAGON.schema.parse(room).sizes;
  const lostMm = base - acrossMm;
  const play = LID_PLAY_MM[ease];
  return [
    demand('inside, across', ({ acrossMm }) => acrossMm, outer.lengthMm + play, {
      terms: () => [
        { name: 'the base', value: outer.lengthMm },
        { name: 'play', value: play },
      ],
    }),
    // The same for every sheet: play and paper of so small a base, or so thick a paper, ask for too large a lid.
    demand('lid that does not fall over its base', () => LARGEST_LID * base, outer.lengthMm + play + lostMm),
  ];
};

function entries({ lid, colours }: OctagonBoxParams): readonly [Entry, ...Entry[]] {
  const groups = groupsOf(colours);
  const ring = (kind: UnitKind): Entry[] =>
    groups.map((places, g): Entry => {
      const named = kind === 'base' ? 'Base unit' : 'Lid unit';
      return {
        key: ringKey(kind, g),
        name: groups.length > 1 ? `${named}, colour ${g + 1}` : named,
        pieceId: kind === 'base' ? octagonBox.id : lidUnit.id,
        params: {},
        copies: places.length,
        colour: g,
        sheet: g
          ? { kind: 'same', of: ringKey(kind, 0) }
          : kind === 'base'
            ? { kind: 'asked' }
            : { kind: 'follows', of: ringKey('base', 0), needs: overBase },
      };
    });
  const [first, ...others] = ring('base');
  return [first, ...others, ...(lid === 'plain' ? ring('lid') : [])];
}

/** A box with eight sides of eight units, and a lid of eight more. */
export const octagonBox: Form<OctagonBoxParams> = {
  id: 'octagon-box',
  name: 'Octagon box',
  family: 'modular boxes',
  use: 'Sweets, rings, small tools: a round-looking box of sixteen sheets, without glue, in one or more colours.',
  sheetShape: 'square',
  leastSheetMm: 75,
  params: octagonBoxParams,
  makeFields: [
    choice('lid', 'Lid', 'Eight more units, one pleat folded the other way, from sheets a little larger.', {
      plain: 'With a lid',
      none: 'None',
    }),
    choice('colours', 'Colours', 'Each colour is an entry of its own, with its own paper, in base and lid alike.', {
      one: 'One',
      'two by turns': 'Two by turns',
      'four by turns': 'Four by turns',
      eight: 'Eight different',
    }),
    choice('lock', 'Tips of the base', 'Wrapped round their neighbours they hold the base together.', {
      wrapped: 'Wrapped',
      none: 'Left loose',
    }),
  ],
  fields: [],
  rooms: ['octagon'],
  closure: ({ lid }) =>
    lid === 'plain' ? { kind: 'lid', words: 'a lid of the same make' } : { kind: 'open', words: 'open' },
  adhesive: () => 'optional',
  cuts: () => 'none',
  skill: 3,
  minutes: 120,
  papers: '60 to 90 g/m², crisp, sheets of 120 to 170 mm: up to sixteen layers lie in the middle of the floor.',
  ceiling: { mm: 300, why: 'its floor, woven of tips, sags' },
  cautions: [{ kind: 'handling', words: 'Lift it by the base, not by the lid or the walls.' }],
  fold: (hand, sheet) => foldUnit(hand, sheet, 'base'),
  sizes: (folding, sheet, _params, thicknessMm) => unitSizes(folding, sheet, 'base', thicknessMm),
  pieces: [anyPiece(lidUnit)],
  entries,
  assemble: assembleOctagon,
};
