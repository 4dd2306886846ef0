import type { CreaseAngle } from '../../folding/collapse';
import { type CreaseRow, inTwoWays, onParts } from '../../folding/crease-rows';
import type { BoxFrame } from './box-frame';

/** Lays rows written for the far right quarter on one end: mirrored to the left, and to the near end if asked. */
function onEnd({ on }: BoxFrame, end: 'far' | 'near', rows: readonly CreaseRow[]): CreaseAngle[] {
  const up = end === 'far' ? 1 : -1;
  const named = rows.map(([name, ...row]): CreaseRow => [`${end} ${name}`, ...row]);
  return onParts(
    inTwoWays(([x, y]) => on(x, up * y)),
    named,
  );
}

/** An end raised: the wall upright, both gussets folded in flat against it, the flap still standing above the rim. */
export function raisedEnd(frame: BoxFrame, end: 'far' | 'near'): CreaseAngle[] {
  const { b, h, m } = frame;
  return onEnd(frame, end, [
    ['end', [0, b], [b, b], 90],
    ['end', [b, b], [m, b], 90],
    ['end', [m, b], [m + h, b], -90],
    ['gusset', [b, b], [b, m + h], 180],
    ['gusset', [b, b], [m, m], -180],
  ]);
}

/** The flap of a raised end over its rim: inside and down to the floor, or outside, where its point becomes an ear. */
export function flapOver(frame: BoxFrame, end: 'far' | 'near', where: 'inside' | 'outside'): CreaseAngle[] {
  const { b, h, m } = frame;
  const inside = where === 'inside';
  const rim: CreaseRow[] = [
    ['rim', [0, m], [b, m], inside ? 180 : -180],
    ['rim', [b, m], [m, m], inside ? -180 : 180],
  ];
  return onEnd(frame, end, inside ? [...rim, ['flap foot', [0, m + h], [b, m + h], -90]] : rim);
}
