import {
  blockOf,
  BOX,
  type EaseId,
  type Fitting,
  isSized,
  make as foldAndMeasure,
  type Purpose as Contents,
  type RulerId,
  type SizedEntry,
  sizeFor,
  type SizeOptions,
  squareTray,
} from '@odd-corner/core';
import * as z from 'zod';
import type { AskedOptions } from './asked';
import { ease, ruler } from './choices';
import type { CopyProgress, Job, JobDraft, JobMake } from './job';
import { layerMm, type Make, type MakeEntry, type Predicted } from './make';
import { id, lengthMm, name, sheetMm } from './shared';
import { type Block, block } from './thing';

const walls = z.enum(['folded', 'measured']);

/** One part to fold: its sheet and, where the wall is measured, its height. */
const partChoice = z.object({ sheetMm, wallMm: lengthMm.nullable() });

/** A job as the stations of a tray read it, as long as only these are there. */
export const trayDraft = z.object({
  title: name,
  purpose: z.object({ text: z.string().max(200), block, ease }),
  choice: z.object({
    formId: z.string().min(1).max(80),
    walls,
    ruler,
    thicknessMm: layerMm,
    tray: partChoice,
    lid: partChoice,
    /** The paper on the shelf, or null when none was chosen. */
    paperId: id.nullable(),
  }),
});

/** Inside sizes in mm: between the sides, between the ends, and down. */
export type InsideSize = Readonly<Record<'lengthMm' | 'widthMm' | 'depthMm', number>>;
export type TrayDraft = z.infer<typeof trayDraft>;
export type Choice = TrayDraft['choice'];

/** How far folding has come: `step` steps of that part are done. */
export interface Place {
  readonly part: 'tray' | 'lid';
  readonly step: number;
  readonly seconds: number;
}

/** A job with one tray and its lid. */
export interface TrayJob extends TrayDraft, Pick<Job, 'id' | 'version' | 'state' | 'createdAt' | 'updatedAt'> {
  readonly progress: Place;
  /** Seconds spent on each part. */
  readonly spent: Readonly<Record<Place['part'], number>>;
  readonly kept: Job;
}

/** What a job asks for, as long as only a tray and its lid can be one. */
export interface TrayAsked {
  readonly block: Block;
  readonly ease: EaseId;
  readonly ruler: RulerId;
  readonly walls: Choice['walls'];
  /** Thickness of one layer of the paper, in mm. */
  readonly thicknessMm: number;
}

/** A tray that holds a block, and the lid that goes over it, at their sheets. */
export interface TraySized {
  readonly asked: TrayAsked;
  readonly tray: SizedEntry;
  readonly lid: SizedEntry;
}

const contentsOf = ({ lengthMm, widthMm, heightMm }: Block): Contents => ({
  kind: 'hold',
  pieces: [{ name: 'thing', count: 1, thing: { shape: 'block', lengthMm, widthMm, heightMm } }],
});

/** How what a job asks for is sized: for a hand that misses nothing. */
export const sizeOptionsOf = ({ ease, ruler, thicknessMm }: TrayAsked): SizeOptions => ({
  ...{ ease, ruler, thicknessMm },
  ...{ turning: 'upright', fingerRoom: false, gsm: 80, confidence: null, handMm: 0.3 },
  wishes: { lid: 'eared', nested: 1 },
});

/**
 * Sizes what a job asks for.
 * @returns null when no sheet is large enough
 */
export function sizeTrayJob(fitting: Fitting, asked: TrayAsked): TraySized | null {
  const given = asked.walls === 'folded' ? { wallMm: null } : {};
  const sized = sizeFor(fitting, squareTray.id, contentsOf(asked.block), sizeOptionsOf(asked), given);
  return isSized(sized) ? { asked, tray: sized, lid: sized.others[0] } : null;
}

/** Wall height of a sized tray or lid in mm, or null when folding alone gives it. */
export const wallOf = ({ params }: SizedEntry): number | null =>
  typeof params['wallMm'] === 'number' ? params['wallMm'] : null;

/** What a job keeps of it. */
export function choiceOf({ asked, tray, lid }: TraySized, paperId: string | null): Choice {
  const part = (entry: SizedEntry): Choice['tray'] => ({ sheetMm: entry.sheet.widthMm, wallMm: wallOf(entry) });
  return {
    formId: squareTray.id,
    ...{ walls: asked.walls, ruler: asked.ruler, thicknessMm: asked.thicknessMm },
    ...{ tray: part(tray), lid: part(lid), paperId },
  };
}

/** The room that a choice should give, folded and measured. @throws RangeError for what is not a tray */
export function predictInside({ formId, tray, thicknessMm }: Choice): InsideSize {
  const { sizes } = foldAndMeasure(formId, {
    sheet: { widthMm: tray.sheetMm, heightMm: tray.sheetMm },
    params: { wallMm: tray.wallMm },
    paper: { thicknessMm },
  });
  const [room] = sizes.rooms;
  if (room.kind !== BOX.id) throw new RangeError(`The room of a form called “${formId}” cannot be predicted yet.`);
  return BOX.schema.parse(room).sizes;
}

