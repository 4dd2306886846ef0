export { type MarkPlace, type SheetMark, sheetMarks, type StepMarks } from './sheet-marks';
