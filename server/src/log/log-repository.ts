import {
  type LogAsked,
  type LogEntry,
  type LogEntryChange,
  logEntry as entrySchema,
  type SheetsUsed,
} from '@odd-corner/contract';
import { keptRows } from '../db/kept-rows';
import { saying, type Where, wordsOf } from '../db/list-rows';
import type { Db } from '../db/open-database';
import { readJson } from '../db/read-json';
import { stale } from '../http/problem-error';
import { sizesInWords } from '../jobs/words';

type Row = Omit<LogEntry, 'make' | 'papers' | 'predicted' | 'measured' | 'sheetsUsed'> &
  Readonly<Record<'make' | 'papers' | 'predicted' | 'measured' | 'sheetsUsed', string>>;

/** Sheets of an entry as they are stored. */
export interface UsedRow extends SheetsUsed {
  /** Taken off the shelf when it was written down. */
  readonly taken: number;
  /** Taken before, when sheets were cut for it. */
  readonly covered: number;
}

const SELECT = `SELECT t.id, t.job_id AS jobId, t.make_id AS makeId, t.folder_hand_id AS folderHandId, t.folded_at AS foldedAt,
  t.version, t.copies, t.fits, t.minutes, t.title, t.note, t.make, t.papers, t.predicted, t.measured,
  (SELECT json_group_array(json_object('paperId', paper_id, 'paperName', paper_name, 'sheets', sheets))
    FROM (SELECT * FROM sheets_used WHERE entry_id = t.id ORDER BY position)) AS sheetsUsed
  FROM log_entries t`;

function conditions({ form, paper, hand, job, from, until, search }: LogAsked): Where[] {
  const one = (sql: string, bound: string | undefined): Where[] =>
    bound === undefined ? [] : [{ sql, bound: [bound] }];
  return [
    ...one('t.form_id = ?', form),
    ...one('EXISTS (SELECT 1 FROM sheets_used u WHERE u.entry_id = t.id AND u.paper_id = ?)', paper),
    ...one('t.folder_hand_id = ?', hand),
    ...one('t.job_id = ?', job),
    ...one('t.folded_at >= ?', from),
    ...one('t.folded_at < ?', until),
    ...saying('t.words', search),
  ];
}

const words = ({ title, note, make, papers, sheetsUsed }: LogEntry): string =>
  wordsOf([title, note, sizesInWords(make, papers), ...sheetsUsed.map(({ paperName }) => paperName)]);

/** The logbook: each made thing, as predicted and as measured. */
export function logRepository(db: Db) {
  const rows = keptRows<Row, typeof entrySchema>(db, {
    what: 'log entry',
    table: 'log_entries',
    select: SELECT,
    schema: entrySchema,
    toRaw: ({ make, papers, predicted, measured, sheetsUsed, ...rest }) => ({
      ...rest,
      ...{ make: readJson(make), papers: readJson(papers), sheetsUsed: readJson(sheetsUsed) },
      ...{ predicted: readJson(predicted), measured: readJson(measured) },
    }),
    order: { columns: ['t.folded_at', 't.id'], down: true, of: ({ foldedAt, id }) => [foldedAt, id] },
  });
  const insert =
    db.prepare(`INSERT INTO log_entries (id, job_id, make_id, folder_hand_id, form_id, folded_at, version, copies, fits, minutes, title,
      note, words, make, papers, predicted, measured)
    VALUES (@id, @jobId, @makeId, @folderHandId, @formId, @foldedAt, @version, @copies, @fits, @minutes, @title,
      @note, @words, @make, @papers, @predicted, @measured)`);
  const update =
    db.prepare(`UPDATE log_entries SET folder_hand_id = @folderHandId, folded_at = @foldedAt, copies = @copies, fits = @fits,
      minutes = @minutes, note = @note, words = @words, predicted = @predicted, measured = @measured, version = version + 1
    WHERE id = @id AND version = @version AND removed_at IS NULL`);
  const used = db.prepare<[string], UsedRow>(
    `SELECT paper_id AS paperId, paper_name AS paperName, sheets, taken, covered FROM sheets_used WHERE entry_id = ? ORDER BY position`,
  );
  const forget = db.prepare<[string]>('DELETE FROM sheets_used WHERE entry_id = ?');
  const note = db.prepare(`INSERT INTO sheets_used (entry_id, position, paper_id, paper_name, sheets, taken, covered)
    VALUES (@entryId, @position, @paperId, @paperName, @sheets, @taken, @covered)`);
  const makeOf = db.prepare<[string], { makeId: string | null }>(
    'SELECT make_id AS makeId FROM log_entries WHERE id = ?',
  );
  return {
    ...rows,
    list: (asked: LogAsked) => rows.list(asked, conditions(asked)),
    insert(entry: LogEntry): void {
      insert.run({
        ...entry,
        ...{ formId: entry.make.formId, words: words(entry) },
        ...{ make: JSON.stringify(entry.make), papers: JSON.stringify(entry.papers) },
        ...{ predicted: JSON.stringify(entry.predicted), measured: JSON.stringify(entry.measured) },
      });
    },
    change(id: string, next: LogEntry & Pick<LogEntryChange, 'version'>): void {
      const { changes } = update.run({
        ...{ ...next, id, words: words(next) },
        ...{ predicted: JSON.stringify(next.predicted), measured: JSON.stringify(next.measured) },
      });
      if (!changes) throw stale(rows.get(id));
    },
    makeOf: (id: string): string | null => makeOf.get(id)?.makeId ?? null,
    /** What went into an entry. */
    used: (id: string): readonly UsedRow[] => used.all(id),
    setUsed(entryId: string, all: readonly UsedRow[]): void {
      forget.run(entryId);
      all.forEach((one, position) => note.run({ ...one, entryId, position }));
    },
    /** With its sheets noted as taken, and none moved: its shelf was counted after them. */
    put(entry: LogEntry): void {
      this.insert(entry);
      this.setUsed(
        entry.id,
        entry.sheetsUsed.map((one) => ({ ...one, taken: one.paperId === null ? 0 : one.sheets, covered: 0 })),
      );
    },
  };
}

export type LogRepository = ReturnType<typeof logRepository>;
