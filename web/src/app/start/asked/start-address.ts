import { type EaseId, EASES, type ShownUnit, type Weights, type Wishes } from '@odd-corner/core';
import { COUNTS, readCount, readLid } from './wishes-query';
import { readWeights, writeWeights } from './weights-query';

/** How often it should fit when the hand misses its marks; null for a hand that misses nothing. */
export const CONFIDENCES = [
  { id: 'exact', share: null, label: 'An exact hand' },
  { id: '50', share: 0.5, label: 'Every other time' },
  { id: '90', share: 0.9, label: '9 times in 10' },
  { id: '99', share: 0.99, label: '99 in 100' },
] as const;

export type ConfidenceId = (typeof CONFIDENCES)[number]['id'];

const USUAL_CONFIDENCE: ConfidenceId = '90';

/** All that is asked at the start, as its address says it. */
export interface StartAsked {
  readonly text: string;
  /** What bare numbers in the text are in. */
  readonly unit: ShownUnit;
  /** Null for what the workshop leaves round contents. */
  readonly ease: EaseId | null;
  readonly confidence: ConfidenceId;
  /** Whether it may be laid on any side; null for what suits the contents. */
  readonly turn: boolean | null;
  readonly fingers: boolean;
  /** Among how many equal pieces the contents are divided. */
  readonly units: number;
  readonly lid: Wishes['lid'];
  /** How many stand in each other, the innermost taking the contents. */
  readonly nested: number;
  /** The paper on the shelf that it is to be folded from, or null for any like office paper. */
  readonly paperId: string | null;
  readonly weights: Weights;
}

const flag = (text: string | null): boolean | null => (text === null ? null : text === '1');
const isEase = (text: string | null): text is EaseId => text !== null && Object.hasOwn(EASES, text);

/** Reads an address; what it leaves out or gets wrong is as usual. */
export function readStart(query: { get(name: string): string | null }): StartAsked {
  const [unit, ease] = [query.get('unit'), query.get('ease')];
  return {
    text: query.get('holds') ?? '',
    unit: unit === 'in' || unit === 'cm' ? unit : 'mm',
    ease: isEase(ease) ? ease : null,
    confidence: CONFIDENCES.find(({ id }) => id === query.get('sure'))?.id ?? USUAL_CONFIDENCE,
    turn: flag(query.get('turn')),
    fingers: flag(query.get('fingers')) ?? false,
    units: readCount(query.get('units'), COUNTS.units),
    lid: readLid(query.get('lid')),
    nested: readCount(query.get('nested'), COUNTS.nested),
    paperId: query.get('paper'),
    weights: readWeights(query.get('weigh')),
  };
}

/** The address of what is asked: what is as usual is left out. */
export function writeStart(asked: StartAsked): URLSearchParams {
  const { text, unit, ease, confidence, turn, fingers, units, lid, nested, paperId, weights } = asked;
  const parts: readonly (readonly [string, string | false | null])[] = [
    ['holds', text.trim()],
    ['unit', unit !== 'mm' && unit],
    ['ease', ease],
    ['sure', confidence !== USUAL_CONFIDENCE && confidence],
    ['turn', turn === null ? null : turn ? '1' : '0'],
    ['fingers', fingers && '1'],
    ['units', units > 1 && `${units}`],
    ['lid', lid !== 'none' && lid],
    ['nested', nested > 1 && `${nested}`],
    ['paper', paperId],
    ['weigh', writeWeights(weights)],
  ];
  return new URLSearchParams(parts.flatMap(([name, value]) => (value ? [[name, value]] : [])));
}
