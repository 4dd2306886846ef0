import {
  BOX,
  type EaseId,
  type Fitting,
  isSized,
  make,
  type Purpose as Contents,
  type RulerId,
  type SizedEntry,
  sizeFor,
  type SizeOptions,
  squareTray,
} from '@odd-corner/core';
import type { InsideSize } from './log-entry';
import type { Choice } from './job';
import type { Block } from './thing';

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
  const { sizes } = make(formId, {
    sheet: { widthMm: tray.sheetMm, heightMm: tray.sheetMm },
    params: { wallMm: tray.wallMm },
    paper: { thicknessMm },
  });
  const [room] = sizes.rooms;
  if (room.kind !== BOX.id) throw new RangeError(`The room of a form called “${formId}” cannot be predicted yet.`);
  return BOX.schema.parse(room).sizes;
}
