import { atRulerStep, type RulerId, RULERS } from '../measure/ruler';
import type { Piece, Purpose } from './contents';
import type { EaseId } from './ease';
import { LID_PLAY_MM } from './size-tray';
import { measure } from '../forms/folded';
import type { FormSizes } from '../forms/form';
import type { Fitting } from './fitting';
import type { SizePoint, Way } from './ways';

/** A box of the shelf at its sheet. */
export interface BoxMade {
  readonly way: Way;
  readonly point: SizePoint;
}

/** What is left between two boxes, both sides together, in mm; negative where paper is in the way. */
export interface Gap {
  readonly lengthMm: number;
  readonly widthMm: number;
}

/** How two boxes go together. */
export interface Pairing {
  /** The first one over the second, as a lid over its base. */
  readonly over: Gap;
  /** The first one inside the second, as an insert. */
  readonly inside: Gap;
  readonly how: 'over' | 'inside' | 'neither';
}

const sorted = (a: number, b: number): readonly [number, number] => [Math.max(a, b), Math.min(a, b)];

function sizesOf(fitting: Fitting, { way, point }: BoxMade): FormSizes {
  const found = fitting.fold(way, point);
  if (!found) throw new RangeError('This box cannot be folded from its sheet.');
  return measure(found.folded, point.thicknessMm);
}

function roomOf({ cavity }: FormSizes): readonly [number, number] {
  if (cavity.kind !== 'box') throw new RangeError('Only boxes go over or into each other.');
  return sorted(cavity.lengthMm, cavity.widthMm);
}

const outsideOf = ({ outer }: FormSizes): readonly [number, number] => sorted(outer.lengthMm, outer.widthMm);

const gap = (room: readonly [number, number], thing: readonly [number, number]): Gap => ({
  lengthMm: room[0] - thing[0],
  widthMm: room[1] - thing[1],
});

const least = ({ lengthMm, widthMm }: Gap): number => Math.min(lengthMm, widthMm);

/**
 * Whether a lid goes over a base, or into it, from the same sheet, a larger or a smaller one: what the paper of both leaves
 * between them.
 */
export function pairing(fitting: Fitting, lidMade: BoxMade, baseMade: BoxMade): Pairing {
  const [lid, base] = [lidMade, baseMade].map((box) => sizesOf(fitting, box));
  const over = gap(roomOf(lid), outsideOf(base));
  const inside = gap(roomOf(base), outsideOf(lid));
  return { over, inside, how: least(over) >= 0 ? 'over' : least(inside) >= 0 ? 'inside' : 'neither' };
}

/**
 * The largest sheet at a mark of the ruler from which the same form stands inside a base with the play that lids have: an
 * insert, or the inner part of a sleeve.
 * @returns null when fingers could not fold one so small
 */
export function insertFor(
  fitting: Fitting,
  base: BoxMade,
  leastSheetMm: number,
  ruler: RulerId,
  ease: EaseId,
): number | null {
  const { stepMm } = RULERS[ruler];
  const { sheet } = base.point;
  const fits = (steps: number): boolean => {
    const mm = atRulerStep(steps, ruler);
    const insert = { ...base, point: { ...base.point, sheet: { widthMm: mm, heightMm: mm } } };
    // Walls as high as the base's suit only so small a sheet.
    if (!fitting.fold(insert.way, insert.point)) return false;
    return least(pairing(fitting, insert, base).inside) >= LID_PLAY_MM[ease];
  };
  for (let steps = Math.floor(sheet.widthMm / stepMm); steps * stepMm >= leastSheetMm && steps > 0; steps--)
    if (fits(steps)) return atRulerStep(steps, ruler);
  return null;
}

/** The share of a purpose that each of so many equal units takes: pieces are divided as evenly as they can be. */
export function perUnit(purpose: Purpose, units: number): Purpose {
  if (!(Number.isInteger(units) && units >= 1)) throw new RangeError('Count whole units, one or more.');
  const divided = (piece: Piece): Piece => ({ ...piece, count: Math.ceil(piece.count / units) });
  switch (purpose.kind) {
    case 'hold':
      return { kind: 'hold', pieces: purpose.pieces.map(divided) };
    case 'loose':
      return { kind: 'loose', piece: divided(purpose.piece) };
    case 'liquid':
      return { kind: 'liquid', ml: purpose.ml / units };
    case 'load':
      return { ...purpose, grams: purpose.grams / units };
    default:
      return purpose;
  }
}
