import type { BrokenRow } from '@odd-corner/contract';
import type * as z from 'zod';

/** A row read, or why it cannot be and all of it as it is stored. */
export type RowRead<T> = { readonly value: T } | { readonly broken: BrokenRow };

/** Reads a row of a table by its schema. @param toRaw its columns as the schema names them */
export function readRow<Row extends object, T extends z.ZodType>(
  schema: T,
  row: Row,
  toRaw: (row: Row) => unknown,
): RowRead<z.infer<T>> {
  const why = (text: string): RowRead<z.infer<T>> => ({
    broken: {
      id: String((row as { id?: unknown }).id),
      why: text,
      row: { ...row } as Readonly<Record<string, unknown>>,
    },
  });
  try {
    const read = schema.safeParse(toRaw(row));
    if (read.success) return { value: read.data };
    const [{ path, message }] = read.error.issues;
    return why(`${path.join('.')}: ${message}`);
  } catch (error) {
    if (error instanceof SyntaxError) return why(`It is not JSON: ${error.message}`);
    throw error;
  }
}
