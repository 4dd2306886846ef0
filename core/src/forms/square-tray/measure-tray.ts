import { heightOver, type Panel, panelLayers } from '../../folding/facing-distance';
import { type Pose, whereIs } from '../../folding/pose';
import { BOX } from '../../rooms/box';
import type { FormSizes } from '../form';
import type { BoxFrame } from './box-frame';

/**
 * Sizes of a folded tray or lid, open side up, measured on its faces. A panel's crease plane is the middle of its own layer:
 * it loses half a thickness to the room and a whole one for every layer inside it.
 */
export function measureTray(pose: Pose, { b, m, on }: BoxFrame, thicknessMm: number): FormSizes {
  const halfUp = (b + m) / 2;
  const side = (x: 1 | -1): Panel => ({ points: [on(x * halfUp, 0)], inward: 1 });
  const end = (y: 1 | -1): Panel => ({ points: [on(b / 2, y * halfUp), on(-b / 2, y * halfUp)], inward: 1 });
  const floor: Panel = {
    points: [1, -1].flatMap((x) =>
      [1, -1].flatMap((y) => [on((x * b) / 2, (y * b) / 4), on((x * b) / 4, (y * b) / 2)]),
    ),
    inward: 1,
  };
  const across = heightOver(pose, side(-1), on(halfUp, 0));
  const along = heightOver(pose, end(-1), on(b / 2, halfUp));
  const up = heightOver(pose, floor, on(b / 2, m));
  const layers = { side: panelLayers(pose, side(1)), end: panelLayers(pose, end(1)), floor: panelLayers(pose, floor) };
  const lost = (layersInside: number): number => (layersInside + 0.5) * thicknessMm;
  const gained = (layersOutside: number): number => (layersOutside + 0.5) * thicknessMm;
  const total = (part: { inside: number; outside: number }): number => part.inside + part.outside + 1;
  const [floors, sides, ends] = [total(layers.floor), total(layers.side), total(layers.end)];
  return {
    rooms: [
      BOX.of({
        lengthMm: across - 2 * lost(layers.side.inside),
        widthMm: along - 2 * lost(layers.end.inside),
        depthMm: up - lost(layers.floor.inside),
      }),
    ],
    outer: {
      lengthMm: across + 2 * gained(layers.side.outside),
      widthMm: along + 2 * gained(layers.end.outside),
      heightMm: up + gained(layers.floor.outside) + thicknessMm / 2,
    },
    lengths: [
      { name: 'base between creases', mm: across },
      { name: 'walls between creases', mm: up },
    ],
    layers: [
      { name: 'thickest', count: Math.max(floors, sides, ends) },
      { name: 'floor', count: floors },
      { name: 'sides', count: sides },
      { name: 'ends', count: ends },
    ],
  };
}

/** How far the tips of a lid's end flaps stand out beyond its floor: its ears, once it is turned over. */
export function earsMm(pose: Pose, { m, on }: Pick<BoxFrame, 'm' | 'on'>): number {
  const floor = whereIs(pose, on(0, 0)).z;
  return Math.max(...[1, -1].map((end) => floor - whereIs(pose, on(0, 2 * end * m)).z));
}
