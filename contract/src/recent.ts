import * as z from 'zod';
import { anyPurpose } from './purpose';
import { moment } from './shared';

/** So many questions are remembered. */
export const MOST_RECENT = 12;

/** A question as it was asked: as typed, and as read. */
export const recentDraft = z.object({ text: z.string().trim().min(1).max(2000), purpose: anyPurpose });

export const recent = recentDraft.extend({ askedAt: moment });

export type RecentDraft = z.infer<typeof recentDraft>;
export type Recent = z.infer<typeof recent>;
