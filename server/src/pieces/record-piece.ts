import { type LogEntry, type LogEntryDraft, predictInside } from '@odd-corner/contract';
import type { Workshop } from '../db/workshop';
import { notFound, ProblemError } from '../http/problem-error';

/** Writes a piece into the logbook and takes its sheets off the shelf, both or neither. The same id again changes nothing. */
export function recordPiece({ db, jobs, papers, pieces }: Workshop, draft: LogEntryDraft, at: string): LogEntry {
  const known = pieces.find(draft.id);
  if (known) return known;
  const job = jobs.get(draft.jobId);
  const paper = job.choice.paperId === null ? undefined : papers.find(job.choice.paperId);
  const piece: LogEntry = {
    ...draft,
    title: job.title,
    choice: { ...job.choice, paperId: paper?.id ?? null },
    paperName: paper?.name ?? null,
    predicted: predictInside(job.choice),
    foldedAt: at,
    version: 1,
  };
  db.transaction(() => {
    pieces.put(piece);
    if (!paper || papers.moveSheets(paper.id, -draft.sheetsUsed)) return;
    const message = `The shelf has ${paper.count} of “${paper.name}” left. Correct its count on the Shelf, or write fewer sheets.`;
    throw new ProblemError(422, message, { issues: [{ path: ['sheetsUsed'], message }] });
  })();
  return piece;
}

/** Takes a piece out again and puts its sheets back. */
export function undoPiece({ db, papers, pieces }: Workshop, id: string): void {
  const piece = pieces.find(id);
  if (!piece) throw notFound('piece');
  db.transaction(() => {
    pieces.remove(id);
    if (piece.choice.paperId !== null) papers.moveSheets(piece.choice.paperId, piece.sheetsUsed);
  })();
}
