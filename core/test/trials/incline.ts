import { MOMENT_S, type Point3, Rolling } from '../../src/index';

/** In mm/s². */
export const GRAVITY = 9810;
/** A bead that nothing holds back. */
export const EVEN = { name: '', rolls: 0, bounces: 0.3, slides: 0.6 };

/** A plane that falls towards +x, its upper edge at nothing. */
export const incline = (deg: number, longMm = 6000) => {
  const [c, s] = [Math.cos((deg * Math.PI) / 180), Math.sin((deg * Math.PI) / 180)];
  const on = (u: number, y: number, up = 0): Point3 => ({ x: u * c + up * s, y, z: -u * s + up * c });
  return { on, faces: [[on(-50, -80), on(longMm, -80), on(longMm, 80), on(-50, 80)]] };
};

/** How fast a bead gains speed down an incline, by how far it comes in a second. */
export function gain(deg: number, radiusMm: number, material = EVEN): number {
  const { on, faces } = incline(deg);
  const rolling = new Rolling(faces, radiusMm, material);
  const start = on(0, 0, radiusMm);
  rolling.add(start);
  for (let k = 0; k < 1 / MOMENT_S; k++) rolling.step();
  const { x, y, z } = rolling.beads[0].at;
  return 2 * Math.hypot(x - start.x, y - start.y, z - start.z);
}
