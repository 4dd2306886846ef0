import type { Transform } from '../folding/transform';
import { floorCentre } from '../forms/square-tray/assembled';
import type { MadeTray } from '../forms/square-tray/make-tray';
import { draw } from './draw';
import { type PaperScene, SCENE_VIEW as VIEW } from './paper-scene';
import { skinOf } from './skin';
import type { Part } from './surfaces';

/** How far each inner tray is lifted out of the one around it, as a share of its height. */
const LIFTED = 0.62;

/**
 * A graded set of trays standing in one another, each on the floor of the next larger one.
 * @param trays innermost first
 */
export function stackScene(trays: readonly MadeTray[]): PaperScene {
  const [outermost, ...inner] = [...trays].reverse();
  const pose = outermost.folding.finished;
  const centre = floorCentre(pose);
  let standsMm = 0;
  let liftMm = 0;
  const placed = inner.map((tray, k) => {
    const { nominal, cavity } = (k === 0 ? outermost : inner[k - 1]).sizes;
    standsMm += nominal.wallMm - cavity.depthMm;
    const restMm = standsMm;
    liftMm += LIFTED * nominal.wallMm;
    const own = floorCentre(tray.folding.finished);
    return {
      pose: tray.folding.finished,
      liftMm,
      at: (upMm: number): Transform => [
        ...[1, 0, 0, 0, 1, 0, 0, 0, 1],
        ...[centre.x - own.x, centre.y - own.y, restMm + upMm],
      ],
    };
  });
  const parts = (share: number): Part[] => [
    { kind: 'paper', pose },
    ...placed.map((tray) => ({ kind: 'paper' as const, pose: tray.pose, motion: tray.at(share * tray.liftMm) })),
  ];
  return {
    open: draw(parts(1), VIEW),
    closed: draw(parts(0), VIEW),
    piece: skinOf(pose),
    lifted: placed.map((tray) => ({ skin: skinOf(tray.pose, tray.at(0)), liftMm: tray.liftMm })),
    contents: [],
  };
}
