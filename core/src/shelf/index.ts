export {
  type CutRect,
  LEAST_OFFCUT_MM,
  planCuts,
  type CutsPlanned,
  type PlannedParent,
  type PlannedPiece,
  type StockSheets,
  type StraightCut,
  type WantedSheet,
} from './plan-cuts';
