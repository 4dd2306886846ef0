export { AIMS, type Aim } from './aims';
export {
  areaOf,
  type CutRect,
  type CutRules,
  type CutsPlanned,
  LEAST_OFFCUT_MM,
  type PlannedParent,
  type PlannedPiece,
  type StockSheets,
  type StraightCut,
  USUAL_CUT_RULES,
  type WantedSheet,
} from './cutting';
export { planCuts } from './plan-cuts';
export { type CuttingPlan, type CuttingProgress, planCutting } from './plan-cutting';
export type { CuttingAsked } from './problem';
export { type Solve, solverOf, type TextSolver } from './programme';
export { gapInWords, gapOf, type Proof } from './proof';
export { type CutReading, cutReadings, type CutTool, stacked } from './cut-readings';
export { largestOf, partsOf, PROPORTIONS, type PartOfSheet, squareOf, stripsOf } from './sheet-parts';
export { type Squaring, squaringSteps } from './squaring-steps';
export { type ListedSheet, parseCuttingList, type UnreadLine } from './cutting-list';
export { scrapOf } from './scrap';
