import { makeOf, type EntryPapers, found, type Make } from '@odd-corner/contract';
import { type ParamField, type Purpose, SHELF, type SizeOptions } from '@odd-corner/core';
import { map, type Observable } from 'rxjs';
import type { Folding } from '../../workers/folding.service';
import type { Attempt } from '../../workers/attempt';

/** What a make is sized for. */
export interface ResizeOn {
  readonly purpose: Purpose | null;
  readonly options: SizeOptions;
  /** Lengths that the maker set by hand: they stay. */
  readonly lengths: Readonly<Record<string, number>>;
}

/**
 * Parameters of a piece that stay when its sheet is sought: what was chosen, and that a length is left to folding alone. Other
 * lengths are sought with the sheet.
 */
export function settledOf(
  fields: readonly ParamField[],
  params: Readonly<Record<string, unknown>>,
): Readonly<Record<string, unknown>> {
  return Object.fromEntries(
    fields.flatMap(({ key, input }): [string, unknown][] => {
      const value = params[key] ?? null;
      if (input.kind === 'length') return value === null && !input.always ? [[key, null]] : [];
      return value === null || input.kind === 'fixed length' ? [] : [[key, value]];
    }),
  );
}

/**
 * A make at the smallest sheets that do what it is for, on the papers that it names. Where nothing is known of what it is for
 * its first sheet stays, and those that follow are sized to it.
 */
export function resized(
  make: Make,
  { purpose, options, lengths }: ResizeOn,
  folding: Folding,
): Observable<Attempt<Make>> {
  const [first] = make.entries;
  const papersOf = (key: string): EntryPapers => make.entries.find((one) => one.key === key) ?? first;
  if (purpose) {
    const { fields } = SHELF.form(make.formId);
    const given = { ...settledOf(fields, first.params), ...lengths };
    return folding
      .sized({ formId: make.formId, purpose, options, given })
      .pipe(map((tried) => (tried.ok ? { ok: true, value: makeOf(found(tried.value), papersOf) } : tried)));
  }
  return folding.whole({ formId: make.formId, sheet: first.sheet, params: make.params, options }).pipe(
    map((tried) => {
      if (!tried.ok) return tried;
      const entries = [first, ...tried.value.others];
      return { ok: true, value: makeOf({ formId: make.formId, params: make.params, entries }, papersOf) };
    }),
  );
}
