import * as z from 'zod';
import { id } from './shared';

const lean = z.object({
  missMm: z.number().min(0),
  missSpread: z.number().min(0),
  leanMm: z.number(),
  leanSdMm: z.number().min(0),
});
const leanAtForm = lean.extend({
  pieces: z.int().min(1),
  sizes: z.record(z.string(), lean.pick({ leanMm: true, leanSdMm: true })),
});

/** What is known of a hand from pieces that were measured: on one paper, or on whatever paper. Lengths are mm at the fold. */
export const learnedHand = lean.extend({ pieces: z.int().min(1), forms: z.record(z.string(), leanAtForm) });

const pace = z.object({ times: z.number().positive(), spread: z.number().min(0), pieces: z.int().min(1) });

const stepPace = z.object({ times: z.number().positive(), copies: z.int().min(1) });

/** What pieces that nobody said the paper of are kept under. */
export const NO_PAPER = 'none';

/** What the logbook says of hands and of papers. */
export const learned = z.object({
  hands: z.array(
    z.object({
      /** Null is the workshop's usual hand. */
      handId: id.nullable(),
      /** Pieces that were measured; what follows is null without any. */
      pieces: z.int().min(0),
      any: learnedHand.nullable(),
      /** By papers. */
      papers: z.record(z.string(), learnedHand),
      /** How many times as long as told it takes; null where no time was written down. */
      pace: pace
        .extend({
          forms: z.record(z.string(), pace),
          /** How many times as long as the other steps of its form each takes; by forms and steps that were timed. */
          steps: z.record(z.string(), z.record(z.string(), stepPace)),
        })
        .nullable(),
    }),
  ),
  papers: z.array(
    z.object({
      paperId: id,
      pieces: z.int().min(1),
      /** How thick a layer is by what came out, and how sure that is: one standard deviation. */
      caliperMm: z.number(),
      sdMm: z.number().min(0),
    }),
  ),
});

export type Learned = z.infer<typeof learned>;
export type LearnedOfHand = Learned['hands'][number];
export type LearnedOfPaper = Learned['papers'][number];
