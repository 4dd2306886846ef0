import {
  type CuttingParent,
  type CuttingParentDraft,
  type CuttingPlanKept,
  cuttingPlan as schema,
  type ListAsked,
  type NewCuttingPlan,
} from '@odd-corner/contract';
import { keptRows } from '../db/kept-rows';
import { saying } from '../db/list-rows';
import type { Db } from '../db/open-database';
import { readJson } from '../db/read-json';
import { stale } from '../http/problem-error';
import type { KeptOffcut } from './kept-offcuts';

interface Row {
  readonly id: string;
  readonly version: number;
  readonly title: string;
  readonly lines: string;
  readonly options: string;
  readonly missing: string;
  readonly proof: string;
  readonly parents: string;
  readonly createdAt: string;
  readonly updatedAt: string;
}

/** Sheets as they are stored: what is JSON is text. */
interface ParentRow {
  readonly id: string;
  readonly paperId: string | null;
  readonly sheets: number;
  readonly done: 0 | 1;
  readonly sheet: string;
  readonly pieces: string;
  readonly cuts: string;
  readonly offcuts: string;
}

const SELECT = `SELECT t.id, t.version, t.title, t.lines, t.options, t.missing, t.proof, t.created_at AS createdAt,
  t.updated_at AS updatedAt,
  (SELECT json_group_array(json_object('id', p.id, 'paperId', p.paper_id, 'sheets', p.sheets, 'done', p.done, 'sheet', p.sheet,
      'pieces', p.pieces, 'cuts', p.cuts, 'offcuts', p.offcuts))
    FROM (SELECT * FROM plan_parents WHERE plan_id = t.id ORDER BY position) p) AS parents
  FROM cutting_plans t`;

const parentOf = ({ done, sheet, pieces, cuts, offcuts, ...rest }: ParentRow): unknown => ({
  ...rest,
  ...{ done: done === 1, sheet: readJson(sheet), pieces: readJson(pieces) },
  ...{ cuts: readJson(cuts), offcuts: readJson(offcuts) },
});

/** Cutting plans of several makes or of a typed list. */
export function cuttingPlansRepository(db: Db) {
  const rows = keptRows<Row, typeof schema>(db, {
    what: 'cutting plan',
    table: 'cutting_plans',
    select: SELECT,
    schema,
    toRaw: ({ lines, options, missing, proof, parents, ...rest }) => ({
      ...rest,
      ...{ lines: readJson(lines), options: readJson(options), missing: readJson(missing), proof: readJson(proof) },
      parents: (readJson(parents) as ParentRow[]).map(parentOf),
    }),
    order: { columns: ['t.updated_at', 't.id'], down: true, of: ({ updatedAt, id }) => [updatedAt, id] },
  });
  const insert =
    db.prepare(`INSERT INTO cutting_plans (id, title, created_at, updated_at, version, lines, options, missing, proof)
    VALUES (@id, @title, @createdAt, @updatedAt, @version, @lines, @options, @missing, @proof)`);
  const next = db.prepare<[string, string, number]>(
    'UPDATE cutting_plans SET updated_at = ?, version = version + 1 WHERE id = ? AND version = ? AND removed_at IS NULL',
  );
  const anew = db.prepare<[string, string, string]>('UPDATE cutting_plans SET missing = ?, proof = ? WHERE id = ?');
  const dropOpen = db.prepare<[string]>('DELETE FROM plan_parents WHERE plan_id = ? AND done = 0');
  const putParent =
    db.prepare(`INSERT INTO plan_parents (plan_id, id, position, paper_id, sheets, done, sheet, pieces, cuts, offcuts)
    VALUES (@planId, @id, @position, @paperId, @sheets, @done, @sheet, @pieces, @cuts, @offcuts)`);
  const last = db.prepare<[string], { n: number }>(
    'SELECT coalesce(max(position), -1) + 1 AS n FROM plan_parents WHERE plan_id = ?',
  );
  const tick = db.prepare<[0 | 1, string, string, string]>(
    'UPDATE plan_parents SET done = ?, kept = ? WHERE plan_id = ? AND id = ?',
  );
  const kept = db.prepare<[string, string], { kept: string }>(
    'SELECT kept FROM plan_parents WHERE plan_id = ? AND id = ?',
  );
  const putMake = db.prepare<[string, string]>('INSERT OR IGNORE INTO plan_makes (plan_id, make_id) VALUES (?, ?)');
  const ofMake = db.prepare<
    [string],
    { id: string }
  >(`SELECT k.id FROM plan_makes m JOIN cutting_plans k ON k.id = m.plan_id
    WHERE m.make_id = ? AND k.removed_at IS NULL LIMIT 1`);
  const addParents = (planId: string, parents: readonly (CuttingParentDraft | CuttingParent)[]): void => {
    const from = last.get(planId)?.n ?? 0;
    parents.forEach(({ id, paperId, sheets, sheet, pieces, cuts, offcuts, ...rest }, k) =>
      putParent.run({
        ...{ planId, id, position: from + k, paperId, sheets, done: 'done' in rest && rest.done ? 1 : 0 },
        ...{ sheet: JSON.stringify(sheet), pieces: JSON.stringify(pieces) },
        ...{ cuts: JSON.stringify(cuts), offcuts: JSON.stringify(offcuts) },
      }),
    );
  };
  const put = ({ parents, lines, options, missing, proof, ...plan }: CuttingPlanKept): void => {
    insert.run({
      ...plan,
      ...{ lines: JSON.stringify(lines), options: JSON.stringify(options) },
      ...{ missing: JSON.stringify(missing), proof: JSON.stringify(proof) },
    });
    addParents(plan.id, parents);
    for (const { makeId } of lines) if (makeId !== null) putMake.run(plan.id, makeId);
  };
  return {
    ...rows,
    list: (asked: ListAsked) => rows.list(asked, saying('small(t.title)', asked.search)),
    put,
    insert({ parents, ...plan }: NewCuttingPlan, at: string): CuttingPlanKept {
      const open = parents.map((parent): CuttingParent => ({ ...parent, done: false }));
      put({ ...plan, parents: open, version: 1, createdAt: at, updatedAt: at });
      return rows.written(plan.id);
    },
    /** Notes that a plan was changed from a version on. @throws ProblemError 409 */
    bump(id: string, version: number, at: string): void {
      if (!next.run(at, id, version).changes) throw stale(rows.get(id));
    },
    /** Puts other sheets in the place of those that are not cut yet. */
    replaceOpen(
      id: string,
      { parents, missing, proof }: Pick<NewCuttingPlan, 'parents' | 'missing' | 'proof'>,
    ): CuttingPlanKept {
      dropOpen.run(id);
      addParents(id, parents);
      anew.run(JSON.stringify(missing), JSON.stringify(proof), id);
      return rows.written(id);
    },
    tick: (id: string, parentId: string, done: boolean, offcuts: readonly KeptOffcut[]): void =>
      void tick.run(done ? 1 : 0, JSON.stringify(offcuts), id, parentId),
    keptOf: (id: string, parentId: string): readonly KeptOffcut[] => {
      const row = kept.get(id, parentId);
      return row ? (readJson(row.kept) as KeptOffcut[]) : [];
    },
    /** The plan that a make is in. */
    ofMake(makeId: string): CuttingPlanKept | null {
      const found = ofMake.get(makeId);
      return found ? rows.get(found.id) : null;
    },
  };
}

export type CuttingPlansRepository = ReturnType<typeof cuttingPlansRepository>;
