import * as z from 'zod';

/** How the workshop's server is: it has read from its file and written to it a moment ago, or says why it could not. */
export const health = z.object({
  state: z.enum(['ok', 'degraded']),
  demo: z.boolean(),
  why: z.string().nullable(),
});

export type Health = z.infer<typeof health>;
