import { GRAMS_PER, type MassUnit, ML_PER, type VolumeUnit } from '@odd-corner/core';
import * as z from 'zod';
import { ease, hand, ruler, school } from './choices';
import { currency } from './money';
import { version } from './shared';

/** How this workshop likes to see and measure. */
export const settingsDraft = z.object({
  unit: z.enum(['mm', 'cm', 'in']),
  mass: z.enum(Object.keys(GRAMS_PER) as [MassUnit, ...MassUnit[]]),
  volume: z.enum(Object.keys(ML_PER) as [VolumeUnit, ...VolumeUnit[]]),
  decimal: z.enum(['point', 'comma']),
  currency,
  /** The page that is printed on, and the sheet that a new paper begins with. */
  page: z.enum(['A4', 'Letter']),
  ruler,
  ease,
  hand,
  /** How marks are found, where nothing else was chosen for one. */
  school,
  /** Whether answers follow what the logbook says of a hand, or only how far it is said to miss. */
  learning: z.enum(['on', 'off']),
  scheme: z.enum(['system', 'light', 'dark']),
});

export const settings = settingsDraft.extend({ version });

export type SettingsDraft = z.infer<typeof settingsDraft>;
export type Settings = z.infer<typeof settings>;

/** As a workshop begins. */
export const USUAL_SETTINGS: SettingsDraft = {
  ...{ unit: 'mm', mass: 'g', volume: 'ml', decimal: 'point', currency: 'EUR', page: 'A4' },
  ...{ ruler: 'mm', ease: 'easy', hand: 'practised', school: 'ruler', learning: 'on', scheme: 'system' },
};
