import type { Make } from '../forms/made-make';
import { entriesOf } from '../forms/made-make';
import { SHELF, type Shelf } from '../forms/shelf';

/** Something that is not alike in all drafts: what it is called, and what it is in each. */
export interface DraftDiffers {
  readonly name: string;
  /** As they stand in each draft: lengths in mm as numbers, choices in words; null where a draft has none. */
  readonly values: readonly (number | string | null)[];
  readonly isLength: boolean;
}

/** Drafts that are of several forms are told apart by these first. */
const FORM = 'Form';

/**
 * What is not alike in drafts of a form that were made one after another: its sheets, and all that can be set of it.
 * @returns nothing where they are the same
 */
export function draftsDiffer(drafts: readonly Make[], shelf: Shelf = SHELF): readonly DraftDiffers[] {
  const rows = new Map<string, { values: (number | string | null)[]; isLength: boolean }>();
  const put = (name: string, k: number, value: number | string | null, isLength: boolean): void => {
    const row = rows.get(name) ?? { values: drafts.map(() => null), isLength };
    row.values[k] = value;
    rows.set(name, row);
  };
  drafts.forEach(({ formId, params, entries }, k) => {
    if (!shelf.has(formId)) {
      put(FORM, k, formId, false);
      return;
    }
    const form = shelf.form(formId);
    put(FORM, k, form.name, false);
    for (const entry of entriesOf(form, params)) {
      if (!Object.hasOwn(entries, entry.key)) continue;
      const { sheet, params: found } = entries[entry.key];
      const of = entry.key === entriesOf(form, params)[0].key ? '' : `${entry.name}: `;
      put(`${of}Sheet, wide`, k, sheet.widthMm, true);
      put(`${of}Sheet, high`, k, sheet.heightMm, true);
      const piece = shelf.piece(entry.pieceId);
      const read = piece.params.safeParse({ ...entry.params, ...found });
      const settled = (read.success ? read.data : {}) as Readonly<Record<string, unknown>>;
      for (const { key, label, input } of piece.fields) {
        const value = Object.hasOwn(settled, key) ? settled[key] : null;
        const option = input.kind === 'choice' ? input.options.find((one) => one.value === value)?.label : undefined;
        const said = option ?? (typeof value === 'number' ? value : typeof value === 'string' ? value : 'by folding');
        put(`${of}${label}`, k, said, input.kind === 'length' && typeof value === 'number');
      }
    }
  });
  return [...rows]
    .filter(([, { values }]) => new Set(values).size > 1)
    .map(([name, { values, isLength }]) => ({ name, values, isLength }));
}
