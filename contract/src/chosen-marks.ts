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
