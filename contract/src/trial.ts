import * as z from 'zod';
import { make } from './make';
import { id, moment, name, version } from './shared';

/** What can be tried of a form. */
export const TRIAL_KINDS = ['pour', 'float', 'roll', 'hold', 'soak'] as const;
export type TrialKind = (typeof TRIAL_KINDS)[number];

/** What comes out of a trial is counted or measured in. */
export const TRIAL_UNITS = ['pieces', 'ml', 'g', 'mm', 's', 'minutes', 'of 100'] as const;

const figure = z.number().min(-1e6).max(1e6);

/** What a simulation told before it was tried: between least and most, and most likely. */
export const foretoldFigure = z
  .object({ least: figure, likely: figure, most: figure })
  .refine(
    ({ least, likely, most }) => least <= likely && likely <= most,
    'What is likely lies between least and most.',
  );

/** What is written down of a trial; all that came of it may follow later. */
const written = z.object({
  /** What it was tried with, in words: a dice of 16 mm, a jam jar of 125 ml. */
  what: z.string().trim().min(1, 'Say what it was tried with.').max(200, 'Use at most 200 characters.'),
  paperId: id.nullable(),
  folderHandId: id.nullable(),
  /** As it was asked of the simulation, so that it can be run again. */
  asked: z.record(z.string().max(40), z.union([z.number(), z.string().max(200), z.boolean(), z.null()])),
  unit: z.enum(TRIAL_UNITS),
  guess: figure.nullable(),
  foretold: foretoldFigure.nullable(),
  truth: figure.nullable(),
  /** Who guessed, by role; empty where nobody says. */
  role: z.string().trim().max(40, 'Use at most 40 characters.'),
  note: z.string().max(1000, 'Use at most 1,000 characters.'),
});

const of = {
  kind: z.enum(TRIAL_KINDS),
  title: name,
  make,
  jobId: id.nullable(),
  makeId: id.nullable(),
  /** The entry of the logbook whose piece it was tried with. */
  entryId: id.nullable(),
};

/** As it is sent to be written down: its id is made by the sender. */
export const newTrial = written.extend({ ...of, id });

export const trialChange = written.extend({ entryId: id.nullable(), version });

/** Something that was tried with a form: what with, what was guessed, what was told, and what came. */
export const trial = written.extend({ ...of, id, version, triedAt: moment });

export type Trial = z.infer<typeof trial>;
export type NewTrial = z.infer<typeof newTrial>;
export type TrialChange = z.infer<typeof trialChange>;
