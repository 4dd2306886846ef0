import type { CreaseAngle } from '../../folding/collapse';
import type { Point } from '../../measure/point';
import type { BoxFrame } from './box-frame';

type Row = readonly [name: string, from: readonly [number, number], to: readonly [number, number], angleDeg: number];

/** Lays rows written for the far right quarter on one end: mirrored to the left, and to the near end if asked. */
function onEnd({ on }: BoxFrame, end: 'far' | 'near', rows: readonly Row[]): CreaseAngle[] {
  const up = end === 'far' ? 1 : -1;
  return rows.flatMap(([name, from, to, angleDeg]) =>
    [1, -1].map((right) => {
      const at = ([x, y]: readonly [number, number]): Point => on(right * x, up * y);
      return { name: `${end} ${name}`, from: at(from), to: at(to), angleDeg };
    }),
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
  const rim: Row[] = [
    ['rim', [0, m], [b, m], inside ? 180 : -180],
    ['rim', [b, m], [m, m], inside ? -180 : 180],
  ];
  return onEnd(frame, end, inside ? [...rim, ['flap foot', [0, m + h], [b, m + h], -90]] : rim);
}
