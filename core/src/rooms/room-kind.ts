import * as z from 'zod';
import type { RelaxProgress } from '../folding/soft/relax';
import type { Point3 } from '../measure/vector3';
import type { Arrangement } from '../bodies/arrange';
import type { Room, WayToFit } from '../purpose/demand';
import type { Prepared } from '../purpose/prepare';

/** What kind of thing a room holds. */
export type Holds =
  | 'flat things'
  | 'boxes and blocks'
  | 'loose pieces'
  | 'liquid'
  | 'pages'
  | 'a floating load'
  | 'a standing card'
  | 'a strap'
  | 'a head'
  | 'rolling beads'
  | 'pens';

/** A room whose walls give way: what it holds is worked out by a relaxation, once for all sizes of one outline. */
export interface SoftRoom<K extends string> {
  /** The length that all its sizes go with, in mm. */
  scaleMm(room: Room<K>): number;
  /** Presses it open; yields after every step so that the caller can cancel it by sending `true`. */
  open(room: Room<K>): Generator<RelaxProgress, { readonly volumeMm3: number }, boolean>;
  /** How sure the volume is: one standard deviation, as a share. */
  readonly spread: number;
}

/** A kind of room: what is measured of it, what it can be asked for, and how things lie in it. Each is one file. */
export interface RoomKind<K extends string = string> {
  readonly id: string;
  /** Reads such a room from data. */
  readonly schema: z.ZodType<Room<K>>;
  /** What its sizes are called where they are told; those without a name only decide. */
  readonly names: Readonly<Partial<Record<K, string>>>;
  readonly holds: readonly Holds[];
  /**
   * All ways in which it can answer a purpose.
   * @returns null when it does not answer that kind of purpose
   */
  demands(prepared: Prepared): readonly WayToFit<K>[] | null;
  /** Why it does not answer a purpose that might be expected of it; null where there is nothing to say. */
  refuses?(prepared: Prepared): string | null;
  /** How high something may stand in it, and how long it may be, in mm: for a room with a floor. */
  standing?(room: Room<K>): { readonly heightMm: number; readonly lengthMm: number };
  /** Outline of the largest flat thing in it, as it lies. */
  outline?(room: Room<K>): readonly Point3[];
  /** The largest thing that it holds, as it is shown beside it or coming out of it. */
  shown?(room: Room<K>): readonly (readonly Point3[])[];
  /** Outlines of flat things as they lie in it. */
  lying?(room: Room<K>, arrangement: Arrangement): readonly (readonly Point3[])[];
  readonly soft?: SoftRoom<K>;
}

/** Builds the schema of a room from the keys of its sizes. */
export function roomSchema<const I extends string, const K extends string>(
  kind: I,
  keys: readonly K[],
): z.ZodType<Room<K>> {
  const point = z.object({ x: z.number(), y: z.number(), z: z.number() });
  const sizes = z.custom<Readonly<Record<K, number>>>(
    (value) =>
      typeof value === 'object' &&
      value !== null &&
      keys.every((key) => Number.isFinite((value as Readonly<Record<string, unknown>>)[key])),
    `A ${kind} has ${keys.join(', ')}.`,
  );
  return z.object({ kind: z.literal(kind), sizes, corners: z.array(point).readonly().optional() });
}

/** Makes a kind of room from the keys of its sizes. */
export function roomKind<const K extends string>(
  id: string,
  keys: readonly K[],
  kind: Omit<RoomKind<K>, 'id' | 'schema'>,
): RoomKind<K> & { readonly of: (sizes: Readonly<Record<K, number>>, corners?: readonly Point3[]) => Room<K> } {
  return {
    ...kind,
    id,
    schema: roomSchema(id, keys),
    of: (sizes, corners) => ({ kind: id, sizes, ...(corners && { corners }) }),
  };
}

/** A row of what a room measures. */
export interface RoomFact {
  readonly name: string;
  readonly mm: number;
}

/** What a room measures, in the words of its kind. */
export function roomFacts({ names }: RoomKind, { sizes }: Room): readonly RoomFact[] {
  return Object.entries(names).flatMap(([key, name]) =>
    name === undefined || !Object.hasOwn(sizes, key) ? [] : [{ name, mm: sizes[key] }],
  );
}
