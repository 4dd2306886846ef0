import type { Arrangement } from '../bodies/arrange';
import type { Point3 } from '../measure/vector3';

/** The room that a made piece has: its sizes by the keys of its kind, as measured on the folded paper. */
export interface Room<K extends string = string> {
  /** Which kind of room it is. */
  readonly kind: string;
  /** Lengths in mm, and what else its kind counts. */
  readonly sizes: Readonly<Record<K, number>>;
  /** Places in space that belong to it, as its kind says. */
  readonly corners?: readonly Point3[];
}

/** A room as a purpose is held against it, with what else a need may ask of the piece. */
export interface RoomAsked<K extends string = string> {
  readonly room: Room<K>;
  readonly sheetAreaMm2: number;
  /** What the piece measures outside, in mm, where that is asked too. */
  readonly outer?: { readonly lengthMm: number; readonly widthMm: number; readonly heightMm: number };
  /** What a soft room holds at most, in ml; null until its shape has been worked out. */
  readonly mostMl: (room: Room) => number | null;
}

/** A part of a need: the things themselves, ease, thickness, fingers. */
export interface Term {
  readonly name: string;
  readonly value: number;
}

/** One thing that must be so: what there is of it in a room, and what is needed. */
export interface Demand<K extends string = string> {
  readonly name: string;
  readonly unit: 'mm' | 'g' | 'ml';
  have(asked: RoomAsked<K>): number;
  need(asked: RoomAsked<K>): number;
  /** What the need is made of, where it is a sum; parts may be nothing. */
  terms?(asked: RoomAsked<K>): readonly Term[];
  /** Demands that read the same of a room have the same here, so that it is read once for all of them. */
  readonly reads?: unknown;
  /** What is needed, where that is the same for all rooms. */
  readonly fixed?: number;
  /** It takes long to work out, and runs smoothly: misses may be judged by its slopes. */
  readonly smooth?: true;
}

/** One way to fit: all of it must be so. */
export interface WayToFit<K extends string = string> {
  readonly demands: readonly Demand<K>[];
  /** How the things lie, for a set. */
  readonly arrangement: Arrangement | null;
}

type Sizes<K extends string> = Readonly<Record<K, number>>;

/** Writes demands on rooms whose sizes have these keys. */
export interface DemandsOn<K extends string> {
  /** A demand that a size is so much at least, or what follows from the sizes. */
  readonly demand: (
    name: string,
    have: (sizes: Sizes<K>, asked: RoomAsked<K>) => number,
    need: number | ((sizes: Sizes<K>, asked: RoomAsked<K>) => number),
    more?: Partial<Pick<Demand<K>, 'unit' | 'terms' | 'smooth'>>,
  ) => Demand<K>;
  /** The same where the need is a sum. */
  readonly summed: (name: string, have: (sizes: Sizes<K>) => number, terms: readonly Term[]) => Demand<K>;
}

export function demandsOn<K extends string>(): DemandsOn<K> {
  const demand: DemandsOn<K>['demand'] = (name, have, need, more = {}) => ({
    name,
    unit: 'mm',
    reads: have,
    ...(typeof need === 'number' && { fixed: need }),
    have: (asked) => have(asked.room.sizes, asked),
    need: typeof need === 'number' ? () => need : (asked) => need(asked.room.sizes, asked),
    ...more,
  });
  const total = (terms: readonly Term[]): number => terms.reduce((sum, { value }) => sum + value, 0);
  return { demand, summed: (name, have, terms) => demand(name, have, total(terms), { terms: () => terms }) };
}

/** The one way to fit, where there is nothing to be arranged. */
export const alone = <K extends string>(...demands: readonly Demand<K>[]): readonly WayToFit<K>[] => [
  { demands, arrangement: null },
];
