import type { Issue } from '@odd-corner/contract';
import type * as z from 'zod';

/** What a schema finds wrong, as it is answered. */
export const issuesOf = ({ issues }: z.ZodError): Issue[] =>
  issues.map(({ path, message }) => ({
    path: path.map((part) => (typeof part === 'number' ? part : String(part))),
    message,
  }));
