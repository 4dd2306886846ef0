import { perUnit, type Purpose, type SizeOptions } from '@odd-corner/core';
import type { Asked, AskedOptions } from './asked';

/** What is asked of a search, beside what stands in the question itself. */
export type AskedOn = Pick<SizeOptions, 'gsm' | 'thicknessMm' | 'thicknesses' | 'handMm' | 'learned'>;

/** A question as it is searched for: on these papers, by this hand. */
export const optionsOf = (
  { ease, turning, fingerRoom, confidence, ruler, lid, nested, most }: AskedOptions,
  on: AskedOn,
): SizeOptions => ({
  ...{ ease, turning, fingerRoom, confidence, ruler, ...on },
  ...(most && { most }),
  wishes: { lid, nested },
});

/** The other way round. @param units among how many equal pieces it is divided */
export const askedOf = (
  { ease, turning, fingerRoom, confidence, ruler, wishes, most = null }: SizeOptions,
  units: number,
): AskedOptions => ({
  ...{ ease, turning, fingerRoom, confidence, ruler, units, most },
  ...{ lid: wishes?.lid ?? 'none', nested: wishes?.nested ?? 1 },
});

/** What each of its equal pieces is for; null where a sheet was there first. */
export const purposeOfOne = ({ purpose, options: { units } }: Pick<Asked, 'purpose' | 'options'>): Purpose | null =>
  purpose && perUnit(purpose, units);
