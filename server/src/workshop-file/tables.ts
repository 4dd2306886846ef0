import type { Db } from '../db/open-database';

/** A table as it is written into a workshop's file. */
export interface Table {
  readonly name: string;
  readonly columns: readonly string[];
  /** Columns whose text is JSON: the file holds what they say, not how it is written. */
  readonly json: ReadonlySet<string>;
  /** What its rows are sorted by. */
  readonly key: readonly string[];
}

interface Column {
  readonly name: string;
  readonly pk: number;
}

/** A name as SQL quotes it. */
export const quoted = (name: string): string => `"${name.replaceAll('"', '""')}"`;

/** All tables of a workshop, by name: whatever the schema is, so that each later one is taken along too. */
export function tablesOf(db: Db): Table[] {
  const all = db
    .prepare<[], { name: string; sql: string }>(
      "SELECT name, sql FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite%' ORDER BY name",
    )
    .all();
  return all.map(({ name, sql }) => {
    const columns = db.prepare<[string], Column>('SELECT name, pk FROM pragma_table_info(?)').all(name);
    const key = columns.filter(({ pk }) => pk).sort((a, b) => a.pk - b.pk);
    return {
      ...{ name, columns: columns.map((one) => one.name), key: key.map((one) => one.name) },
      json: new Set([...sql.matchAll(/json_valid\((\w+)\)/g)].map(([, column]) => column)),
    };
  });
}
