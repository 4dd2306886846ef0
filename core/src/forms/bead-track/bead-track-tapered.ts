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
import { runOf } from './run-of';
import { assembleWithTray, tray, trayField, withTray } from './with-tray';
import { strips, stripsField, stripsOf } from './strips';
import { taperedCorners, taperedRows, taperedTrack } from './tapered';
import { taperedWords, trackWords } from './words';

/** Heights of the mark, as shares of the sheet. */
const MARKS = { eighth: 1 / 8, sixteenth: 1 / 16, 'three sixteenths': 3 / 16, quarter: 1 / 4 } as const;

export const taperedTrackParams = z.object({
  strips,
  tray,
  mark: z.enum(['eighth', 'sixteenth', 'three sixteenths', 'quarter']).default('eighth'),
});

type TaperedTrackParams = z.infer<typeof taperedTrackParams>;

/** Beads up to this share of strip and gutter passed in simulated runs: 0.06 of the sheet with eight strips. */
const BEAD_SHARE = 0.475;

/** Corner walls as high as they are folded lose fast beads: their tips are lifted by about so much. */
const LIFT_DEG = 30;

const trackOf = (params: TaperedTrackParams) => taperedTrack(stripsOf(params.strips), MARKS[params.mark]);

function fold(hand: Hand, sheet: Sheet, params: TaperedTrackParams, unit?: ShownUnit): Folding {
  const { side, on } = squareFrame(sheet);
  const track = trackOf(params);
  const corners = taperedCorners(track);
  const { mark, low, slope, band, lands } = track;
  const lines = { lowMm: (low + band) * side, highMm: (low + slope + band) * side };
  const said = taperedWords({ markMm: mark * side, fromEdgeMm: (1 - lands) * side, ...lines }, unit);
  const words = trackWords(
    {
      stripMm: side / track.strips,
      halved: track.strips === 8,
      away: {
        words:
          'It keeps best standing, under a box. To store it flat close the pleats of the path first; the legs then take new slanting creases, and stand less crisply afterwards. That flat state is only nearly exact, and is not drawn.',
        check: 'It stands as it stood.',
        slip: { what: 'A leg folds inwards.', remedy: 'Sharpen the strip lines down that leg again.' },
      },
    },
    unit,
  );
  const { steps, step } = recordSteps(hand);
  const { line, onto } = atHand(hand);
  const folding: TrackFolding = { hand, step, words, at: ([u, v]) => on(u, v), corners };

  step(
    said.marks,
    { creases: ['middle'], arrows: [{ kind: 'fold-and-unfold', grip: on(0.5, 0), to: on(0.5, 1) }] },
    () => {
      for (const [x, length] of [
        [0, 0.06],
        [1, 0.24],
      ] as const)
        hand.pinch('middle', onto(on(x, 0), on(x, 1)), { near: on(x, 0.5), lengthMm: length * side });
      for (const far of [0, 1]) hand.measured('mark', on(0, far ? 1 - mark : mark), on(0, far));
    },
  );
  step(
    said.legLine,
    {
      creases: ['leg line'],
      arrows: [{ kind: 'fold', grip: on(1, 0), to: on(lands, 0.5) }],
      landmarks: [{ point: on(0, mark), name: 'mark' }],
    },
    () =>
      hand.valley('leg line', {
        kind: 'points-onto-lines',
        ...{ point: hand.at(on(1, 0)), onto: line(on(0, 0.5), on(1, 0.5)) },
        ...{ other: hand.at(on(0, mark)), otherOnto: line(on(0, 0), on(1, 0)) },
        near: hand.at(on(lands, 0.5)),
      }),
  );
  step(
    said.otherLegLine,
    { creases: ['other leg line'], arrows: [{ kind: 'fold', grip: on(1, 1), to: on(1, 0) }] },
    () => {
      hand.valley('other leg line', onto(on(1, 1), on(1, 0)));
      hand.pause();
      hand.unfold('leg line');
    },
  );
  step(
    said.bodyLines,
    { creases: ['body line'], arrows: [{ kind: 'fold-and-unfold', grip: on(0.5, 0), to: on(0.5, 0.4) }] },
    () => {
      for (const far of [false, true]) {
        const at = (x: number, v: number) => on(x, far ? 1 - v : v);
        const a = hand.measured('body line', at(0, low + band), at(0, 0));
        const b = hand.measured('body line', at(1, low + slope + band), at(1, 0));
        hand.valley('body line', { kind: 'through-points', a, b, moving: hand.at(at(0.5, 0)) });
        if (!far) hand.pause();
        hand.unfold('body line');
      }
    },
  );
  creaseStrips(folding);
  creasePath(folding);
  step(words.dents, { arrows: [{ kind: 'push-in', grip: on(...corners[1].tip) }] }, () => undefined);
  standUp(folding, onParts([folding.at], taperedRows(track)));
  const finished = hand.pose;
  const [last, before] = [corners[corners.length - 1], corners[corners.length - 2]];
  step(words.lift, { view: 'space', arrows: [{ kind: 'lift', grip: on(...corners[1].tip) }] }, () => undefined);
  step(
    words.roll,
    { view: 'space', arrows: [{ kind: 'fold', grip: on(...last.turn), to: on(...before.turn) }] },
    () => undefined,
  );
  step(
    words.away,
    { view: 'space', arrows: [on(0, 0.5), on(1, 0.5)].map((grip) => ({ kind: 'push-in', grip })) },
    () => undefined,
  );
  return { steps, finished };
}

/** A standing zigzag gutter that widens towards its low end: the longest path of one sheet. */
export const taperedBeadTrack: Form<TaperedTrackParams> = {
  id: 'bead-track',
  name: 'Bead track',
  family: 'bead tracks',
  use: 'A bead runs from side to side down a zigzag gutter, for waiting hands: the longest path from one sheet.',
  sheetShape: 'square',
  leastSheetMm: 120,
  params: taperedTrackParams,
  fields: [
    sought(stripsField),
    choice('mark', 'Mark for the legs', 'A higher mark makes the track flatter and its low end higher.', {
      eighth: 'An eighth of the sheet',
      sixteenth: 'A sixteenth',
      'three sixteenths': 'Three sixteenths',
      quarter: 'A quarter',
    }),
  ],
  makeFields: [trayField],
  rooms: ['gutter'],
  closure: () => ({ kind: 'open', words: 'does not close' }),
  adhesive: () => 'none',
  cuts: () => 'none',
  skill: 3,
  minutes: 60,
  papers: '70 to 100 g/m², crisp and smooth: a smooth surface keeps beads rolling.',
  ceiling: { mm: 400, why: 'its legs bend between their creases' },
  cautions: [SMALL_PARTS],
  fold,
  sizes(folding, sheet, params, thicknessMm) {
    const { on } = squareFrame(sheet);
    return measureTrack(folding, ([u, v]) => on(u, v), taperedCorners(trackOf(params)), BEAD_SHARE, thicknessMm);
  },
  runs(sheet, params) {
    const { on } = squareFrame(sheet);
    return runOf(([u, v]) => on(u, v), taperedCorners(trackOf(params)), LIFT_DEG);
  },
  entries: (params) => withTray('bead-track', params),
  assemble: (made, params) => assembleWithTray(made, taperedCorners(trackOf(params))),
};
