import type { Pose } from '../../folding/pose';
import type { Point3 } from '../../measure/vector3';
import { apply, type Transform } from '../../folding/transform';
import type { BlockSize } from '../../measure/parse-sizes';

/** Turns a folded lid upside down over a folded tray, middle on middle, its top `liftMm` over where it rests. */
export function lidOverTray(tray: Pose, lid: Pose, restMm: number, liftMm: number): Transform {
  const centre = floorCentre(tray);
  const own = floorCentre(lid);
  return [1, 0, 0, 0, -1, 0, 0, 0, -1, centre.x - own.x, centre.y + own.y, restMm + liftMm];
}

/** The six sides of a block that stands in the middle of a tray's floor, each seen from outside counter-clockwise. */
export function blockInTray(tray: Pose, block: BlockSize, floorMm: number): Point3[][] {
  const { x, y } = floorCentre(tray);
  const [along, across] = [Math.max(block.lengthMm, block.widthMm), Math.min(block.lengthMm, block.widthMm)];
  const corner = (sx: number, sy: number, up: number): Point3 => ({
    x: x + (sx * along) / 2,
    y: y + (sy * across) / 2,
    z: floorMm + up * block.heightMm,
  });
  const ring = [corner(-1, -1, 0), corner(1, -1, 0), corner(1, 1, 0), corner(-1, 1, 0)];
  const top = [corner(-1, -1, 1), corner(1, -1, 1), corner(1, 1, 1), corner(-1, 1, 1)];
  const walls = ring.map((p, i) => [p, ring[(i + 1) % 4], top[(i + 1) % 4], top[i]]);
  return [top, [...ring].reverse(), ...walls];
}

/** Middle of the floor: where the sheet's own middle came to lie. */
export function floorCentre(pose: Pose): Point3 {
  const { pattern, placed, pinned } = pose;
  const xs = pattern.vertices.map((p) => p.x);
  const ys = pattern.vertices.map((p) => p.y);
  const sheetMiddle = { x: (Math.min(...xs) + Math.max(...xs)) / 2, y: (Math.min(...ys) + Math.max(...ys)) / 2 };
  return apply(placed[pinned], sheetMiddle);
}
