import type { Point } from '../measure/point';
import type { LayerOrder } from './layer-order';
import { faceAt, type Pose } from './pose';
import { stackDepth } from './stack-depth';
import { apply } from './transform';

/** A flat part of a made piece, named by sheet points on its faces, and the paper side that faces the room. */
export interface Panel {
  readonly points: readonly Point[];
  /** 1: the white side faces the room, -1: the coloured side does. */
  readonly inward: 1 | -1;
}

interface PanelLayers {
  readonly inside: number;
  readonly outside: number;
}

/** Counted once for each layer order: replays by hands that miss a little share theirs. */
const counted = new WeakMap<LayerOrder, Map<string, PanelLayers>>();

/** Layers beyond the panel's own, towards the room and away from it, at the thickest spot. */
export function panelLayers(pose: Pose, panel: Panel): PanelLayers {
  const faces = [...new Set(panel.points.map((p) => faceAt(pose.pattern, p)))];
  let known = counted.get(pose.order);
  if (!known) counted.set(pose.order, (known = new Map<string, PanelLayers>()));
  const key = `${panel.inward} ${faces.join()}`;
  let layers = known.get(key);
  if (!layers) {
    const most = (side: 1 | -1): number => Math.max(...faces.map((f) => stackDepth(pose, f, side)));
    known.set(key, (layers = { inside: most(panel.inward), outside: most(panel.inward === 1 ? -1 : 1) }));
  }
  return layers;
}

/** Distance in mm from the plane of a panel to where a sheet point lies, positive on the panel's inward side. */
export function heightOver(pose: Pose, panel: Panel, p: Point, on: number = faceAt(pose.pattern, p)): number {
  const m = pose.placed[faceAt(pose.pattern, panel.points[0])];
  const q = apply(pose.placed[on], p);
  return panel.inward * (m[2] * (q.x - m[9]) + m[5] * (q.y - m[10]) + m[8] * (q.z - m[11]));
}
