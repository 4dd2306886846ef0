import {
  type NewTrial,
  type Trial,
  type TrialChange,
  trial as trialSchema,
  type TrialsAsked,
} from '@odd-corner/contract';
import { type Added, addOnce } from '../db/add-once';
import { inOneGo } from '../db/in-one-go';
import { keptRows } from '../db/kept-rows';
import { saying, type Where, wordsOf } from '../db/list-rows';
import type { Db } from '../db/open-database';
import { readJson } from '../db/read-json';
import { notFound, stale } from '../http/problem-error';

type Row = Omit<Trial, 'make' | 'asked' | 'foretold'> & {
  readonly make: string;
  readonly asked: string;
  readonly foretold: string | null;
};

const SELECT = `SELECT t.id, t.kind, t.job_id AS jobId, t.make_id AS makeId, t.entry_id AS entryId, t.paper_id AS paperId,
  t.folder_hand_id AS folderHandId, t.tried_at AS triedAt, t.version, t.title, t.make, t.what, t.asked, t.unit, t.guess,
  t.foretold, t.truth, t.role, t.note FROM trials t`;

function toRow({ make, asked, foretold, ...rest }: Trial): Row & { formId: string; words: string } {
  return {
    ...rest,
    ...{ make: JSON.stringify(make), asked: JSON.stringify(asked), formId: make.formId },
    foretold: foretold && JSON.stringify(foretold),
    words: wordsOf([rest.title, rest.what, rest.note, rest.role, make.formId.replaceAll('-', ' ')]),
  };
}

function conditions({ kind, form, job, entry, paper, search }: TrialsAsked): Where[] {
  const one = (column: string, bound: string | undefined): Where[] =>
    bound === undefined ? [] : [{ sql: `t.${column} = ?`, bound: [bound] }];
  return [
    ...one('kind', kind),
    ...one('form_id', form),
    ...one('job_id', job),
    ...one('entry_id', entry),
    ...one('paper_id', paper),
    ...saying('t.words', search),
  ];
}

/** What was tried of forms: what with, what was guessed, what was told, and what came. */
export function trialsRepository(db: Db) {
  const rows = keptRows<Row, typeof trialSchema>(db, {
    what: 'trial',
    table: 'trials',
    select: SELECT,
    schema: trialSchema,
    toRaw: ({ make, asked, foretold, ...rest }) => ({
      ...rest,
      ...{ make: readJson(make), asked: readJson(asked), foretold: foretold === null ? null : readJson(foretold) },
    }),
    order: { columns: ['t.tried_at', 't.id'], down: true, of: ({ triedAt, id }) => [triedAt, id] },
  });
  const insert =
    db.prepare(`INSERT INTO trials (id, kind, job_id, make_id, entry_id, paper_id, folder_hand_id, form_id, tried_at,
      version, title, words, make, what, asked, unit, guess, foretold, truth, role, note)
    VALUES (@id, @kind, @jobId, @makeId, @entryId, @paperId, @folderHandId, @formId, @triedAt,
      @version, @title, @words, @make, @what, @asked, @unit, @guess, @foretold, @truth, @role, @note)`);
  const update = db.prepare(`UPDATE trials SET entry_id = @entryId, paper_id = @paperId, folder_hand_id = @folderHandId,
      words = @words, what = @what, asked = @asked, unit = @unit, guess = @guess, foretold = @foretold, truth = @truth,
      role = @role, note = @note, version = version + 1 WHERE id = @id AND version = @version AND removed_at IS NULL`);
  const named = {
    job: db.prepare<[string]>('SELECT 1 FROM jobs WHERE id = ?'),
    make: db.prepare<[string]>('SELECT 1 FROM makes WHERE id = ?'),
    'log entry': db.prepare<[string]>('SELECT 1 FROM log_entries WHERE id = ?'),
    paper: db.prepare<[string]>('SELECT 1 FROM papers WHERE id = ?'),
    hand: db.prepare<[string]>('SELECT 1 FROM hands WHERE id = ?'),
  };
  /** @throws ProblemError 404 for what it names and is not here */
  const refuseUnknown = (ids: Readonly<Partial<Record<keyof typeof named, string | null>>>): void => {
    for (const [what, id] of Object.entries(ids) as [keyof typeof named, string | null][])
      if (id !== null && !named[what].get(id)) throw notFound(what);
  };
  return {
    ...rows,
    list: (asked: TrialsAsked) => rows.list(asked, conditions(asked)),
    put: (trial: Trial): void => void insert.run(toRow(trial)),
    add({ id, ...draft }: NewTrial, at: string): Added<Trial> {
      const { jobId, makeId, entryId, paperId, folderHandId } = draft;
      return addOnce(
        db,
        draft,
        () => rows.any(id),
        () => {
          refuseUnknown({ job: jobId, make: makeId, 'log entry': entryId, paper: paperId, hand: folderHandId });
          insert.run(toRow({ ...draft, id, version: 1, triedAt: at }));
          return rows.written(id);
        },
      );
    },
    change(id: string, next: TrialChange): Trial {
      return inOneGo(db, () => {
        refuseUnknown({ 'log entry': next.entryId, paper: next.paperId, hand: next.folderHandId });
        const seen = rows.get(id);
        if (!update.run(toRow({ ...seen, ...next })).changes) throw stale(seen);
        return rows.written(id);
      });
    },
  };
}

export type TrialsRepository = ReturnType<typeof trialsRepository>;
