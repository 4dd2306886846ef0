import type { Sheet } from '../paper/sheet';
import { assemble, type CreasePattern, extentOf, RAW_EDGE } from './crease-pattern';

/** An uncreased sheet: one face. */
export function blankPattern(sheet: Sheet): CreasePattern {
  return assemble(sheet.outline, [sheet.outline.map((_, i) => i)], () => RAW_EDGE, extentOf(sheet.outline));
}
