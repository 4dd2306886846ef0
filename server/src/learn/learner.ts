import { OwnThread } from '../thread/own-thread';
import type { Learned } from '@odd-corner/contract';
import type { LearnAsked } from './learn-from';

/** A thousand makes that were never folded before take a minute. */
const LONGEST_MS = 120_000;

/** Learns hands in a thread of its own. @param script the worker's own file */
export const learner = (script: string | URL, longestMs = LONGEST_MS): OwnThread<LearnAsked, Learned> =>
  new OwnThread<LearnAsked, Learned>(script, {
    longestMs,
    // Nothing is known then: answers are told for the usual hand.
    stuck: () => ({ hands: [], papers: [] }),
    busy: 'Too much is being learned just now. Try again in a moment.',
  });
