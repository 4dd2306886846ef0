import { type Learned, type LearnedOfHand, type Make, toFold } from '@odd-corner/contract';
import {
  FoldRefused,
  learnHand,
  learnPace,
  type LearnedThickness,
  type MeasuredPiece,
  type SizeEffects,
  sizeEffects,
  SHELF,
} from '@odd-corner/core';

/** An entry of the logbook, as a hand is learned from it. */
export interface LearnEntry {
  readonly handId: string | null;
  readonly make: Make;
  readonly copies: number;
  readonly minutes: number | null;
  /** In the steps of its copies, as far as they were timed at the table. */
  readonly stepSeconds: readonly Readonly<Record<string, number>>[];
  /** How far each size came out from what was predicted, in mm. */
  readonly offMm: Readonly<Record<string, number>>;
  /** The paper of each entry of the make, as it was when it was folded: its id, and how thick it was taken for. */
  readonly papers: Readonly<Record<string, { readonly key: string; readonly caliperMm: number }>>;
}

/** All that hands are learned from. */
export interface LearnAsked {
  /** The earliest first. */
  readonly entries: readonly LearnEntry[];
  /** Hands, and how far each is thought to miss. */
  readonly hands: readonly { readonly handId: string | null; readonly missMm: number }[];
  /** How thick a layer of each paper is taken for now, in mm. */
  readonly calipers: Readonly<Record<string, number>>;
}

/** What learns for the server. */
export type Learn = (asked: LearnAsked) => Promise<Learned>;

/** What moves the sizes of makes, as far as it was asked: by their words. */
export type EffectsKnown = Map<string, SizeEffects | null>;

/** So many makes are remembered. */
const MOST_KNOWN = 1000;

/** Null for a make that is not folded any more. */
function effectsOf(make: Make, known: EffectsKnown): SizeEffects | null {
  const key = JSON.stringify(toFold(make));
  let found = known.get(key);
  if (found === undefined) {
    try {
      found = sizeEffects(toFold(make));
    } catch (error) {
      if (!(error instanceof RangeError || error instanceof FoldRefused)) throw error;
      found = null;
    }
    if (known.size >= MOST_KNOWN) known.delete(known.keys().next().value!);
    known.set(key, found);
  }
  return found;
}

/** The pieces of an entry that were measured, each by itself: they lie on papers of their own. */
function piecesOf(
  { make, offMm, papers }: LearnEntry,
  calipers: LearnAsked['calipers'],
  known: EffectsKnown,
): MeasuredPiece[] {
  if (!Object.keys(offMm).length) return [];
  const effects = effectsOf(make, known);
  if (!effects) return [];
  return Object.entries(papers).flatMap(([entryKey, { key: paper, caliperMm }]): MeasuredPiece[] => {
    const own = Object.entries(offMm).filter(([key]) => key.startsWith(`${entryKey}/`));
    if (!own.length) return [];
    // Predicted for the thickness of then: what was found out since is known now.
    const thicker = (Object.hasOwn(calipers, paper) ? calipers[paper] : caliperMm) - caliperMm;
    const moved = own.map(([key, off]) => {
      const at = effects.keys.indexOf(key);
      return [key, at < 0 ? off : off - thicker * effects.perThickness[at]] as const;
    });
    return [{ formId: make.formId, paper, effects, offMm: Object.fromEntries(moved) }];
  });
}

/** Learns all hands, and how thick papers are by all of them. */
export function learnFrom({ entries, hands, calipers }: LearnAsked, known: EffectsKnown): Learned {
  const thick = new Map<string, LearnedThickness[]>();
  const learned = hands.map(({ handId, missMm }): LearnedOfHand => {
    const own = entries.filter((entry) => entry.handId === handId);
    const hand = learnHand(
      own.flatMap((entry) => piecesOf(entry, calipers, known)),
      missMm,
    );
    for (const [paper, one] of Object.entries(hand?.thickness ?? {}))
      thick.set(paper, [...(thick.get(paper) ?? []), one]);
    const pace = learnPace(
      own.flatMap(({ make: { formId }, copies, minutes }) =>
        minutes !== null && SHELF.has(formId)
          ? [{ formId, minutes, toldMinutes: copies * SHELF.form(formId).minutes }]
          : [],
      ),
      own.flatMap(({ make: { formId }, stepSeconds }) => stepSeconds.map((seconds) => ({ formId, seconds }))),
    );
    return { handId, pieces: hand?.pieces ?? 0, any: hand?.any ?? null, papers: hand?.papers ?? {}, pace };
  });
  const papers = [...thick].flatMap(([paperId, all]) => {
    if (!Object.hasOwn(calipers, paperId)) return [];
    const weights = all.map(({ sdMm }) => 1 / sdMm ** 2);
    const weight = weights.reduce((sum, one) => sum + one, 0);
    const offMm = all.reduce((sum, one, k) => sum + one.offMm * weights[k], 0) / weight;
    return [
      {
        ...{ paperId, caliperMm: calipers[paperId] + offMm, sdMm: 1 / Math.sqrt(weight) },
        pieces: all.reduce((sum, { pieces }) => sum + pieces, 0),
      },
    ];
  });
  return { hands: learned, papers };
}
