/** Something that is poured many times: a ball, a block, a disc that lies flat, a seed that is round across. Sizes in mm. */
export interface PouredThing {
  readonly name: string;
  readonly shape: 'ball' | 'block' | 'disc' | 'seed';
  /** Longest first: a ball's diameter, a block's three sides, a disc's diameter and thickness, a seed's length and width. */
  readonly mm: readonly number[];
}

/** Things that are poured often; sizes are usual ones, to be changed at will. */
export const POURED_THINGS: readonly PouredThing[] = [
  { name: 'Dice', shape: 'block', mm: [16, 16, 16] },
  { name: 'Small dice', shape: 'block', mm: [12, 12, 12] },
  { name: 'Round sweets', shape: 'ball', mm: [14] },
  { name: 'Wooden beads', shape: 'ball', mm: [10] },
  { name: 'Coins', shape: 'disc', mm: [22, 2] },
  { name: 'Washers', shape: 'disc', mm: [17, 3] },
  { name: 'Beans', shape: 'seed', mm: [14, 8] },
  { name: 'Screws', shape: 'seed', mm: [25, 5] },
  { name: 'Tablets', shape: 'disc', mm: [9, 4] },
];

/** How many sizes a shape has. */
export const SIZES_OF = { ball: 1, block: 3, disc: 2, seed: 2 } as const satisfies Record<PouredThing['shape'], number>;

/** Its three sides as it is turned about: long, wide, thick, in mm. */
export function sidesOf({ shape, mm: [a, b = a, c = b] }: PouredThing): readonly [number, number, number] {
  if (shape === 'ball') return [a, a, a];
  if (shape === 'disc') return [a, a, b];
  if (shape === 'seed') return [a, b, b];
  return [a, b, c];
}

/** The room that one takes by itself, in mm³; a seed is a cylinder with round ends. */
export function thingVolumeMm3(thing: PouredThing): number {
  const [long, wide, thick] = sidesOf(thing);
  if (thing.shape === 'ball') return (Math.PI / 6) * long ** 3;
  if (thing.shape === 'disc') return (Math.PI / 4) * long ** 2 * thick;
  if (thing.shape === 'seed') return (Math.PI / 4) * wide ** 2 * (long - wide) + (Math.PI / 6) * wide ** 3;
  return long * wide * thick;
}

/** As wide as a ball of the same room, in mm. */
export const likeBallMm = (thing: PouredThing): number => Math.cbrt((6 / Math.PI) * thingVolumeMm3(thing));
