import { AIMS, USUAL_CUT_RULES } from '@odd-corner/core';
import * as z from 'zod';
import { paperSheet } from './paper';
import { slug } from './make';
import { id, moment, MOST_SHEETS, name, TOO_MANY_SHEETS, version } from './shared';

const placeMm = z.number().min(0).max(20_000);

/** A rectangle on a sheet, from its near left corner, in mm. */
export const cutRect = z.object({ xMm: placeMm, yMm: placeMm, widthMm: placeMm, heightMm: placeMm });

/** One straight cut, from edge to edge of a piece that earlier cuts freed. */
export const straightCut = z.object({ piece: cutRect, runs: z.enum(['upright', 'level']), atMm: placeMm });

/** Sheets that are wanted: of a make, or typed. */
export const cuttingLine = z.object({
  name,
  widthMm: z.number('Write a size, for example 210 x 99.').min(5, 'Cut nothing narrower than 5 mm.').max(3000),
  heightMm: z.number('Write a size, for example 210 x 99.').min(5, 'Cut nothing narrower than 5 mm.').max(3000),
  count: z.int('Count whole sheets.').min(1, 'Count one or more.').max(MOST_SHEETS, TOO_MANY_SHEETS),
  mayTurn: z.boolean(),
  grain: z.enum(['along', 'across']).nullable(),
  /** The papers that it may come from; null for any. */
  papers: z.array(id).max(200).nullable(),
  /** The make that it is for; null where it was typed. */
  makeId: id.nullable(),
  entryKey: slug.nullable(),
});

export const CUT_TOOLS = ['knife', 'scissors', 'stated'] as const;

/** What a cut takes away, in mm; null where the maker says. */
export const LOSS_OF: Readonly<Record<(typeof CUT_TOOLS)[number], number | null>> = {
  ...{ knife: 0, scissors: 0.5, stated: null },
};

export const cuttingOptions = z.object({
  tool: z.enum(CUT_TOOLS),
  lossMm: z.number('Write what a cut takes away, for example 0.5.').min(0).max(5, 'A cut takes at most 5 mm.'),
  leastOffcutMm: z.number('Write a width, for example 30.').min(5, 'Keep nothing narrower than 5 mm.').max(1000),
  aims: z.array(z.enum(AIMS)).min(1).max(AIMS.length),
  offcuts: z.boolean(),
});

/** Pieces of a plan say which of its lines they are for. */
export const cuttingPiece = cutRect.extend({ line: z.int().min(0).max(199), turned: z.boolean() });

/** So many sheets of one paper, each cut alike. */
export const cuttingParentDraft = z.object({
  id,
  paperId: id,
  /** The paper as it was when this was planned. */
  sheet: z.object({ name, ...paperSheet.shape, caliperMm: z.number().min(0.01).max(2) }),
  sheets: z.int().min(1).max(MOST_SHEETS),
  pieces: z.array(cuttingPiece).min(1).max(500),
  cuts: z.array(straightCut).max(1000),
  offcuts: z.array(cutRect).max(500),
});

export const cuttingParent = cuttingParentDraft.extend({
  /** The paper that there is now; null once it was thrown away for good. */
  paperId: id.nullable(),
  /** Off the shelf, and its offcuts on it. */
  done: z.boolean(),
});

export const cuttingProof = z.object({
  aim: z.enum(AIMS),
  value: z.number(),
  least: z.number().nullable(),
  sheets: z.int().min(0),
  leastSheets: z.int().min(0).nullable(),
  whole: z.boolean(),
});

const lines = z.array(cuttingLine).min(1, 'Nothing is to be cut yet.').max(200, 'Plan at most 200 lines at once.');
const missing = z.array(z.int().min(0)).max(200);
const parents = z.array(cuttingParentDraft).min(1).max(200);

/** A plan that is accepted: its sheets are reserved until they are cut. */
export const newCuttingPlan = z
  .object({ id, title: name, lines, options: cuttingOptions, parents, missing, proof: cuttingProof })
  .refine(
    (plan) => plan.parents.every(({ pieces }) => pieces.every(({ line }) => line < plan.lines.length)),
    'A piece is for no line.',
  );

/** What is not cut yet, planned anew. */
export const cuttingAnew = z.object({ version, parents: parents.min(0), missing, proof: cuttingProof });

export const cuttingPlan = z.object({
  ...{ id, version, title: name, lines, options: cuttingOptions, missing, proof: cuttingProof },
  parents: z.array(cuttingParent).max(400),
  createdAt: moment,
  updatedAt: moment,
});

/** Which sheets of a plan were cut, or were not after all. */
export const cutTicked = z.object({ version, parentId: id, done: z.boolean() });

export type CuttingLine = z.infer<typeof cuttingLine>;
export type CuttingOptions = z.infer<typeof cuttingOptions>;
export type CuttingParent = z.infer<typeof cuttingParent>;
export type CuttingParentDraft = z.infer<typeof cuttingParentDraft>;
export type CuttingPlanKept = z.infer<typeof cuttingPlan>;
export type NewCuttingPlan = z.infer<typeof newCuttingPlan>;

export const USUAL_CUTTING: CuttingOptions = {
  ...{ tool: 'knife', lossMm: USUAL_CUT_RULES.lossMm, leastOffcutMm: USUAL_CUT_RULES.leastOffcutMm },
  ...{ aims: ['paper', 'whole', 'cuts'], offcuts: true },
};
