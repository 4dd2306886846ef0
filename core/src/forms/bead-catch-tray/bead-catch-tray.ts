import * as z from 'zod';
import { type CreaseRow, inTwoWays, onParts, type SheetPart } from '../../folding/crease-rows';
import type { Hand } from '../../folding/hand';
import { whereIs } from '../../folding/pose';
import { spanOf } from '../../folding/solid-measures';
import { mostLayers } from '../../folding/stack-depth';
import type { ShownUnit } from '../../measure/format-length';
import { point } from '../../measure/point';
import { distance3 } from '../../measure/vector3';
import { extentOf } from '../../pattern/crease-pattern';
import type { Sheet } from '../../paper/sheet';
import { SMALL_PARTS } from '../../purpose/cautions';
import { CATCH } from '../../rooms/catch';
import { atHand } from '../at-hand';
import type { Folding, Form } from '../form';
import { type Limits, refuseUnsuited } from '../limits';
import { recordSteps } from '../record-steps';
import { catchWords } from './words';

const USUAL_LIP_DEG = 35;

export const beadCatchTrayParams = z.object({
  /** Depth of the lip along the paper; a sixteenth of the sheet where nothing is measured. */
  lipMm: z.number().positive().nullable().default(null),
  /** How far the lip is raised. */
  lipDeg: z.number().min(20).max(60).default(USUAL_LIP_DEG),
});

type BeadCatchTrayParams = z.infer<typeof beadCatchTrayParams>;

const [SHALLOWEST, DEEPEST, USUAL] = [1 / 32, 1 / 8, 1 / 16] as const;
const lipLimits = (side: number): Limits => [SHALLOWEST * side, DEEPEST * side];

interface CatchFrame {
  readonly side: number;
  /** Height of the walls, depth of the lip. */
  readonly wall: number;
  readonly lip: number;
  readonly at: SheetPart;
}

function frameOf(sheet: Sheet, { lipMm }: BeadCatchTrayParams): CatchFrame {
  const side = extentOf(sheet.outline);
  const lip = lipMm ?? USUAL * side;
  refuseUnsuited('Lip', lip, lipLimits(side), side);
  return { side, wall: side / 4, lip, at: ([x, y]) => point(x, y) };
}

/** Sides raised along all of their length, through the folded corners. */
const sidesUp = ({ side, wall: w, lip: f }: CatchFrame): readonly CreaseRow[] => [
  ['side', [w, f], [w, side], 90],
  ['side', [0, f], [w, f], -90],
];

/** The back raised between them, its corners folded to ears behind it. */
const backUp = ({ side, wall: w }: CatchFrame): readonly CreaseRow[] => [
  ['back', [w, 3 * w], [side - w, 3 * w], 90],
  ['back', [0, 3 * w], [w, 3 * w], 90],
  ['ear', [w, 3 * w], [0, side], 180],
  ['side', [w, 3 * w], [w, side], -180],
];

const lipUp = ({ side, wall: w, lip: f }: CatchFrame, deg: number): readonly CreaseRow[] => [
  ['lip', [w, f], [side - w, f], deg],
  ['lip', [w, 0], [w, f], -deg],
];

