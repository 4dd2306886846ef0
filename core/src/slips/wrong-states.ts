import { isFlat, type Pose } from '../folding/pose';
import type { FormStep } from '../forms/form';
import { type Look, lookAlike, lookOf } from './looks';
import { SLIP_WORDS, type SlipKind } from './slip-words';
import { rightFold, wrongFolds } from './wrong-folds';
import { wrongTurns } from './wrong-turns';

/** A state that the paper is in after a usual slip, and the way back. */
export interface WrongState {
  readonly kind: SlipKind;
  readonly what: string;
  readonly remedy: string;
  readonly pose: Pose;
}

/**
 * The usual wrong states of a step, each folded from the wrong move: what the paper refuses, what looks right all the same,
 * and what looks like one told before is left out.
 */
export function wrongStates(step: FormStep): readonly WrongState[] {
  const { poses, meant = [] } = step;
  if (meant.some(({ before }) => !isFlat(before))) return [];
  const right = rightFold(meant) ?? poses[poses.length - 1];
  if (!isFlat(right)) return [];
  const looks: Look[] = [lookOf(right)];
  return [...wrongFolds(meant), ...wrongTurns(step)].flatMap(({ kind, pose }) => {
    const look = lookOf(pose);
    if (looks.some((known) => lookAlike(known, look))) return [];
    looks.push(look);
    return [{ kind, ...SLIP_WORDS[kind], pose }];
  });
}
