import * as z from 'zod';

/** What is wrong with one field. */
export const issue = z.object({ path: z.array(z.union([z.string(), z.number()])), message: z.string() });

/** The one shape of every error answer, after RFC 9457 (problem details). */
export const problem = z.object({
  type: z.string(),
  title: z.string(),
  status: z.int(),
  detail: z.string().optional(),
  /** With 400: what is wrong, field by field. */
  issues: z.array(issue).optional(),
  /** With 409: the row as it stands now. */
  current: z.unknown().optional(),
});

export type Issue = z.infer<typeof issue>;
export type Problem = z.infer<typeof problem>;
