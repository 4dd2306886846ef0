import type { RowRead } from './read-row';

/** Rows that are remembered for a table: more would only be asked for by a search through years. */
const MOST = 2000;

type Columns = Readonly<Record<string, unknown>>;

const alike = (a: Columns, b: Columns): boolean => {
  for (const name in a) if (a[name] !== b[name]) return false;
  return true;
};

/**
 * Reads a row as `read` does, and one that is stored as it was before is not read again: most of what a list costs is reading the
 * same text into the same values. What is answered is shared, and nobody writes into it.
 */
export function readOnce<Row extends { readonly id: string }, T>(
  read: (row: Row) => RowRead<T>,
): (row: Row) => RowRead<T> {
  const known = new Map<string, { readonly row: Row; readonly read: RowRead<T> }>();
  return (row) => {
    const before = known.get(row.id);
    if (before && alike(before.row, row)) return before.read;
    const found = read(row);
    known.delete(row.id);
    known.set(row.id, { row, read: found });
    // The one that was read longest ago goes.
    if (known.size > MOST) known.delete(known.keys().next().value!);
    return found;
  };
}
