import * as z from 'zod';
import type { Assembly, Body } from '../../assembly/assembly';
import { FoldRefused } from '../../folding/fold-refused';
import { whereIs } from '../../folding/pose';
import { spanOf } from '../../folding/solid-measures';
import { mostLayers } from '../../folding/stack-depth';
import { compose, IDENTITY, type Transform } from '../../folding/transform';
import type { Place } from '../../folding/crease-rows';
import { distance3, type Point3 } from '../../measure/vector3';
import type { Sheet } from '../../paper/sheet';
import { demandsOn } from '../../purpose/demand';
import type { EaseId } from '../../purpose/ease';
import { HEART } from '../../rooms/heart';
import { choice } from '../choice';
import {
  anyPiece,
  type Entry,
  type Folding,
  type Form,
  type FormSizes,
  type MadeEntry,
  type ParamField,
  type Piece,
} from '../form';
import { foldHeart } from './fold-heart';
import { frameOf, heightLimits, type HeartPieceParams, heartPieceParams } from './frame';

export const heartBoxParams = heartPieceParams.extend({
  lid: z.enum(['plain', 'none']).default('plain'),
});

type HeartBoxParams = z.infer<typeof heartBoxParams>;

/** Layers that an arm loses of its width, of its length, and the box of its height; and that its walls gain outside on both sides. */
const [WIDTH_LAYERS, LENGTH_LAYERS, HEIGHT_LAYERS, OUTER_LAYERS] = [7, 8, 3, 9] as const;
/** Room between base and lid, both sides of an arm together, in mm. */
const LID_PLAY_MM: Readonly<Record<EaseId, number>> = { snug: 0.4, easy: 0.8, loose: 1.6 };
/** How far the lid is lifted where the box is open, in heights of the walls. */
const LIFTED = 2.4;

const { demand } = demandsOn<'armMm' | 'heightMm'>();

function sizes({ finished }: Folding, sheet: Sheet, params: HeartPieceParams, thicknessMm: number): FormSizes {
  const { h, m, k, upper } = frameOf(sheet, params);
  const at = (...place: Place): Point3 => whereIs(finished, upper([...place]));
  const point = at(1 / 2, h);
  const arms = [0, 1].map((x) => {
    const along = (share: number): number => (x ? 1 - share : share);
    return {
      wide: distance3(at(along(h + k), h), at(along(h + k), h + m)),
      long: distance3(point, at(along(h + k), h)),
      corner: distance3(at(along(h + k), h), at(along(h), h + k)) / Math.SQRT2,
    };
  });
  const least = (key: 'wide' | 'long' | 'corner'): number => Math.min(...arms.map((arm) => arm[key]));
  const height = at(1 / 3, 0).z - at(1 / 3, h).z;
  const [wide, long, corner] = [least('wide'), least('long'), least('corner')];
  const outer = spanOf(finished);
  const c = long + corner;
  return {
    rooms: [
      HEART.of({
        armMm: wide - WIDTH_LAYERS * thicknessMm,
        longMm: long - LENGTH_LAYERS * thicknessMm,
        cornerMm: corner,
        heightMm: height - HEIGHT_LAYERS * thicknessMm,
        outerArmMm: wide + OUTER_LAYERS * thicknessMm,
      }),
    ],
    outer: {
      lengthMm: outer.x + OUTER_LAYERS * thicknessMm,
      widthMm: outer.y + OUTER_LAYERS * thicknessMm,
      heightMm: outer.z + 2 * HEIGHT_LAYERS * thicknessMm,
    },
    lengths: [
      { name: 'arms, wide between creases', mm: wide },
      { name: 'arms, long between creases', mm: long },
      { name: 'walls, high', mm: height },
      { name: 'from the point to the notch', mm: distance3(point, at(1 / 2 + m, h + m)) },
    ],
    volumes: [{ name: 'inside', ml: ((2 * c * wide - wide * wide - 2 * corner * corner) * height) / 1000 }],
    layers: [{ name: 'thickest', count: mostLayers(finished) }],
  };
}

const WALLS: ParamField = {
  key: 'heightMm',
  label: 'Walls',
  why: 'Lower walls leave wider arms; above a sixth of the sheet the pleats are wider than the walls.',
  input: { kind: 'length', folded: 'a sixth of the sheet', range: ({ widthMm }) => heightLimits(widthMm) },
};

/** The lid: the same piece, from a sheet a little larger. */
const lidPiece: Piece<HeartPieceParams> = {
  id: 'heart-box-lid',
  name: 'Lid of the heart box',
  sheetShape: 'square',
  leastSheetMm: 120,
  fields: [WALLS],
  params: heartPieceParams,
  fold: foldHeart,
  sizes,
};

