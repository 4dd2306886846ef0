import type { AskedOptions } from '@odd-corner/contract';

/** What is asked where a sheet was there first: nothing but that it can be folded. */
export const SHEET_FIRST: Omit<AskedOptions, 'ease' | 'ruler'> = {
  ...{ turning: 'upright', fingerRoom: false, confidence: null },
  ...{ units: 1, lid: 'none', nested: 1, most: null },
};
