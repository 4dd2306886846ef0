type Rows = readonly (readonly string[])[];

/** Comes when a table is first read or written. */
const parser = async (): Promise<typeof import('papaparse')> => (await import('papaparse')).default;

/** Cells of a table, parted by commas, semicolons or tabs; empty lines are left out. */
export async function readTable(text: string): Promise<Rows> {
  const { parse } = await parser();
  return parse<string[]>(text.trim(), { skipEmptyLines: 'greedy', delimitersToGuess: [',', ';', '\t'] }).data;
}

/** A table as comma-separated text, with quotes where they are needed. */
export async function writeTable(rows: Rows): Promise<string> {
  const { unparse } = await parser();
  return unparse(rows.map((row) => [...row]));
}
