/** JSON from a column; what it holds is for a schema to say. */
export function readJson(text: string): unknown {
  return JSON.parse(text) as unknown;
}
