import { FINGERS, LID_PLAY_MM, type SizedPart, sizePart, type TrayRequest } from './size-tray';
import { RULERS } from '../measure/ruler';

/** What decides a set of trays, each standing in the next. */
export interface StackRequest extends Pick<TrayRequest, 'ease' | 'ruler' | 'thicknessMm'> {
  /** Sheet of the smallest tray, in mm. */
  readonly innermostMm: number;
  readonly count: number;
}

/**
 * A graded set of trays with folded walls: the smallest sheets, at marks of the ruler, from which each tray takes in the one
 * before, its height too, with the play that a lid has. The first is the innermost.
 * @throws RangeError for an innermost sheet below what fingers manage, or no trays
 */
export function gradedStack({ innermostMm, count, ease, ruler, thicknessMm }: StackRequest): readonly SizedPart[] {
  if (!(count >= 1)) throw new RangeError('A set needs at least one tray.');
  if (innermostMm < FINGERS)
    throw new RangeError(
      `The innermost tray needs a sheet of at least ${FINGERS} mm: below that fingers no longer manage it.`,
    );
  const request: TrayRequest = {
    block: { lengthMm: 1, widthMm: 1, heightMm: 1 },
    walls: 'folded',
    ...{ ease, ruler, thicknessMm },
  };
  const play = LID_PLAY_MM[ease];
  const set: SizedPart[] = [sizePart({ lengthMm: 0, widthMm: 0, depthMm: 0 }, request, innermostMm)];
  while (set.length < count) {
    const { outer } = set[set.length - 1].sizes;
    const need = { lengthMm: outer.lengthMm + play, widthMm: outer.widthMm + play, depthMm: outer.heightMm };
    set.push(sizePart(need, request, set[set.length - 1].sheetMm + RULERS[ruler].stepMm));
  }
  return set;
}
