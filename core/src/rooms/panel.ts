import { roomKind } from './room-kind';

const KEYS = ['lengthMm', 'widthMm'] as const;

/** A piece that is as it was cut: it holds nothing, other pieces ask for its size. */
export const PANEL = roomKind('panel', KEYS, {
  names: { lengthMm: 'Long', widthMm: 'Wide' },
  holds: [],
  demands: () => null,
});
