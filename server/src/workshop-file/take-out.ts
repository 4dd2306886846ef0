import { WORKSHOP_FORMAT } from '@odd-corner/contract';
import Database from 'better-sqlite3';
import type { Db } from '../db/open-database';
import { readJson } from '../db/read-json';
import { quoted, type Table, tablesOf } from './tables';

/** So much is handed on at a time. */
const CHUNK = 1 << 16;

function rowText(row: Readonly<Record<string, unknown>>, { columns, json }: Table): string {
  const said = columns.map((name) => {
    const value = row[name];
    return [name, json.has(name) && value !== null ? readJson(value as string) : value];
  });
  return JSON.stringify(Object.fromEntries(said));
}

/** A workshop's file, piece by piece: one line for each row, so that two of them can be compared. */
export function* workshopText(db: Db): Generator<string> {
  const schema = db.pragma('user_version', { simple: true }) as number;
  yield `{"format":${JSON.stringify(WORKSHOP_FORMAT)},"version":1,"schema":${schema},"tables":{`;
  let first = true;
  for (const table of tablesOf(db)) {
    yield `${first ? '' : ','}\n${JSON.stringify(table.name)}:[`;
    first = false;
    const order = table.key.length ? table.key.map(quoted).join(', ') : 'rowid';
    let begun = false;
    for (const row of db
      .prepare<[], Record<string, unknown>>(`SELECT * FROM ${quoted(table.name)} ORDER BY ${order}`)
      .iterate()) {
      yield `${begun ? ',' : ''}\n${rowText(row, table)}`;
      begun = true;
    }
    yield ']';
  }
  yield '\n}}\n';
}

/** The file of a workshop while it is read. */
export interface TakingOut {
  readonly stream: ReadableStream<Uint8Array>;
  /** Breaks it off: the workshop's file is about to be changed for another. */
  end(): void;
}

/** The file of a workshop as it is at this moment, while others go on writing. @param ended told when it is all read, or broken off */
export function takeOut(file: string, ended: () => void): TakingOut {
  const db = new Database(file, { readonly: true, fileMustExist: true });
  // What is read from here on is of one moment.
  db.exec('BEGIN');
  db.prepare('SELECT 1 FROM settings').get();
  const text = workshopText(db);
  const encoder = new TextEncoder();
  let broken = false;
  const close = (): void => {
    if (!db.open) return;
    // A statement that is being read has to end first.
    text.return(undefined);
    db.close();
    ended();
  };
  const stream = new ReadableStream<Uint8Array>({
    pull(controller) {
      if (broken) throw new Error('The workshop was changed for another.');
      let chunk = '';
      while (chunk.length < CHUNK) {
        const { done, value } = text.next() as IteratorResult<string, undefined>;
        if (done) {
          if (chunk) controller.enqueue(encoder.encode(chunk));
          controller.close();
          close();
          return;
        }
        chunk += value;
      }
      controller.enqueue(encoder.encode(chunk));
    },
    cancel: close,
  });
  return {
    stream,
    end: () => {
      broken = true;
      close();
    },
  };
}
