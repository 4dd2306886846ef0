import { alone, demandsOn } from '../purpose/demand';
import type { EaseId } from '../purpose/ease';
import { roomKind } from './room-kind';

const KEYS = ['roundMm', 'heightMm'] as const;

/** Room round a head, in mm: hair, and that it comes off again. */
const HEAD_EASE_MM: Readonly<Record<EaseId, number>> = { snug: 10, easy: 20, loose: 35 };

const { summed } = demandsOn<(typeof KEYS)[number]>();

/** A hat: how far it is round at its rim, and how high it stands over it. */
export const HAT = roomKind('hat', KEYS, {
  names: { roundMm: 'Hat, round its rim', heightMm: 'Hat, high' },
  holds: ['a head'],
  demands({ purpose, options: { ease } }) {
    if (purpose.kind !== 'head') return null;
    return alone(
      summed('rim, round', ({ roundMm }) => roundMm, [
        { name: 'head', value: purpose.roundMm },
        { name: 'ease', value: HEAD_EASE_MM[ease] },
      ]),
    );
  },
});
