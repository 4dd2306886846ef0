import type { LogEntry } from '@odd-corner/contract';
import { type Deviation, deviationsOf, type MadeThing, SHELF, type SizeName, sizeNameOf } from '@odd-corner/core';

/** A size that was measured, by its name. */
export interface MeasuredSize extends Deviation {
  readonly name: string;
}

/** An entry as the logbook shows it. */
export interface LogRow {
  readonly entry: LogEntry;
  readonly form: string;
  readonly sizes: readonly MeasuredSize[];
}

/** What a form is called; one that is not here any more by its id. */
export const formName = (formId: string): string => (SHELF.has(formId) ? SHELF.form(formId).name : formId);

/** What a size is called in its make: with its entry where that is not the one that was asked for. */
export function sizeLabel({ make: { formId, params, entries } }: Pick<LogEntry, 'make'>, key: string): string {
  const name: SizeName | null = sizeNameOf(formId, params, key);
  if (!name) return key;
  return key.startsWith(`${entries[0].key}/`) ? name.size : `${name.entry}: ${name.size.toLowerCase()}`;
}

/** The papers that went into an entry, by name; those that it was told for where no sheets were counted. */
export function papersOf({ sheetsUsed, papers }: LogEntry): string[] {
  const used = sheetsUsed.flatMap(({ paperName }) => paperName ?? []);
  const told = Object.values(papers).flatMap((all) => all.flatMap(({ name }) => name ?? []));
  return [...new Set(used.length ? used : told)];
}

/** As deviations are pooled: within form and paper. */
export const thingOf = (entry: LogEntry): MadeThing => ({
  ...{ formId: entry.make.formId, predicted: entry.predicted, measured: entry.measured },
  paper: papersOf(entry).at(0) ?? null,
});

export function rowOf(entry: LogEntry): LogRow {
  const sizes = deviationsOf(entry).map((off) => ({ ...off, name: sizeLabel(entry, off.key) }));
  return { entry, form: formName(entry.make.formId), sizes };
}
