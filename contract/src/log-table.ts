import { SHELF, sizeNameOf } from '@odd-corner/core';
import type { LogEntry } from './log-entry';

const COLUMNS = [
  ...['Entry', 'Folded at', 'Title', 'Form', 'Copies', 'Folded by', 'Papers', 'Sheets used', 'Minutes', 'Fits'],
  ...['Size', 'Predicted mm', 'Spread mm', 'Measured mm', 'Measured less predicted mm', 'Note'],
];

/** Digits behind the point, of lengths in mm. */
const DIGITS = 3;
const figure = (mm: number | null | undefined): string =>
  mm === null || mm === undefined ? '' : `${Number(mm.toFixed(DIGITS))}`;

function sizeName({ make: { formId, params } }: LogEntry, key: string): string {
  const name = sizeNameOf(formId, params, key);
  return name ? `${name.entry}: ${name.size}` : key;
}

/** The logbook as a table, its head first: a line for each size of an entry, so that another program can sum over them. Lengths are mm. */
export function logTable(
  entries: readonly LogEntry[],
  handNames: ReadonlyMap<string, string> = new Map(),
): readonly (readonly string[])[] {
  const lines = entries.flatMap((entry) => {
    const { id, foldedAt, title, make, copies, folderHandId, sheetsUsed, minutes, fits, note } = entry;
    const said = [
      ...[id, foldedAt, title, SHELF.has(make.formId) ? SHELF.form(make.formId).name : make.formId, `${copies}`],
      folderHandId === null ? '' : (handNames.get(folderHandId) ?? folderHandId),
      sheetsUsed.map(({ paperName }) => paperName ?? 'not from the shelf').join(', '),
      sheetsUsed.map(({ sheets }) => `${sheets}`).join(', '),
      ...[minutes === null ? '' : `${minutes}`, fits ?? ''],
    ];
    const keys = [...new Set([...Object.keys(entry.predicted), ...Object.keys(entry.measured)])];
    const sizes = keys.map((key) => {
      const [predicted, measured] = [entry.predicted[key], entry.measured[key]];
      const off = predicted && measured !== undefined ? measured - predicted.mm : null;
      return [sizeName(entry, key), ...[predicted?.mm, predicted?.sdMm, measured, off].map(figure)];
    });
    return (sizes.length ? sizes : [['', '', '', '', '']]).map((size) => [...said, ...size, note]);
  });
  return [COLUMNS, ...lines];
}