function fold(hand: Hand, sheet: Sheet, params: BeadCatchTrayParams, unit?: ShownUnit): Folding {
  const frame = frameOf(sheet, params);
  const { side, wall: w, lip: f, at } = frame;
  const words = catchWords({ reachMm: w + f, lipMm: f, lipDeg: params.lipDeg }, unit);
  const { onto } = atHand(hand);
  const { steps, step } = recordSteps(hand);
  const parts = inTwoWays(at, side / 2);
  const middle = at([side / 2, side / 2]);
  const collapse = (rows: readonly CreaseRow[]): void => hand.collapse(onParts(parts, rows), middle);

  step(
    words.quarters,
    {
      creases: ['side'],
      arrows: parts.map((part) => ({ kind: 'fold-and-unfold', grip: part([0, side / 2]), to: middle })),
    },
    () => {
      for (const part of parts) {
        hand.valley('side', onto(part([0, side / 2]), middle));
        if (part === parts[0]) hand.pause();
        hand.unfold('side');
      }
    },
  );
  step(
    words.back,
    { creases: ['back'], arrows: [{ kind: 'fold-and-unfold', grip: at([side / 2, side]), to: middle }] },
    () => {
      hand.valley('back', onto(at([side / 2, side]), middle));
      hand.pause();
      hand.unfold('back');
    },
  );
  step(
    words.corners,
    { creases: ['corner'], arrows: parts.map((part) => ({ kind: 'fold', grip: part([0, 0]) })) },
    () => {
      for (const part of parts) {
        const corner = part([0, 0]);
        const [a, b] = [part([w + f, 0]), part([0, w + f])].map((mark) => hand.measured('corner', mark, corner));
        hand.valley('corner', { kind: 'through-points', a, b, moving: hand.at(corner) });
      }
    },
  );
  step(
    words.walls,
    { view: 'space', creases: ['side'], arrows: parts.map((part) => ({ kind: 'lift', grip: part([0, side / 2]) })) },
    () => collapse(sidesUp(frame)),
  );
  step(
    words.backUp,
    { view: 'space', creases: ['back', 'ear'], arrows: [{ kind: 'lift', grip: at([side / 2, side]) }] },
    () => collapse(backUp(frame)),
  );
  step(words.lip, { view: 'space', creases: ['lip'], arrows: [{ kind: 'lift', grip: at([side / 2, 0]) }] }, () =>
    collapse(lipUp(frame, params.lipDeg)),
  );
  const finished = hand.pose;
  step(words.use, { view: 'space', arrows: [{ kind: 'push-in', grip: at([side / 2, 0]) }] }, () => undefined);
  step(words.away, { view: 'space', arrows: [{ kind: 'push-in', grip: at([side / 2, side]) }] }, () => undefined);
  return { steps, finished };
}

/** An open tray with three walls and a springy lip, set under the exit of a bead track. */
export const beadCatchTray: Form<BeadCatchTrayParams> = {
  id: 'bead-catch-tray',
  name: 'Bead catch tray',
  family: 'bead tracks',
  use: 'Catches the beads at the low end of a track: three walls, and a lip that they roll over.',
  sheetShape: 'square',
  leastSheetMm: 70,
  params: beadCatchTrayParams,
  fields: [
    {
      key: 'lipMm',
      label: 'Depth of the lip',
      why: 'A deeper lip holds larger beads back; it must stay under the exit of the track.',
      input: { kind: 'length', folded: 'a sixteenth of the sheet', range: ({ widthMm }) => lipLimits(widthMm) },
    },
    {
      key: 'lipDeg',
      label: 'Angle of the lip',
      why: 'Flatter lets beads in easily, steeper holds them back.',
      input: { kind: 'angle', min: 20, max: 60 },
    },
  ],
  rooms: ['catch'],
  closure: () => ({ kind: 'open', words: 'does not close' }),
  adhesive: () => 'optional',
  cuts: () => 'none',
  skill: 1,
  minutes: 8,
  papers: '70 to 120 g/m²; soft, unglazed paper inside quietens the beads.',
  ceiling: { mm: 500, why: 'its walls bend outwards' },
  cautions: [SMALL_PARTS],
  fold,
  floor(sheet, params) {
    const { side, wall: w, lip: f, at } = frameOf(sheet, params);
    return [at([w, f]), at([side - w, f]), at([side - w, 3 * w]), at([w, 3 * w])];
  },
  sizes({ finished }, sheet, params, thicknessMm) {
    const { side, wall: w, lip: f } = frameOf(sheet, params);
    const at = (x: number, y: number) => whereIs(finished, point(x, y));
    const floor = [at(w, f), at(side - w, f), at(side - w, 3 * w), at(w, 3 * w)];
    const edge = [at(w + 2 * f, 0), at(side - w - 2 * f, 0)];
    const outer = spanOf(finished);
    return {
      rooms: [
        CATCH.of({
          widthMm: Math.min(distance3(floor[0], floor[1]), distance3(floor[2], floor[3])) - thicknessMm,
          lengthMm: Math.min(distance3(floor[0], floor[3]), distance3(floor[1], floor[2])) - thicknessMm,
          lipMm: Math.min(...edge.map(({ z }) => z)) - floor[0].z + thicknessMm,
          wallMm: at(0, side / 2).z - at(w, side / 2).z,
        }),
      ],
      outer: {
        lengthMm: outer.x + 2 * thicknessMm,
        widthMm: outer.y + 3 * thicknessMm,
        heightMm: outer.z + thicknessMm,
      },
      lengths: [
        { name: 'opening at the lip', mm: distance3(floor[0], floor[1]) },
        { name: 'lip, along the paper', mm: distance3(edge[0], at(w + 2 * f, f)) },
      ],
      layers: [{ name: 'thickest', count: mostLayers(finished) }],
    };
  },
};
