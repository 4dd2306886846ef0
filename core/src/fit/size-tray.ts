import type { BoxSizes } from '../forms/square-tray/box-sizes';
import { squareTray, type SquareTrayParams, WALL_SHARE } from '../forms/square-tray/square-tray';
import type { BlockSize } from '../measure/parse-sizes';
import { atRulerStep, type RulerId, rulerStepsFor, RULERS } from '../measure/ruler';
import { type CavityNeed, type EaseId, needOf } from './ease';
import { finishedCache, type FinishedCache } from './finished-cache';
import { type Slack, slackOf } from './slack';
import { smallestStep } from './smallest-step';

/** `folded`: the folded edge goes to the middle crease, no ruler needed. `measured`: the wall height is measured. */
export type WallWay = 'folded' | 'measured';

export interface TrayRequest {
  readonly block: BlockSize;
  readonly ease: EaseId;
  readonly ruler: RulerId;
  readonly walls: WallWay;
  /** Thickness of one layer of the paper, in mm. */
  readonly thicknessMm: number;
}

/** What decided the sheet: a direction of the cavity, the tallest wall that the base allows, or fingers. */
export type Decided = Slack['binding'] | 'wall-share' | 'fingers';

/** One part at the smallest sheet that the ruler shows. */
export interface SizedPart {
  readonly params: SquareTrayParams;
  readonly sheetMm: number;
  readonly need: CavityNeed;
  readonly sizes: BoxSizes;
  readonly slack: Slack;
  readonly decided: Decided;
}

/** A tray and the lid that goes over it. */
export interface TraySizing {
  readonly request: TrayRequest;
  readonly tray: SizedPart;
  readonly lid: SizedPart;
  /** Outside height with the lid on, ears not counted, in mm. */
  readonly closedHeightMm: number;
  /** How far the ears stand above the lid's top, in mm. */
  readonly earMm: number;
}

/** Play between tray and lid, both sides together, in mm: enough to slide, little enough to hold. */
export const LID_PLAY_MM: Readonly<Record<EaseId, number>> = { snug: 0.3, easy: 0.5, loose: 1 };

/** The contents ask for a sheet beyond any that can be handled. */
export class TooLarge extends Error {
  override readonly name = 'TooLarge';
}

/** Largest side of a sheet that is searched, in mm. */
const LARGEST_SHEET_MM = 20_000;

const shared = finishedCache();

/** The smallest sheet for one part with walls of a given height, or null when only a taller wall suits so large a sheet. */
function solvePart(
  params: SquareTrayParams,
  need: CavityNeed,
  { ruler, thicknessMm }: TrayRequest,
  cache: FinishedCache,
  leastMm = FINGERS,
): SizedPart | null {
  const { stepMm } = RULERS[ruler];
  const { wallMm } = params;
  const fingers = rulerStepsFor(leastMm, ruler);
  const tallestWall = wallMm === null ? 0 : Math.floor(wallMm / WALL_SHARE.max / stepMm) + 1;
  const lowestWall = wallMm === null ? Infinity : Math.floor((wallMm / WALL_SHARE.min / stepMm) * (1 + 1e-12));
  const low = Math.max(fingers, tallestWall);
  const high = Math.min(Math.floor(LARGEST_SHEET_MM / stepMm), lowestWall);
  if (high < low) return null;
  const slackAt = (steps: number): Slack =>
    slackOf(cache.sizes(atRulerStep(steps, ruler), params, thicknessMm).cavity, need);
  const widest = Math.max(need.lengthMm, need.widthMm);
  const guess = (Math.SQRT2 * (widest + 2 * (wallMm ?? Math.max(widest / 2, need.depthMm)))) / stepMm;
  const steps = smallestStep((k) => slackAt(k).leastMm, guess, low, high);
  if (steps === null) return null;
  const decided = steps > low ? slackAt(steps - 1).binding : low === fingers ? 'fingers' : 'wall-share';
  const sheetMm = atRulerStep(steps, ruler);
  return { params, sheetMm, need, sizes: cache.sizes(sheetMm, params, thicknessMm), slack: slackAt(steps), decided };
}

/** Below this sheet fingers no longer manage it, in mm. */
export const FINGERS = squareTray.leastSheetMm;

/**
 * A tray with folded walls from the smallest sheet that gives a room, at a mark of the ruler and not below `leastMm`.
 * @throws TooLarge when no sheet does
 */
export function sizePart(need: CavityNeed, request: TrayRequest, leastMm: number): SizedPart {
  const solved = solvePart({ part: 'tray', wallMm: null }, need, request, shared, leastMm);
  if (!solved) throw new TooLarge(`No sheet up to ${LARGEST_SHEET_MM / 1000} m gives that much room.`);
  return solved;
}

/** Tries walls from `wallMm` upwards, one ruler mark after another, until one suits the sheet that it leads to. */
function solveRaising(
  part: SquareTrayParams['part'],
  wallMm: number | null,
  need: CavityNeed,
  request: TrayRequest,
  cache: FinishedCache,
): SizedPart {
  const { ruler } = request;
  const tooLarge = new TooLarge(`No sheet up to ${LARGEST_SHEET_MM / 1000} m gives that much room.`);
  if (wallMm === null) {
    const solved = solvePart({ part, wallMm }, need, request, cache);
    if (!solved) throw tooLarge;
    return solved;
  }
  // A base of A and walls of h take a sheet of √2 (A + 2h); below this wall that sheet is too large for its walls.
  const base = Math.max(need.lengthMm, need.widthMm);
  const least = Math.max(
    WALL_SHARE.min * squareTray.leastSheetMm,
    (Math.SQRT2 * base) / (1 / WALL_SHARE.min - 2 * Math.SQRT2),
  );
  let marks = Math.max(rulerStepsFor(wallMm, ruler), rulerStepsFor(least, ruler));
  for (; atRulerStep(marks, ruler) < WALL_SHARE.max * LARGEST_SHEET_MM; marks++) {
    const solved = solvePart({ part, wallMm: atRulerStep(marks, ruler) }, need, request, cache);
    if (solved) return solved;
  }
  throw tooLarge;
}

/**
 * The smallest sheets, at marks of the ruler, for a tray that holds a block and a lid that goes over it. Every size is
 * measured on the folded paper at the sheet given and at the sheet one step smaller.
 * @throws TooLarge when no sheet up to 20 m does
 */
export function sizeTray(request: TrayRequest, cache: FinishedCache = shared): TraySizing {
  const { block, ease, ruler, walls, thicknessMm } = request;
  const need = needOf(block, ease);
  // The floor's second layer and half the first lie below the contents.
  const wallMm = walls === 'folded' ? null : atRulerStep(rulerStepsFor(need.depthMm + 1.5 * thicknessMm, ruler), ruler);
  const tray = solveRaising('tray', wallMm, need, request, cache);
  const play = LID_PLAY_MM[ease];
  const over = { lengthMm: tray.sizes.outer.lengthMm + play, widthMm: tray.sizes.outer.widthMm + play, depthMm: 0 };
  const lid = solveRaising('eared-lid', tray.params.wallMm, over, request, cache);
  const top = lid.sizes.outer.heightMm - lid.sizes.cavity.depthMm;
  return {
    request,
    tray,
    lid,
    closedHeightMm: Math.max(lid.sizes.outer.heightMm, tray.sizes.outer.heightMm + top),
    earMm: lid.sizes.nominal.baseMm / 2,
  };
}
