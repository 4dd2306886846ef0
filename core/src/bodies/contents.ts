/** One thing to be held, in mm. A flat thing has its thickness last; a block stands on its length × width. */
export type Thing =
  | { readonly shape: 'flat'; readonly widthMm: number; readonly heightMm: number; readonly thickMm: number }
  | { readonly shape: 'block'; readonly lengthMm: number; readonly widthMm: number; readonly heightMm: number }
  | { readonly shape: 'cylinder'; readonly diameterMm: number; readonly lengthMm: number }
  | { readonly shape: 'ball'; readonly diameterMm: number };

/**
 * How a thing is kept, whatever else may be turned: `standing` as its sizes are written, `lying` on its largest side, or
 * `any` way up.
 */
export type Posture = 'standing' | 'lying' | 'any';

/** So many of a thing. */
export interface Item {
  readonly name: string;
  readonly count: number;
  readonly thing: Thing;
  /** Left out where nothing is said: as everything else that is packed. */
  readonly posture?: Posture;
  /** By how much it may come out smaller than its sizes, in mm, where those were given as a range. */
  readonly slackMm?: number;
}

/** The box round a thing as it stands: length, width, height. */
export function boxOf(thing: Thing): readonly [number, number, number] {
  switch (thing.shape) {
    case 'flat':
      return [thing.widthMm, thing.heightMm, thing.thickMm];
    case 'block':
      return [thing.lengthMm, thing.widthMm, thing.heightMm];
    case 'cylinder':
      return [thing.diameterMm, thing.diameterMm, thing.lengthMm];
    case 'ball':
      return [thing.diameterMm, thing.diameterMm, thing.diameterMm];
  }
}

/** Volume of a thing, in mm³. */
export function volumeOf(thing: Thing): number {
  const [a, b, c] = boxOf(thing);
  if (thing.shape === 'cylinder') return (Math.PI / 4) * a * b * c;
  return thing.shape === 'ball' ? (Math.PI / 6) * a ** 3 : a * b * c;
}

/**
 * Share of a heap that is solid when pieces are poured in, not laid. Balls settle near 0.60 to 0.64; squat cylinders, dice and
 * washers near 0.55 to 0.6; flat and long pieces leave more air. The lower end is taken, so that the room suffices.
 */
export function heapShare(thing: Thing): number {
  if (thing.shape === 'ball') return 0.6;
  const sides = [...boxOf(thing)].sort((p, q) => p - q);
  return sides[2] / sides[0] > 4 ? 0.45 : 0.55;
}

/** Things this much thinner than they are wide lie on others of their kind, and bend rather than stand. */
const THIN_SHARE = 1 / 20;

/** Whether a thing is a sheet, or as thin as one for its size. */
export function isThin(thing: Thing): boolean {
  if (thing.shape === 'flat') return true;
  if (thing.shape !== 'block') return false;
  const [thick, wide] = [...boxOf(thing)].sort((p, q) => p - q);
  return thick <= THIN_SHARE * wide;
}
