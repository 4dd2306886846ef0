import { IDENTITY } from '../folding/transform';
import type { MadeTray } from '../forms/square-tray/make-tray';
import { blockInTray, lidOverTray } from '../forms/square-tray/assembled';
import type { BlockSize } from '../measure/parse-sizes';
import { draw } from './draw';
import { type PaperScene, SCENE_VIEW as VIEW } from './paper-scene';
import { skinOf } from './skin';
import type { Part } from './surfaces';

/**
 * A folded tray with what goes in and the lid that goes over, ready to be shown.
 * @param block contents, or null for an empty tray
 */
export function trayScene(tray: MadeTray, lid: MadeTray, block: BlockSize | null): PaperScene {
  const [trayPose, lidPose] = [tray.folding.finished, lid.folding.finished];
  const floorMm = tray.sizes.nominal.wallMm - tray.sizes.cavity.depthMm;
  // The lid's floor lies on the tray's rim, or hangs from its own rim on the table, whichever is higher.
  const restMm = Math.max(lid.sizes.nominal.wallMm, tray.sizes.nominal.wallMm + floorMm);
  // High enough that the lid's lower rim clears the far side of the tray in this view.
  const liftMm =
    1.05 * tray.sizes.nominal.wallMm + Math.max(0.95 * tray.sizes.nominal.baseMm, block ? block.heightMm : 0);
  const sides = block ? blockInTray(trayPose, block, floorMm) : [];
  const parts = (lift: number): Part[] => [
    { kind: 'paper', pose: trayPose, motion: IDENTITY },
    { kind: 'paper', pose: lidPose, motion: lidOverTray(trayPose, lidPose, restMm, lift) },
    ...(sides.length ? [{ kind: 'thing' as const, sides }] : []),
  ];
  return {
    open: draw(parts(liftMm), VIEW),
    closed: draw(parts(0), VIEW),
    piece: skinOf(trayPose),
    lifted: [{ skin: skinOf(lidPose, lidOverTray(trayPose, lidPose, restMm, 0)), liftMm }],
    contents: sides,
  };
}
