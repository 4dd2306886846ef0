import { formatLength, type ShownUnit } from '../../measure/format-length';
import type { StepWords } from '../form';

type Common = 'strips' | 'path' | 'zigzags' | 'dents' | 'stand' | 'lift' | 'roll' | 'away';
export type TrackWords = Readonly<Record<Common, StepWords>>;

const swallowed = 'Small beads can be swallowed: keep them from children under three.';

/** What is said of every track; `how` it is kept flat differs. */
export function trackWords(
  {
    stripMm,
    halved,
    away,
  }: {
    readonly stripMm: number;
    readonly halved: boolean;
    readonly away: Pick<StepWords, 'words' | 'check' | 'slip'>;
  },
  unit: ShownUnit = 'mm',
): TrackWords {
  return {
    strips: {
      id: 'strip-lines',
      title: 'Upright creases at all strips',
      words: halved
        ? 'Fold the sheet in half from left to right and open; then each part in half again, until it has eight equal strips. Crease from the near to the far edge.'
        : `Mark every ${formatLength(stripMm, unit)} along the near and the far part of the sheet. Crease at each pair of marks, and open.`,
      check: 'All strips are equal.',
      slip: { what: 'One strip is wider.', remedy: 'Crease its line again: the track would bend there.' },
      crease: 'sharp',
    },
    path: {
      id: 'path',
      title: 'Turn over, crease the path',
      words:
        'Coloured side up, the high end to your left now. Crease a zigzag of valleys from the body line on one side to the body line on the other, one for each strip: pleat it with the strip line beside it, and let it end exactly on the body line.',
      check: 'The path touches the body lines by turns, never the tip lines.',
      slip: {
        what: 'It runs out to the tip line.',
        remedy: 'The bead would roll off: crease it again to the body line.',
      },
      crease: 'sharp',
    },
    zigzags: {
      id: 'zigzags',
      title: 'Zigzags of both legs',
      words:
        'On each side pinch a zigzag of ridges between body line and tip line, finger behind: it touches the body line where a ridge ends, and the tip line where the path turns.',
      check: 'Each piece crosses one strip.',
      slip: {
        what: 'It touches the wrong way round.',
        remedy: 'Ridges would lie lower than the path: shift it by one strip.',
      },
      crease: 'sharp',
    },
    dents: {
      id: 'dents',
      title: 'Set ridges and valleys',
      words:
        'Each strip line is a ridge across the body only. Where the path turns, dent it in from the turn to the wall’s tip, and let it be a ridge down that leg; down the other leg it is a valley.',
      check: 'At every turn three valleys and one ridge meet.',
      slip: {
        what: 'The strip line is a ridge all the way.',
        remedy: 'Dent it in beyond the turn, or the pleat does not end there.',
      },
      crease: 'soft',
    },
    stand: {
      id: 'stand',
      title: 'Push it together, stand it up',
      words:
        'Push all pleats gently together from both ends, turn the legs down, and set it on the table. Squeeze or spread it until both legs stand upright and their lower edges lie on the table all along.',
      check: 'It stands on both edges, the high end at one side.',
      slip: {
        what: 'It stands on points only.',
        remedy: 'Squeeze the high end and open the low end until the edges touch.',
      },
      crease: 'soft',
    },
    lift: {
      id: 'lift-tips',
      title: 'Lift the tips',
      words:
        'At each turn bend the small wall up by 20 to 30 degrees along the body line: it stops a fast bead. Only for small beads on a straight track; on a tapered one always.',
      check: 'Each tip stands a little over the turn.',
      slip: { what: 'The bead stops in a corner.', remedy: 'The tip is lifted too far: press it down a little.' },
      crease: 'soft',
    },
    roll: {
      id: 'roll',
      title: 'Let a bead roll',
      words:
        'Set the bead on the highest turn and let go. Where it stops, press the body down; where it jumps out, lift that tip. Keep several beads one segment apart.',
      check: 'It runs down from side to side and leaves at the low corner.',
      slip: { what: 'It stops half way.', remedy: 'Lay a book’s page or two under the high end.' },
      crease: 'none',
      caution: swallowed,
    },
    away: { id: 'store', title: 'Fold it away', ...away, crease: 'none' },
  };
}

