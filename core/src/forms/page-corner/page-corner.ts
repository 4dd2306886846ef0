import * as z from 'zod';
import { choice } from '../choice';
import type { Hand } from '../../folding/hand';
import { layersAt } from '../../folding/layers-at';
import { whereIs } from '../../folding/pose';
import { mostLayers } from '../../folding/stack-depth';
import { between, distance, point } from '../../measure/point';
import type { Sheet } from '../../paper/sheet';
import { atHand, squareFrame } from '../at-hand';
import type { Folding, Form, FormSizes, PrintedPart } from '../form';
import { CORNER } from '../../rooms/corner';
import { recordSteps } from '../record-steps';
import { PAGE_CORNER_USE, PAGE_CORNER_WORDS as words } from './words';

export const pageCornerParams = z.object({
  /** What is put on its front: nothing, or a band of a second paper with two eyes. */
  panel: z.enum(['none', 'band']).default('none'),
});

type PageCornerParams = z.infer<typeof pageCornerParams>;

/** Height of the band, as a share of the pocket's depth. */
const BAND = 0.4;
/** Radius of two equal discs that touch the mouth, the middle line and the slanted edges, as a share of the depth. */
const EYE = (2 - Math.SQRT2) / 2;

/** The band for the front: as wide as the pocket at its mouth, cut flush with the pocket's edges, which run at half right angles. */
function faceBand({ rooms: [{ sizes }] }: FormSizes): PrintedPart {
  const { depthMm } = CORNER.schema.parse({ kind: CORNER.id, sizes }).sizes;
  const high = BAND * depthMm;
  const eye = EYE * depthMm;
  return {
    name: 'Face panel: cut out, eyes from white paper',
    outline: [point(0, 0), point(2 * depthMm, 0), point(2 * depthMm - high, high), point(high, high)],
    // Beside the band, to be cut out of white paper.
    discs: [0, 1].map((k) => ({ x: eye + k * 2.4 * eye, y: high + 1.5 * eye, radiusMm: eye })),
  };
}

function fold(hand: Hand, sheet: Sheet, { panel }: PageCornerParams): Folding {
  const { on } = squareFrame(sheet);
  const { onto, through } = atHand(hand);
  const { steps, uses, step, use } = recordSteps(hand);
  const [near, right, far, left, centre] = [on(0, 0), on(1, 0), on(1, 1), on(0, 1), on(0.5, 0.5)];
  const wing = (name: string, corner: typeof right): void => hand.valley(`${name} wing`, onto(corner, far));

  step(words.turn, { arrows: [{ kind: 'rotate', grip: right }] }, () => hand.rotate(45));
  step(words.triangle, { creases: ['bottom'], arrows: [{ kind: 'fold', grip: near }] }, () =>
    hand.valley('bottom', onto(near, far)),
  );
  step(
    words.creases,
    {
      creases: ['right wing', 'left wing'],
      arrows: [right, left].map((grip) => ({ kind: 'fold-and-unfold', grip })),
    },
    () => {
      wing('right', right);
      wing('left', left);
      hand.pause();
      hand.unfold('right wing');
    },
  );
  step(words.front, { creases: ['front'], arrows: [{ kind: 'fold', grip: near }] }, () =>
    hand.valley('front', onto(near, centre), { flap: near }),
  );
  for (const [name, corner] of [
    ['right', right],
    ['left', left],
  ] as const) {
    step(words[`${name}Wing`], { creases: [`${name} wing`], arrows: [{ kind: 'fold', grip: corner }] }, () =>
      wing(name, corner),
    );
    // The pocket's upper edge is the fold of the front layer; the wing's tip stands above it.
    step(words[`${name}Tip`], { creases: [`${name} tip`], arrows: [{ kind: 'tuck', grip: corner }] }, () =>
      hand.tuckBehind(`${name} tip`, through(on(0.5, 0), on(0, 0.5), corner), on(0.6, 0.6), {
        flap: corner,
      }),
    );
  }
  if (panel === 'band')
    step(
      words.panel,
      {
        arrows: [{ kind: 'fold', grip: on(0.95, 0.95), to: on(0.7, 0.7) }],
        // From shoulder to shoulder, and down both slanted edges by the height of the band.
        lying: [on(1, 0.5), on(1 - BAND / 2, 0.5), on(0.5, 1 - BAND / 2), on(0.5, 1)],
      },
      () => undefined,
    );
  use(PAGE_CORNER_USE.use, { arrows: [{ kind: 'push-in', grip: on(0.5, 0.5) }] });
  return { steps, uses, finished: hand.pose };
}

/** A pocket that slips over the corner of a page. */
export const pageCorner: Form<PageCornerParams> = {
  id: 'page-corner-bookmark',
  name: 'Page-corner bookmark',
  family: 'bookmarks',
  use: 'Marks a page of a manual by its corner; its front can carry a drawing or a face.',
  sheetShape: 'square',
  leastSheetMm: 80,
  params: pageCornerParams,
  fields: [
    choice('panel', 'Face', 'A band of a second paper across the front, with two eyes: printed, or drawn by hand.', {
      none: 'None',
      band: 'A band with eyes, glued on',
    }),
  ],
  rooms: ['corner'],
  closure: () => ({ kind: 'open', words: 'does not close; it grips the page by itself' }),
  adhesive: ({ panel }) => (panel === 'band' ? 'needed' : 'none'),
  cuts: ({ panel }) => (panel === 'band' ? 'needed' : 'none'),
  skill: 1,
  minutes: 5,
  papers: '70 to 100 g/m², coloured through looks best. Up to seven layers make card stock too thick.',
  ceiling: { mm: 300, why: 'it folds the pages over instead of marking them' },
  cautions: [{ kind: 'sharp', words: 'Scissors for the decoration: take care, and keep a grown-up beside children.' }],
  fold,
  prints: (sizes) => [faceBand(sizes)],
  sizes({ finished }, sheet, _params, thicknessMm) {
    const { on } = squareFrame(sheet);
    const at = (x: number, y: number) => whereIs(finished, on(x, y));
    const [corner, shoulder, mouth] = [at(0.5, 0.5), at(1, 0.5), at(0.25, 0.25)];
    const leg = distance(corner, shoulder);
    const depth = distance(corner, mouth);
    const most = mostLayers(finished);
    return {
      rooms: [CORNER.of({ legMm: leg, depthMm: depth }, [corner, shoulder, at(0.5, 1)])],
      outer: { lengthMm: leg, widthMm: distance(shoulder, at(1, 1)), heightMm: most * thicknessMm },
      lengths: [
        { name: 'mouth', mm: 2 * distance(mouth, shoulder) },
        // The circle that touches both legs and the mouth of a right-angled triangle with equal legs.
        { name: 'widest round face on the front', mm: 2 * leg - Math.SQRT2 * leg },
        { name: 'band across the front, high', mm: BAND * depth },
        { name: 'each of two eyes, across', mm: 2 * EYE * depth },
      ],
      layers: [
        { name: 'thickest', count: most },
        { name: 'behind the mouth', count: layersAt(finished, between(mouth, at(1, 1))) },
      ],
    };
  },
};
