import { boxOf } from '../bodies/contents';
import type { Purpose } from '../purpose/purpose';
import type { MarkMaker } from './mark-way';

/** What of a purpose lies at hand while it is folded, by the sides of each thing: any of them serves as a ruler. */
export function thingsAsRulers(purpose: Purpose | null): MarkMaker['things'] {
  const sides = (name: string, lengths: readonly number[]): MarkMaker['things'] =>
    [...new Set(lengths)].map((mm) => ({ name, mm }));
  switch (purpose?.kind) {
    case 'hold':
      return purpose.pieces.flatMap(({ name, thing }) => sides(name || 'thing', boxOf(thing)));
    case 'place card':
      return sides('card', [purpose.widthMm, purpose.heightMm]);
    case 'strap':
      return sides('strap', [purpose.widthMm]);
    default:
      return [];
  }
}