/** The lid’s arms go round those of the base. */
const overBase = ({ rooms: [room] }: FormSizes, ease: EaseId) => {
  const { outerArmMm, heightMm } = HEART.schema.parse(room).sizes;
  const play = LID_PLAY_MM[ease];
  return [
    demand('arms, over the base', ({ armMm }) => armMm, outerArmMm + play, {
      terms: () => [
        { name: 'the base', value: outerArmMm },
        { name: 'play', value: play },
      ],
    }),
    // With walls as high as the base's its outline runs beside that all round.
    demand('walls, as high as the base’s', (lid) => lid.heightMm, heightMm),
  ];
};

function entries({ lid, heightMm }: HeartBoxParams): readonly [Entry, ...Entry[]] {
  const base: Entry = {
    ...{ key: 'base', name: 'Base', pieceId: heartBox.id, params: { heightMm }, copies: 1 },
    sheet: { kind: 'asked' },
  };
  if (lid === 'none') return [base];
  return [
    base,
    {
      ...{ key: 'lid', name: 'Lid', pieceId: lidPiece.id, params: {}, copies: 1 },
      sheet: { kind: 'follows', of: 'base', needs: overBase },
    },
  ];
}

const up = (mm: number): Transform => [...IDENTITY.slice(0, 9), 0, 0, mm];
/** Turned over about the axis of the heart, from its point to its notch. */
const TURNED_OVER: Transform = [-1, 0, 0, 0, 1, 0, 0, 0, -1, 0, 0, 0];

/** The middle of the heart’s axis at the origin, the axis upright on the table. */
function centred({ folding, sheet, entry }: MadeEntry): Transform {
  const { h, m, upper } = frameOf(sheet, heartPieceParams.parse(entry.params));
  const [point, notch] = (
    [
      [1 / 2, h],
      [1 / 2 + m, h + m],
    ] as const
  ).map((place) => whereIs(folding.finished, upper(place)));
  const [x, y] = [notch.x - point.x, notch.y - point.y];
  const long = Math.hypot(x, y);
  const turn: Transform = [y / long, -x / long, 0, x / long, y / long, 0, 0, 0, 1, 0, 0, 0];
  return compose(turn, [...IDENTITY.slice(0, 9), -(point.x + notch.x) / 2, -(point.y + notch.y) / 2, -point.z]);
}

/** The base, and the lid turned over it. */
function assemble(made: ReadonlyMap<string, MadeEntry>): Assembly {
  const base = made.get('base')!;
  const below: Body = { ref: { entry: 'base', copy: 0 }, shape: base.folding.finished, motion: centred(base) };
  const lid = made.get('lid');
  if (!lid) return { states: { closed: [below] }, joints: [], steps: [] };
  const [inner, outer] = [base, lid].map((one) => HEART.schema.parse(one.sizes.rooms[0]).sizes);
  const play = outer.armMm - inner.outerArmMm;
  if (play < 0) throw new FoldRefused('crosses', 'The lid is no larger than its base: it does not go over it.');
  const height = lid.sizes.outer.heightMm;
  const at = (liftMm: number): Body => ({
    ref: { entry: 'lid', copy: 0 },
    shape: lid.folding.finished,
    motion: compose(up(height + liftMm), compose(TURNED_OVER, centred(lid))),
  });
  return {
    states: { closed: [below, at(0)], open: [below, at(LIFTED * height)] },
    joints: [
      {
        ...{ kind: 'over', lid: { entry: 'lid', copy: 0 }, base: below.ref },
        play: { lengthMm: play, widthMm: play },
      },
    ],
    steps: [],
  };
}

/** A box with the outline of a heart, and its lid. */
export const heartBox: Form<HeartBoxParams> = {
  id: 'heart-box',
  name: 'Heart box',
  family: 'closing boxes',
  use: 'A ring, a folded note, a handful of sweets: a box with straight sides in the outline of a heart, with a lid.',
  sheetShape: 'square',
  leastSheetMm: 120,
  params: heartBoxParams,
  makeFields: [
    choice('lid', 'Lid', 'The same piece, from a sheet a little larger.', { plain: 'With a lid', none: 'None' }),
  ],
  fields: [WALLS],
  rooms: ['heart'],
  closure: ({ lid }) =>
    lid === 'plain' ? { kind: 'lid', words: 'a lid of the same make' } : { kind: 'open', words: 'open' },
  adhesive: () => 'optional',
  cuts: () => 'needed',
  skill: 3,
  minutes: 90,
  papers: '60 to 80 g/m², crisp: its walls are two layers and more, stiff enough without card.',
  ceiling: { mm: 500, why: 'its pleats no longer hold the walls' },
  cautions: [{ kind: 'sharp', words: 'The notch is slit with a knife: a ruler, a mat, and away from your fingers.' }],
  fold: foldHeart,
  floor(sheet, params) {
    const { h, m, k, upper } = frameOf(sheet, params);
    return (
      [
        [1 / 2, h],
        [1 - h - k, h],
        [1 - h - k, h + m],
        [1 / 2, h + m],
      ] as const
    ).map((place) => upper(place));
  },
  sizes,
  pieces: [anyPiece(lidPiece)],
  entries,
  assemble,
};