const KEYS = { lengthMm: 'tray/box.lengthMm', widthMm: 'tray/box.widthMm', depthMm: 'tray/box.depthMm' } as const;
const DIMENSIONS = ['lengthMm', 'widthMm', 'depthMm'] as const satisfies readonly (keyof InsideSize)[];

/** The inside of the tray among sizes by their keys; null where one is missing. */
export function insideOf(sizes: Readonly<Record<string, number>>): InsideSize | null {
  const [lengthMm, widthMm, depthMm] = DIMENSIONS.map((key) => sizes[KEYS[key]]);
  return [lengthMm, widthMm, depthMm].includes(undefined as never) ? null : { lengthMm, widthMm, depthMm };
}

export const predictedInside = (sizes: Predicted): InsideSize | null =>
  insideOf(Object.fromEntries(Object.entries(sizes).map(([key, { mm }]) => [key, mm])));

/** The same by its keys; nothing where nothing was measured. */
export const measuredOf = (inside: InsideSize | null): Record<string, number> =>
  inside ? Object.fromEntries(DIMENSIONS.map((key) => [KEYS[key], inside[key]])) : {};

const numberOrNull = (value: unknown): number | null => (typeof value === 'number' ? value : null);

/** How a make of a tray is asked for. */
export function choiceIn(made: Make, rulerId: Choice['ruler']): Choice | null {
  const [tray, lid] = ['tray', 'lid'].map((key) => made.entries.find((entry) => entry.key === key));
  if (made.entries.length !== 2 || !tray || !lid) return null;
  const part = (entry: MakeEntry): Choice['tray'] => ({
    sheetMm: entry.sheet.widthMm,
    wallMm: numberOrNull(entry.params['wallMm']),
  });
  return {
    ...{ formId: made.formId, ruler: rulerId, thicknessMm: tray.thicknessMm },
    ...{ walls: part(tray).wallMm === null ? 'folded' : 'measured', tray: part(tray), lid: part(lid) },
    paperId: tray.papers[0],
  };
}

/** A make of a tray with its lid. */
export function makeOf({ formId, tray, lid, paperId, thicknessMm }: Choice): Make {
  const entry = (key: string, pieceId: string, { sheetMm: side, wallMm }: Choice['tray']): MakeEntry => ({
    ...{ key, pieceId, params: { wallMm }, copies: 1, papers: [paperId], thicknessMm },
    sheet: { widthMm: side, heightMm: side },
  });
  return {
    ...{ formId, params: { lid: 'eared', wallMm: tray.wallMm } },
    entries: [entry('tray', squareTray.id, tray), entry('lid', squareTray.pieces![0].id, lid)],
  };
}

/** What the stations of a tray make of a job; null for one that is something else. */
export function trayJobOf(kept: Job): TrayJob | null {
  const { makes, title, ...rest } = kept;
  const [{ asked, make, progress }] = makes;
  const held = asked.purpose && blockOf(asked.purpose);
  const choice = choiceIn(make, asked.options.ruler);
  if (makes.length > 1 || !held || !choice) return null;
  const placeOf = (key: string): CopyProgress | undefined => progress.find(({ entryKey }) => entryKey === key);
  const [tray, lid] = [placeOf('tray'), placeOf('lid')];
  // Whose lid was opened is at the lid.
  const part = lid ? 'lid' : 'tray';
  const spent = { tray: tray?.seconds ?? 0, lid: lid?.seconds ?? 0 };
  return {
    ...{ id: rest.id, version: rest.version, state: rest.state, createdAt: rest.createdAt, updatedAt: rest.updatedAt },
    ...{ title, choice, kept, spent },
    purpose: { text: asked.text, block: held, ease: asked.options.ease },
    progress: {
      part,
      step: (part === 'lid' ? lid : tray)?.done.length ?? 0,
      seconds: spent.tray + spent.lid,
    },
  };
}

/** A job of a tray as it is sent. @param makeId of its make */
export function draftOf({ title, purpose, choice }: TrayDraft, makeId: string, kept?: JobMake): JobDraft {
  const { turning, fingerRoom, confidence, wishes } = sizeOptionsOf({ ...purpose, ...choice });
  const options: AskedOptions = {
    ...{ ease: purpose.ease, ruler: choice.ruler, turning, fingerRoom, confidence, units: 1, most: null },
    ...{ lid: wishes!.lid, nested: wishes!.nested },
  };
  return {
    title,
    folderHandId: null,
    makes: [
      {
        ...{ id: makeId, count: 1, chance: null, marks: kept?.marks ?? null, art: kept?.art ?? null },
        asked: { text: purpose.text, purpose: contentsOf(purpose.block), options },
        make: makeOf(choice),
      },
    ],
  };
}
