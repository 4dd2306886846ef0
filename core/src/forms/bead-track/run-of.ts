import type { SheetPart } from '../../folding/crease-rows';
import type { Run } from '../form';
import type { Corners } from './stance';

/** The way of a bead down a track. */
export const runOf = (at: SheetPart, corners: readonly Corners[], liftDeg: number): Run => ({
  corners: corners.map(({ turn, tip, ridge }) => ({ turn: at(turn), tip: at(tip), ridge: at(ridge) })),
  liftDeg,
});
