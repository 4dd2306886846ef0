import * as z from 'zod';
import { ease, hand, ruler } from './job';
import { version } from './shared';

/** How this workshop likes to see and measure. */
export const settingsDraft = z.object({
  unit: z.enum(['mm', 'cm', 'in']),
  ruler,
  ease,
  hand,
  scheme: z.enum(['system', 'light', 'dark']),
});

export const settings = settingsDraft.extend({ version });

export type SettingsDraft = z.infer<typeof settingsDraft>;
export type Settings = z.infer<typeof settings>;