type StraightStep = 'lines' | 'hems';

export function straightWords(
  { bodyMm, tipMm, hemMm }: { readonly bodyMm: number; readonly tipMm: number; readonly hemMm: number },
  unit: ShownUnit = 'mm',
): Readonly<Record<StraightStep, StepWords>> {
  const mm = (length: number): string => formatLength(length, unit);
  return {
    lines: {
      id: 'body-and-tip-lines',
      title: 'Body lines and tip lines',
      words: `White side up. Mark ${mm(tipMm)} and ${mm(bodyMm)} from the near and from the far edge, at both ends. Crease lightly through each pair of marks, and open.`,
      check: 'Four level lines: two close together near each edge.',
      slip: { what: 'A body line is creased hard.', remedy: 'It is only a guide: press it out again.' },
      crease: 'soft',
    },
    hems: {
      id: 'hems',
      title: 'Two slanting hems',
      words: `Mark ${mm(hemMm)} from both left corners along the left edge. Fold the near edge in along the line from the lower mark to the right near corner; the far edge likewise. Leave them folded.`,
      check: 'The hems are wide at the left, the low end, and run out to nothing at the right.',
      slip: { what: 'A hem lies on the coloured side.', remedy: 'Fold it the other way, or the legs do not fold.' },
      crease: 'sharp',
    },
  };
}

type TaperedStep = 'marks' | 'legLine' | 'otherLegLine' | 'bodyLines';

export function taperedWords(
  marks: { readonly markMm: number; readonly fromEdgeMm: number; readonly lowMm: number; readonly highMm: number },
  unit: ShownUnit = 'mm',
): Readonly<Record<TaperedStep, StepWords>> {
  const mm = (length: number): string => formatLength(length, unit);
  return {
    marks: {
      id: 'marks',
      title: 'Middle and marks',
      words: `White side up, bring the near edge to the far edge and pinch the fold at the left edge, and a longer piece at the right edge. Open. On the left edge mark ${mm(marks.markMm)} from the near and from the far corner.`,
      check: 'Two pinches, the right one about a quarter of the sheet long; two marks on the left edge.',
      slip: { what: 'The right pinch is short.', remedy: 'Make it longer: the corner lands on it.' },
      crease: 'pinch',
    },
    legLine: {
      id: 'leg-line',
      title: 'Near leg line',
      words: `Lift the near edge so that it passes through the near mark and its right corner lies on the long pinch, ${mm(marks.fromEdgeMm)} from the right edge. Flatten.`,
      check: 'A small slanting triangle of colour stands out beside the mark.',
      slip: {
        what: 'The corner lies beside the pinch.',
        remedy: 'Slide it there, with the edge still on the mark: the slope comes from it.',
      },
      crease: 'sharp',
    },
    otherLegLine: {
      id: 'other-leg-line',
      title: 'Far leg line',
      words: 'Bring the right far corner onto the corner that has landed. Flatten, then open both.',
      check: 'Two slanting creases, closer together at the right.',
      slip: { what: 'They are not alike.', remedy: 'The far edge must pass through the far mark.' },
      crease: 'sharp',
    },
    bodyLines: {
      id: 'body-lines',
      title: 'Body lines',
      words: `Mark ${mm(marks.lowMm)} on the left and ${mm(marks.highMm)} on the right edge, from the near and from the far corners. Crease lightly through each pair of marks, and open.`,
      check: 'Each runs beside its leg line, as far from it at both ends.',
      slip: { what: 'They are not parallel.', remedy: 'Mark again, or one end of the legs lifts.' },
      crease: 'soft',
    },
  };
}
