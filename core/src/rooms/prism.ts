import type { Point3 } from '../measure/vector3';
import { area } from '../pattern/convex';

/** The sides of a solid between two level outlines, each seen from outside counter-clockwise. */
export function prism(low: readonly Point3[], high: readonly Point3[]): Point3[][] {
  const [ring, top] = [low, high].map((loop) => (area(loop) < 0 ? [...loop].reverse() : [...loop]));
  const n = ring.length;
  return [top, [...ring].reverse(), ...ring.map((p, k) => [p, ring[(k + 1) % n], top[(k + 1) % n], top[k]])];
}
