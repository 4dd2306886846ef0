import { type MarkMaker, type MarksWanted, RULERS, type School, thingsAsRulers } from '@odd-corner/core';
import { purposeOfOne } from './asked-of';
import type { JobMake } from './job';

/** Between the key of an entry and that of a mark of it: neither has two hyphens on end. */
const OF = '--';

/** The name by which a way to find a mark is kept with a make. */
export const markName = (entryKey: string, markKey: string): string => `${entryKey}${OF}${markKey}`;

/** The ways that were chosen for the marks of one entry, by the keys of the marks; null as long as nobody chose. */
export function marksOfEntry(
  { marks }: Pick<JobMake, 'marks'>,
  entryKey: string,
): Readonly<Record<string, string>> | null {
  if (!marks) return null;
  const own = Object.entries(marks).filter(([name]) => name.startsWith(entryKey + OF));
  return Object.fromEntries(own.map(([name, way]) => [name.slice(entryKey.length + OF.length), way]));
}

/** Whose marks they are: how far the hand and the eye miss, and what lies at hand to measure by. */
export const markMakerOf = (
  { asked }: Pick<JobMake, 'asked'>,
  { handMm, eye }: Pick<MarkMaker, 'handMm' | 'eye'>,
): MarkMaker => ({
  ...{ handMm, eye },
  rulerStepMm: RULERS[asked.options.ruler].stepMm,
  things: thingsAsRulers(purposeOfOne(asked)),
});

/** How the marks of the entries of a make are found, by their keys; undefined where all are found with a ruler. */
export function marksWanted(
  make: Pick<JobMake, 'marks'>,
  { entries }: Pick<JobMake['make'], 'entries'>,
  school: School,
  maker: MarkMaker,
): Readonly<Record<string, MarksWanted>> | undefined {
  if (make.marks === null && school === 'ruler') return undefined;
  return Object.fromEntries(entries.map(({ key }) => [key, { ways: marksOfEntry(make, key), school, maker }]));
}
