import { UNITS, type UnitKind } from './frame';

/** After so many units the colours begin again. */
const PERIODS = { one: 1, 'two by turns': 2, 'four by turns': 4, eight: 8 } as const;

export type Colours = keyof typeof PERIODS;

/** The places of each colour in a ring. */
export function groupsOf(colours: Colours): readonly (readonly number[])[] {
  const period = PERIODS[colours];
  return Array.from({ length: period }, (_, g) => Array.from({ length: UNITS / period }, (_unit, k) => g + k * period));
}

/** The key of the units of one colour of a ring. */
export const ringKey = (kind: UnitKind, group: number): string => (group ? `${kind}-${group + 1}` : kind);
