import type { Make, PapersThen } from '@odd-corner/contract';
import { SHELF } from '@odd-corner/core';

/** What a search finds a make by: its form, its papers, the sides of its sheets in mm. */
export function sizesInWords({ formId, entries }: Make, papers: PapersThen): string {
  const sides = entries.flatMap(({ sheet: { widthMm, heightMm } }) => [widthMm, heightMm]);
  const names = Object.values(papers).flatMap((all) => all.map(({ name }) => name ?? ''));
  return [SHELF.has(formId) ? SHELF.form(formId).name : formId, ...names, ...new Set(sides)].join(' ');
}
