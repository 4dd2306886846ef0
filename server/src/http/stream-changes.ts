import type { Context } from 'hono';
import { streamSSE } from 'hono/streaming';
import type { ChangesHub } from './changes-hub';
import { ProblemError } from './problem-error';

/** A line that keeps the connection alive, so often. */
const BEAT_MS = 20_000;
/** More pages than these are not told: a table has no more phones. */
const MOST = 200;

/** Streams changes as they happen, until the page is gone. The first event only says how many there were. */
export function streamChanges(c: Context, hub: ChangesHub): Response {
  if (hub.listening >= MOST) throw new ProblemError(503, 'Too many pages are open on this workshop.');
  // Held back by no proxy.
  c.header('x-accel-buffering', 'no');
  return streamSSE(c, async (stream) => {
    await stream.writeSSE({ event: 'begun', data: JSON.stringify({ n: hub.count }) });
    const end = hub.listen((change) => void stream.writeSSE({ event: 'change', data: JSON.stringify(change) }));
    const beat = setInterval(() => void stream.write(': still here\n\n'), BEAT_MS);
    await new Promise<void>((gone) => stream.onAbort(gone));
    clearInterval(beat);
    end();
  });
}
