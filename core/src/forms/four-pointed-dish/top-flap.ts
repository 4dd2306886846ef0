import { sideOfFace } from '../../folding/layer-order';
import { faceAt, type Pose, whereIs, whiteUp } from '../../folding/pose';
import { BASE, type Frame, SIDES } from './frame';

/** Whether one flat face lies over another, for the viewer. */
function isOver(pose: Pose, face: number, other: number): boolean {
  return sideOfFace(pose.order, other, face) * Math.sign(whiteUp(pose, other)) > 0;
}

/** Of the two flaps on a side, told apart by where their kites hinge, the one on top. */
export function topFlap(pose: Pose, { at }: Frame, which: 'right' | 'left'): number {
  const middle = whereIs(pose, at(0, 0.5, 0.5)).x;
  const here = SIDES.filter((k) => whereIs(pose, at(k, ...BASE)).x > middle === (which === 'right'));
  return topmost(pose, here, (k) => [faceAt(pose.pattern, at(k, 0.97, 0.47)), faceAt(pose.pattern, at(k, 0.97, 0.53))]);
}

/** Of some flaps, the one of which some face lies over a face of every other one. */
export function topmost(pose: Pose, flaps: readonly number[], facesOf: (k: number) => readonly number[]): number {
  const top = flaps.find((k) =>
    flaps.every((o) => o === k || facesOf(k).some((f) => facesOf(o).some((g) => isOver(pose, f, g)))),
  );
  return top ?? flaps[0];
}
