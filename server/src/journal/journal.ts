import { basename, dirname, join } from 'node:path';
import { createStream, type RotatingFileStream } from 'rotating-file-stream';

/** A request, without anything that it said. */
export interface RequestLine {
  readonly method: string;
  /** The route's pattern, not the address that was asked. */
  readonly route: string;
  readonly status: number;
  readonly ms: number;
}

/** What happens in a server, line by line as JSON. */
export interface Journal {
  request(line: RequestLine): void;
  event(what: string, more: Readonly<Record<string, string | number>>): void;
  /** Fulfilled when all of it is written. */
  close(): Promise<void>;
}

/** So large a file gets, and so many are kept. */
const USUAL = { size: '5M', kept: 8 };
/** A log that could not be written is tried again after so long. */
const AGAIN_MS = 60_000;

/** Writes nothing. */
export const NO_JOURNAL: Journal = { request: () => undefined, event: () => undefined, close: () => Promise.resolve() };

/** Writes into `logs` beside a workshop's file. A log that cannot be written stops nothing: that is said once. */
export function journalBeside(file: string, { size, kept } = USUAL): Journal {
  const path = join(dirname(file), 'logs');
  let stream: RotatingFileStream | null = null;
  let failedAt: number | null = null;
  const open = (): RotatingFileStream | null => {
    if (stream || (failedAt !== null && Date.now() - failedAt < AGAIN_MS)) return stream;
    const opened = createStream(`${basename(file, '.sqlite')}.log`, { path, size, rotate: kept });
    opened.on('error', (error: Error) => {
      if (failedAt === null) console.error(`The log in ${path} cannot be written: ${error.message}`);
      failedAt = Date.now();
      if (stream === opened) stream = null;
    });
    return (stream = opened);
  };
  const write = (line: object): void =>
    void open()?.write(`${JSON.stringify({ at: new Date().toISOString(), ...line })}\n`);
  return {
    request: write,
    event: (what, more) => write({ event: what, ...more }),
    close: () => new Promise((done) => (stream ? stream.end(done) : done())),
  };
}
