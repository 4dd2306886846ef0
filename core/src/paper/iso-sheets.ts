/** Sheets of ISO 216 by name, the longer side first, in mm: each half of the one before, whole millimetres rounded down. */
export function isoSheet(word: string): readonly [number, number] | null {
  const found = /^([AB])(\d|10)$/i.exec(word);
  if (!found) return null;
  let [long, short] = found[1].toUpperCase() === 'A' ? [1189, 841] : [1414, 1000];
  for (let k = Number(found[2]); k > 0; k--) [long, short] = [short, Math.floor(long / 2)];
  return [long, short];
}
