import type { SettingsDraft } from '@odd-corner/contract';
import { caliperOf, COMMON_PAPER, HANDS, type SizeOptions } from '@odd-corner/core';

/** How sheets are sought where nothing is asked but what the settings say: paper like office paper, an exact hand. */
export const usualOptions = ({ ease, ruler, hand }: Pick<SettingsDraft, 'ease' | 'ruler' | 'hand'>): SizeOptions => ({
  ...{ ease, ruler, thicknessMm: caliperOf(COMMON_PAPER), gsm: COMMON_PAPER.gsm },
  ...{ turning: 'upright', fingerRoom: false, confidence: null, handMm: HANDS[hand].missMm },
});
