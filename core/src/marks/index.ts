export { type AngleWay, angleWaysTo } from './angle-ways';
export { COMMON_PARTS, COMMON_SHAPES, type CommonMarks, commonMarks, fromCommon } from './common-marks';
export { divideBy, type Division } from './divide';
export { type EyeLearned, eyeOf, type EyeTry, missOf } from './eye-drill';
export { EXACT, foldWay, type FoldWay, foldWaysTo, MOST_FOLDS } from './fold-ways';
export { foldsInRound, type Fraction, fractionOf, halvingFolds } from './halving';
export { foldMarked, markedBy, type PieceAsked } from './fold-marked';
export { goalsAtHand, goalsOf, type MarkGoal } from './mark-goals';
export { type MarkAsk, MarkAskUnread, readMarkAsk } from './mark-ask';
export {
  type MarkFoundBy,
  marksOfPiece,
  type MarksWanted,
  measuredOf,
  type PieceMarks,
  seenOf,
  sheetSizeOf,
  withMarkSteps,
} from './piece-marks';
export { type ChosenWay, type MarkPlan, type PlannedPinch, planMarks } from './mark-plan';
export { makeMarks, markMissed, type MarkSteps, markSteps } from './mark-steps';
export { halvingWayTo } from './halving-way';
export { type MarkMaker, type MarkWay, type Measured, type School, SCHOOLS, USUAL_EYE } from './mark-way';
export { usualWay, wayById, waysToMark } from './mark-ways';
export { CUT_CARD_MM, LONGEST_CARD_MM } from './plain-ways';
export { EDGES, foldWords, namingOf } from './mark-words';
export { type Creased, creasedBy } from './search/creased';
export { readFolds, writeFolds } from './search/fold-code';
export {
  alignmentOf,
  alongEdge,
  creasesOf,
  edgeLength,
  edgesOf,
  FIRST_FOLD,
  type FoldBy,
  type LineRef,
  type MarkFold,
  type PlaceRef,
  placeOf,
} from './search/mark-fold';
export { type MarkFound, MarkSearch } from './search/mark-search';
export { lastMark, type MarkSpread, markSpread } from './search/mark-spread';
export { sharedFolds, symmetriesOf, turnedFolds } from './search/turned-folds';
export { type MarkPlace, type SheetMark, sheetMarks, type StepMarks } from './sheet-marks';
export { thingsAsRulers } from './things-as-rulers';
export { findingWords, WAY_NAMES } from './way-words';
export { type Visible, visibleOn } from './visible';
