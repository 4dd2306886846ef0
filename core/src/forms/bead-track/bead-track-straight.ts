import * as z from 'zod';
import { onParts } from '../../folding/crease-rows';
import type { Hand } from '../../folding/hand';
import type { ShownUnit } from '../../measure/format-length';
import type { Sheet } from '../../paper/sheet';
import { SMALL_PARTS } from '../../purpose/cautions';
import { atHand, squareFrame } from '../at-hand';
import { choice, sought } from '../choice';
import type { Folding, Form } from '../form';
import { recordSteps } from '../record-steps';
import { creasePath, creaseStrips, standUp, type TrackFolding } from './fold-track';
import { measureTrack } from './measure-track';
import { assembleWithTray, tray, trayField, withTray } from './with-tray';
import { trackRows } from './stance';
import { hemRows, straightCorners, straightStance, straightTrack } from './straight';
import { runOf } from './run-of';
import { straightWords, trackWords } from './words';
import { strips, stripsField, stripsOf } from './strips';

export const straightTrackParams = z.object({
  strips,
  tray,
  body: z.enum(['usual', 'wide']).default('usual'),
});

type StraightTrackParams = z.infer<typeof straightTrackParams>;

/** Beads up to this share of strip and gutter passed in simulated runs: 0.06 of the sheet with eight strips. */
const BEAD_SHARE = 0.39;

function fold(hand: Hand, sheet: Sheet, params: StraightTrackParams, unit?: ShownUnit): Folding {
  const { side, on } = squareFrame(sheet);
  const track = straightTrack(stripsOf(params.strips), params.body);
  const corners = straightCorners(track);
  const [y, tip] = [corners[0].turn[1], corners[0].tip[1]];
  const said = straightWords({ bodyMm: y * side, tipMm: tip * side, hemMm: track.hem * side }, unit);
  const words = trackWords(
    {
      stripMm: side / track.strips,
      halved: track.strips === 8,
      away: {
        words:
          'Lift it from the table and push on in the same movement until it is a flat bar. Pull its ends apart to set it up again.',
        check: 'A bar as thick as all strips together.',
        slip: {
          what: 'It will not close.',
          remedy: 'A zigzag is not symmetric about its strip line: crease it again.',
        },
      },
    },
    unit,
  );
  const { steps, step } = recordSteps(hand);
  const { through } = atHand(hand);
  const folding: TrackFolding = { hand, step, words, at: ([u, v]) => on(u, v), corners };

  step(
    said.lines,
    { creases: ['body line', 'tip line'], arrows: [{ kind: 'fold-and-unfold', grip: on(0.5, 0), to: on(0.5, 2 * y) }] },
    () => {
      for (const [name, share] of [
        ['body line', y],
        ['tip line', tip],
      ] as const)
        for (const far of [false, true]) {
          const at = (x: number, v: number) => on(x, far ? 1 - v : v);
          const [a, b] = [0, 1].map((x) => hand.measured(name, at(x, share), at(x, 0)));
          hand.valley(name, { kind: 'through-points', a, b, moving: hand.at(at(0.5, 0)) });
          hand.unfold(name);
        }
    },
  );
  step(
    said.hems,
    {
      creases: ['hem'],
      arrows: [
        { kind: 'fold', grip: on(0.02, 0) },
        { kind: 'fold', grip: on(0.02, 1) },
      ],
    },
    () => {
      for (const far of [false, true]) {
        const [low, corner] = [on(0, far ? 1 - track.hem : track.hem), on(0, far ? 1 : 0)];
        hand.measured('hem', low, corner);
        hand.valley('hem', through(low, on(1, far ? 1 : 0), corner));
      }
    },
  );
  creaseStrips(folding);
  creasePath(folding);
  step(words.dents, { arrows: [{ kind: 'push-in', grip: on(...corners[1].tip) }] }, () => undefined);
  const posed = (pose: 'standing' | 'flat bar') => {
    const stance = straightStance(track, pose);
    return onParts([folding.at], [...trackRows(corners, stance), ...hemRows(track, stance)]);
  };
  standUp(folding, posed('standing'));
  const finished = hand.pose;
  step(
    words.roll,
    {
      view: 'space',
      arrows: [
        { kind: 'fold', grip: on(...corners[corners.length - 1].turn), to: on(...corners[corners.length - 2].turn) },
      ],
    },
    () => undefined,
  );
  step(words.away, { view: 'space', arrows: [on(0, 0.5), on(1, 0.5)].map((grip) => ({ kind: 'push-in', grip })) }, () =>
    hand.collapse(posed('flat bar'), on(0.1, 0.5)),
  );
  return { steps, finished, flat: hand.pose };
}

/** A standing zigzag gutter of even width, which folds flat to a bar. */
export const straightBeadTrack: Form<StraightTrackParams> = {
  id: 'bead-track-straight',
  name: 'Straight bead track',
  family: 'bead tracks',
  use: 'A bead runs down from side to side, for waiting hands; pushed together it is a flat bar.',
  sheetShape: 'square',
  leastSheetMm: 120,
  params: straightTrackParams,
  fields: [
    sought(stripsField),
    choice('body', 'Body', 'A wider one has a longer and flatter path.', {
      usual: 'Three eighths of the sheet',
      wide: 'Half of the sheet',
    }),
  ],
  makeFields: [trayField],
  rooms: ['gutter'],
  closure: () => ({ kind: 'open', words: 'does not close' }),
  adhesive: () => 'none',
  cuts: () => 'none',
  skill: 3,
  minutes: 60,
  papers: '70 to 100 g/m², crisp and smooth; the hems let lighter paper stand too.',
  ceiling: { mm: 400, why: 'its legs bend between their creases' },
  cautions: [SMALL_PARTS],
  fold,
  sizes(folding, sheet, params, thicknessMm) {
    const { on } = squareFrame(sheet);
    const corners = straightCorners(straightTrack(stripsOf(params.strips), params.body));
    return measureTrack(folding, ([u, v]) => on(u, v), corners, BEAD_SHARE, thicknessMm);
  },
  runs(sheet, params) {
    const { on } = squareFrame(sheet);
    const corners = straightCorners(straightTrack(stripsOf(params.strips), params.body));
    return runOf(([u, v]) => on(u, v), corners, 0);
  },
  entries: (params) => withTray('bead-track-straight', params),
  assemble: (made, params) =>
    assembleWithTray(made, straightCorners(straightTrack(stripsOf(params.strips), params.body))),
};
