import { type EaseId, STILL_CLOSE } from '../purpose/ease';
import type { Purpose } from '../purpose/purpose';
import type { Fit } from './needs';

/** A side along which there is so much room that things rattle: by how much it is more than would still be close, in mm. */
export interface TooRoomy {
  readonly name: string;
  readonly byMm: number;
  /** The same as a share of what is needed. */
  readonly share: number;
}

/**
 * Along which sides things that were packed in order have too much room. What is higher than it need be does not rattle in a
 * thing that stands open.
 * @param closes whether something keeps it closed
 * @param slackMm by how much things may come out smaller than they were packed
 */
export function tooRoomy({ needs, arrangement }: Fit, ease: EaseId, closes: boolean, slackMm = 0): readonly TooRoomy[] {
  if (!arrangement) return [];
  const { mm, percent } = STILL_CLOSE[ease];
  return needs.flatMap(({ name, unit, have, need, terms }): TooRoomy[] => {
    const contents = terms?.at(0)?.value;
    if (unit !== 'mm' || contents === undefined || (name === 'depth' && !closes)) return [];
    const byMm = have - need + slackMm - (mm + (percent / 100) * contents);
    return byMm > 0 ? [{ name, byMm, share: byMm / need }] : [];
  });
}

/** What share of its mark for closeness an answer loses to its roominess: all of it where a side is twice what it need be. */
export const lostToRoom = (roomy: readonly TooRoomy[]): number =>
  Math.min(1, Math.max(0, ...roomy.map(({ share }) => share)));

/** By how much the things of a purpose may come out smaller, in mm: of ranges the smaller end decides how loose it is. */
export const slackIn = (purpose: Purpose): number =>
  purpose.kind === 'hold' ? Math.max(0, ...purpose.pieces.map(({ slackMm = 0 }) => slackMm)) : 0;
