import { OwnThread } from '../thread/own-thread';
import type { Verdict, VerifyAsked } from './verify-make';

/** The slowest make takes about a second. */
const LONGEST_MS = 30_000;

/** Folds in a thread of its own. @param script the worker's own file */
export const verifier = (script: string | URL, longestMs = LONGEST_MS): OwnThread<VerifyAsked, Verdict> =>
  new OwnThread<VerifyAsked, Verdict>(script, {
    longestMs,
    stuck: () => ({ refused: 'It could not be folded in a reasonable time.' }),
    busy: 'Too much is being folded just now. Try again in a moment.',
  });
