import * as z from 'zod';

/** How the colours of the units follow each other round the ring: for each unit the number of its colour. */
export const LAYOUTS = {
  one: [0, 0, 0, 0, 0, 0],
  'two by turns': [0, 1, 0, 1, 0, 1],
  'three by turns': [0, 1, 2, 0, 1, 2],
  'two halves': [0, 0, 0, 1, 1, 1],
  'opposite pairs': [0, 1, 1, 0, 1, 1],
  six: [0, 1, 2, 3, 4, 5],
} as const;

export type Layout = keyof typeof LAYOUTS;

export const MOST_UNITS = 6;

export const sixTubeTidyParams = z.object({
  units: z.int().min(1).max(MOST_UNITS).default(MOST_UNITS),
  colours: z
    .enum(['two by turns', 'one', 'three by turns', 'two halves', 'opposite pairs', 'six'])
    .default('two by turns'),
  insert: z.enum(['none', 'strip']).default('none'),
  base: z.enum(['none', 'card']).default('none'),
  /** Height of the first finished unit as it was measured, for the strips; as predicted where nothing is. */
  unitMm: z.number().positive().nullable().default(null),
});

export type SixTubeTidyParams = z.infer<typeof sixTubeTidyParams>;

/** The colours in the order in which they first come, each with the places of its units in the ring. */
export function groupsOf({
  units,
  colours,
}: Pick<SixTubeTidyParams, 'units' | 'colours'>): readonly (readonly number[])[] {
  const groups = new Map<number, number[]>();
  LAYOUTS[colours].slice(0, units).forEach((colour, k) => groups.set(colour, [...(groups.get(colour) ?? []), k]));
  return [...groups.values()];
}

/** The key of the units of one colour. */
export const unitKey = (group: number): string => (group ? `unit-${group + 1}` : 'unit');
