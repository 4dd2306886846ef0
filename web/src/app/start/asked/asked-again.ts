import type { Asked } from '@odd-corner/contract';
import { USUAL_WEIGHTS } from '@odd-corner/core';
import type { Figures } from '../../ui/figures/figures';
import { readLine } from './purpose-reading';
import { CONFIDENCES, type StartAsked } from './start-address';

/** What was asked before, as it would be asked now: in the words of then as long as they still mean the same. */
export function askedAgain({ text, purpose, options }: Asked, figures: Pick<Figures, 'purpose' | 'unit'>): StartAsked {
  const unit = figures.unit();
  const reading = readLine(text, unit);
  const same = reading.kind === 'purpose' && JSON.stringify(reading.purpose) === JSON.stringify(purpose);
  const { ease, confidence, turning, fingerRoom: fingers, units, lid, nested, most } = options;
  const nearest = CONFIDENCES.find(({ share }) => share === confidence) ?? CONFIDENCES[0];
  return {
    text: same ? text : purpose ? figures.purpose(purpose, { most, from: null }) : '',
    ...{ unit, ease, confidence: nearest.id, turn: turning === 'any', fingers, units, lid, nested },
    ...{ paperId: null, weights: USUAL_WEIGHTS },
  };
}
