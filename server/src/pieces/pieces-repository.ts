import { type LogEntry, logEntry as entrySchema } from '@odd-corner/contract';
import type { Db } from '../db/open-database';
import { readJson } from '../db/read-json';

interface Row {
  readonly id: string;
  readonly jobId: string | null;
  readonly title: string;
  readonly choice: string;
  readonly paperName: string | null;
  readonly sheetsUsed: number;
  readonly predicted: string;
  readonly measured: string | null;
  readonly minutes: number | null;
  readonly note: string;
  readonly foldedAt: string;
  readonly version: number;
}

const SELECT = `SELECT id, job_id AS jobId, title, choice, paper_name AS paperName, sheets_used AS sheetsUsed, predicted, measured, minutes, note,
  folded_at AS foldedAt, version FROM pieces`;

const toPiece = ({ choice, predicted, measured, ...rest }: Row): LogEntry =>
  entrySchema.parse({
    ...rest,
    choice: readJson(choice),
    predicted: readJson(predicted),
    measured: measured === null ? null : readJson(measured),
  });

/** The logbook: each folded piece, as predicted and as measured. */
export function piecesRepository(db: Db) {
  const list = db.prepare<[], Row>(`${SELECT} ORDER BY folded_at DESC, id`);
  const one = db.prepare<[string], Row>(`${SELECT} WHERE id = ?`);
  const insert =
    db.prepare(`INSERT INTO pieces (id, job_id, title, choice, paper_id, paper_name, sheets_used, predicted, measured, minutes, note, folded_at, version)
    VALUES (@id, @jobId, @title, @choice, @paperId, @paperName, @sheetsUsed, @predicted, @measured, @minutes, @note, @foldedAt, @version)`);
  const remove = db.prepare<[string]>('DELETE FROM pieces WHERE id = ?');
  return {
    list: (): LogEntry[] => list.all().map(toPiece),
    find(id: string): LogEntry | undefined {
      const row = one.get(id);
      return row && toPiece(row);
    },
    put: (piece: LogEntry): void =>
      void insert.run({
        ...piece,
        choice: JSON.stringify(piece.choice),
        paperId: piece.choice.paperId,
        predicted: JSON.stringify(piece.predicted),
        measured: piece.measured && JSON.stringify(piece.measured),
      }),
    remove: (id: string): void => void remove.run(id),
  };
}

export type PiecesRepository = ReturnType<typeof piecesRepository>;
