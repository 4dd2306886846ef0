import type { Db } from './open-database';

/** Marks the file as a workshop's: "OddC" in the place that SQLite has for that. */
const APPLICATION_ID = 0x4f64_6443;
/** Nobody learns more by asking more often. */
const EVERY_MS = 2000;

/**
 * Reads from a workshop's file and writes to it, as any work would: what is written is the file's own mark, which is always
 * the same and counts as no change of the workshop.
 * @returns why it failed, or null
 */
export function takePulse(db: Db): unknown {
  try {
    db.prepare('SELECT 1 FROM settings').get();
    db.pragma(`application_id = ${APPLICATION_ID}`);
    return null;
  } catch (error) {
    return error;
  }
}

/** The same, at most every two seconds. */
export function pulseOf(db: Db, now = (): number => performance.now()): () => unknown {
  let last: { readonly at: number; readonly found: unknown } | null = null;
  return () => {
    if (!last || now() - last.at > EVERY_MS) last = { at: now(), found: takePulse(db) };
    return last.found;
  };
}
