import { boxOf, type Item } from '../bodies/contents';
import type { Purpose } from './purpose';

/** Where work can hurt someone: what of, and the usual caution. */
export interface Caution {
  readonly kind: 'food' | 'flame' | 'swallowed' | 'small parts' | 'sharp' | 'water' | 'glue' | 'handling';
  readonly words: string;
}

export const SMALL_PARTS: Caution = {
  kind: 'small parts',
  words: 'Small parts can choke: keep them from children under three.',
};
export const NO_FLAMES: Caution = {
  kind: 'flame',
  words: 'No flame in it or beside it.',
};

/** Of anything that floats. */
export const AFLOAT: readonly Caution[] = [
  {
    kind: 'water',
    words:
      'Stay with small children at any water, however shallow. Sail in a basin or on a thread and lift the boat out again: paper and wax are litter in a stream.',
  },
  NO_FLAMES,
  {
    kind: 'handling',
    words: 'Paper is not waterproof: try it empty first, and expect minutes rather than hours.',
  },
];

/** Words that name a thing of a kind, as a maker types them; plurals go without saying. */
const named = (words: string): RegExp => new RegExp(`\\b(?:${words})(?:e?s)?\\b`, 'i');

const EATEN = named(
  'sweet|candy|candies|chocolate|nut|peanut|almond|raisin|berry|berries|fruit|biscuit|cookie|cake|muffin|bread|sandwich|popcorn|crisp|rice|lentil|sugar|salt|flour|spice|tea ?bag|coffee|juice|milk|water|egg|cheese|cracker',
);
const FLAME = named('tea ?light|candle|match|lighter|incense|sparkler|firework|fuse');
const SWALLOWED = named('magnet|coin ?cell|button ?cell|button battery|button batteries|[cl]r ?\\d{2,4}');
const SHARP = named(
  'blade|knife|knives|scalpel|razor|needle|pin|thumbtack|drawing pin|nail|awl|chisel|scissor|drill bit|broken glass',
);

/**
 * A thing that goes into a cylinder of these sizes, in mm, can block a small child's airway: the small-parts cylinder of the
 * toy safety standards (ISO 8124-1), 31.7 mm across and at most 57.1 mm deep.
 */
const SMALL_PART = { acrossMm: 31.7, deepMm: 57.1 } as const;

function isSmallPart({ thing }: Item): boolean {
  const [, middle, longest] = [...boxOf(thing)].sort((p, q) => p - q);
  return middle <= SMALL_PART.acrossMm && longest <= SMALL_PART.deepMm;
}

const itemsOf = (purpose: Purpose): readonly Item[] =>
  purpose.kind === 'hold' ? purpose.pieces : purpose.kind === 'loose' ? [purpose.piece] : [];

/** Whether someone may eat or drink what is held, so that the paper touches food. */
export const isEaten = (purpose: Purpose): boolean =>
  purpose.kind === 'liquid' ||
  (purpose.kind === 'bulk' && purpose.name !== 'sand') ||
  itemsOf(purpose).some(({ name }) => EATEN.test(name) && !FLAME.test(name));

/** The usual cautions for a purpose, whatever it is folded from: where the choice is made, the gravest first. */
export function cautionsOf(purpose: Purpose): readonly Caution[] {
  const items = itemsOf(purpose);
  const names = (of: RegExp): boolean => items.some(({ name }) => of.test(name));
  const found: Caution[] = [];
  if (names(SWALLOWED))
    found.push({
      kind: 'swallowed',
      words:
        'Swallowed magnets and button cells injure within hours: keep them where children cannot reach, tape over the cells, and get help at once if one is missing.',
    });
  if (names(FLAME)) found.push(NO_FLAMES);
  if (names(SHARP))
    found.push({
      kind: 'sharp',
      words: 'Points and edges go through paper: wrap them in card first, and write on the outside what is inside.',
    });
  if (isEaten(purpose))
    found.push({
      kind: 'food',
      words:
        'Only paper that is sold for food may touch food or drink, its plain side to it; cold drinks, and for minutes only.',
    });
  if (purpose.kind === 'load')
    found.push({
      kind: 'water',
      words:
        'Wet paper gives way within minutes: float nothing that must stay dry, stay with children at any water, and leave nothing in it.',
    });
  if (purpose.kind === 'bead' || (!names(SWALLOWED) && items.some(isSmallPart))) found.push(SMALL_PARTS);
  return found;
}
