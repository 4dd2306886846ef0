import { RULERS, type RulerId } from '../measure/ruler';
import { type CutRect, NOISE_MM, type PlannedParent, type StraightCut } from './cutting';

/** Where a cut is marked: its distances from both edges of the piece that is cut, in mm. */
export interface CutReading {
  readonly cut: StraightCut;
  /** On a mark of the ruler unless `between`. */
  readonly atMm: number;
  /** From the edge on the other side; what the cut takes away lies between. */
  readonly fromFarMm: number;
  /** By how much the mark is beyond the place that was planned. */
  readonly shiftMm: number;
  /** Whether no mark does: on either side of the place a piece would become too small. */
  readonly between: boolean;
}

/**
 * The cuts of a sheet as a ruler shows them: each moved to the next mark where what is cut away beyond it stays large enough for its
 * pieces, else to the mark before where what is on this side does.
 * @param lossMm what each cut takes away
 */
export function cutReadings(
  { cuts, pieces }: Pick<PlannedParent, 'cuts' | 'pieces'>,
  ruler: RulerId,
  lossMm: number,
): readonly CutReading[] {
  const { stepMm } = RULERS[ruler];
  /** By how much a piece on the table is smaller than planned, on its far sides, by the marks of the cuts before. */
  const lost = new Map<string, readonly [number, number]>();
  const keyOf = ({ xMm, yMm, widthMm, heightMm }: CutRect): string =>
    [xMm, yMm, widthMm, heightMm].map((mm) => mm.toFixed(4)).join(' ');
  return cuts.map((cut): CutReading => {
    const { piece, runs, atMm } = cut;
    const upright = runs === 'upright';
    const before = lost.get(keyOf(piece)) ?? [0, 0];
    const already = before[upright ? 0 : 1];
    const [start, full] = upright ? [piece.xMm, piece.widthMm] : [piece.yMm, piece.heightMm];
    const inside = pieces.filter(
      (one) =>
        one.xMm >= piece.xMm - NOISE_MM &&
        one.yMm >= piece.yMm - NOISE_MM &&
        one.xMm + one.widthMm <= piece.xMm + piece.widthMm + NOISE_MM &&
        one.yMm + one.heightMm <= piece.yMm + piece.heightMm + NOISE_MM,
    );
    const ends = inside.map((one) => (upright ? [one.xMm, one.xMm + one.widthMm] : [one.yMm, one.yMm + one.heightMm]));
    const at = start + atMm;
    const here = ends.filter(([, to]) => to <= at + NOISE_MM);
    const beyond = ends.filter(([from]) => from >= at - NOISE_MM);
    // How far the place may move without making pieces smaller.
    const nearer = here.length ? at - Math.max(...here.map(([, to]) => to)) : atMm;
    const room = beyond.length ? start + full - Math.max(...beyond.map(([, to]) => to)) : full - atMm - lossMm;
    const further = room - already;
    const steps = atMm / stepMm;
    const up = Math.ceil(steps - NOISE_MM) * stepMm - atMm;
    const down = Math.floor(steps + NOISE_MM) * stepMm - atMm;
    const shift = up <= Math.max(0, further) + NOISE_MM ? up : -down <= Math.max(0, nearer) + NOISE_MM ? down : null;
    const shiftMm = shift === null || Math.abs(shift) < NOISE_MM ? 0 : shift;
    const next = (mm: number): readonly [number, number] => (upright ? [mm, before[1]] : [before[0], mm]);
    const rest = Math.max(0, full - atMm - lossMm);
    lost.set(keyOf(upright ? { ...piece, widthMm: atMm } : { ...piece, heightMm: atMm }), next(-shiftMm));
    const place = atMm + lossMm;
    lost.set(
      keyOf(
        upright
          ? { ...piece, xMm: piece.xMm + place, widthMm: rest }
          : { ...piece, yMm: piece.yMm + place, heightMm: rest },
      ),
      next(already + shiftMm),
    );
    return {
      ...{ cut, shiftMm, between: shift === null, atMm: atMm + shiftMm },
      fromFarMm: Math.max(0, full - already - atMm - shiftMm - lossMm),
    };
  });
}

/** Sheets that a blade goes through at once: so thick a stack is still cut square, in mm. */
const STACK_MM = { knife: 1, scissors: 0.6, stated: 0.6 } as const;

export type CutTool = keyof typeof STACK_MM;

/** How many sheets that are cut alike are stacked at once, and in how many goes all of them are cut. */
export function stacked(
  sheets: number,
  caliperMm: number,
  tool: CutTool,
): { readonly atOnce: number; readonly goes: number } {
  const atOnce = Math.max(1, Math.min(sheets, Math.floor(STACK_MM[tool] / caliperMm + NOISE_MM)));
  return { atOnce, goes: Math.ceil(sheets / atOnce) };
}
