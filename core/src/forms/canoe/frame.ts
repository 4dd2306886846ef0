import * as z from 'zod';
import { type Point, point } from '../../measure/point';
import type { Sheet } from '../../paper/sheet';
import type { Form } from '../form';
import { bendOf, type Hull } from '../../bodies/hull';

/** What tells one boat of this family from another. */
export interface CanoeKind extends Pick<Form, 'id' | 'name' | 'use' | 'sheetShape' | 'minutes' | 'leastSheetMm'> {
  /** All at once, or first one half and then the other. */
  readonly turn: 'single' | 'two-stage';
  readonly wallDeg: number;
}

const K = Math.SQRT2 - 1;

export interface Frame {
  readonly width: number;
  readonly length: number;
  /** Height of the sides. */
  readonly h: number;
  /** Length of an end. */
  readonly e: number;
  /** From the middle line to the outline before the last long folds. */
  readonly half: number;
}

export function frameOf({ outline }: Sheet): Frame {
  const width = Math.max(...outline.map((p) => p.x));
  const length = Math.max(...outline.map((p) => p.y));
  const half = Math.min(width / 4, (K * length) / 2);
  return { width, length, half, h: half / 2, e: half / 2 / K };
}

/** The six edges of the back that snap through when the boat is turned: sides first, then the four ends. */
export function outlineOfBack({
  width,
  length,
  h,
  e,
}: Frame): { readonly from: Point; readonly to: Point; readonly end: boolean }[] {
  const mid = width / 2;
  return [-1, 1].flatMap((side) => {
    const [low, high] = [point(mid + side * h, e), point(mid + side * h, length - e)];
    return [
      { from: low, to: high, end: false },
      { from: point(mid, 0), to: low, end: true },
      { from: point(mid, length), to: high, end: true },
    ];
  });
}

export function hullFor({ length, h, e }: Frame, wallRad: number): Hull {
  const bend = bendOf(wallRad);
  const y1 = length / 2 - e;
  return {
    chine: { x: y1, y: h, z: 0 },
    rim: { x: y1, y: h * (1 - Math.cos(wallRad)), z: h * Math.sin(wallRad) },
    tip: { x: y1 + e * Math.cos(bend), y: 0, z: h * Math.tan(wallRad / 2) },
  };
}

export function canoeParams(wallDeg: number) {
  return z.object({
    /** Angle between walls and floor in degrees: steep walls carry, slanting ones are steadier. */
    wallDeg: z.number().int().min(75).max(115).default(wallDeg),
  });
}

export type CanoeParams = z.infer<ReturnType<typeof canoeParams>>;
