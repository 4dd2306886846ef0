import type * as z from 'zod';

/** The first fault of each field, by its name. */
export type FieldFaults = Readonly<Record<string, string>>;

/** Faults of a draft by the first part of their path. */
export function faultsOf(
  issues: readonly { readonly path: readonly PropertyKey[]; readonly message: string }[],
): FieldFaults {
  const faults: Record<string, string> = {};
  for (const { path, message } of issues) faults[String(path[0] ?? '')] ??= message;
  return faults;
}

/** A draft that fits its schema, or what is wrong with it field by field. */
export function check<T extends z.ZodType>(
  schema: T,
  draft: unknown,
): { readonly draft: z.infer<T> } | { readonly faults: FieldFaults } {
  const read = schema.safeParse(draft);
  return read.success ? { draft: read.data } : { faults: faultsOf(read.error.issues) };
}
