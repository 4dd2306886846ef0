import { type LogEntry, logEntry, type LogEntryDraft, MOST_SHEETS, predictInside } from '@odd-corner/contract';
import { type Added, addOnce, type Found } from '../db/add-once';
import { keepable } from '../db/keepable';
import type { Workshop } from '../db/workshop';
import { notFound, ProblemError } from '../http/problem-error';

/** Writes a piece into the logbook and takes its sheets off the shelf, both or neither; sent twice, it is counted once. */
export function recordPiece(workshop: Workshop, { id, ...draft }: LogEntryDraft, at: string): Added<LogEntry> {
  const find = (): Found<LogEntry> | undefined => {
    const row = workshop.pieces.find(id);
    return row && { row, removed: false };
  };
  return addOnce(workshop.db, draft, find, () => write(workshop, { id, ...draft }, at));
}

function write({ jobs, papers, pieces }: Workshop, draft: LogEntryDraft, at: string): LogEntry {
  const job = jobs.get(draft.jobId);
  const paper = job.choice.paperId === null ? undefined : papers.find(job.choice.paperId);
  const piece = keepable(logEntry, {
    ...draft,
    title: job.title,
    choice: { ...job.choice, paperId: paper?.id ?? null },
    paperName: paper?.name ?? null,
    predicted: predictInside(job.choice),
    foldedAt: at,
    version: 1,
  });
  pieces.put(piece);
  if (!paper || papers.moveSheets(paper.id, -draft.sheetsUsed)) return piece;
  const message = `The shelf has ${paper.count} of “${paper.name}” left. Correct its count on the Shelf, or write fewer sheets.`;
  throw new ProblemError(422, message, { issues: [{ path: ['sheetsUsed'], message }] });
}

/** Takes a piece out again and puts its sheets back. */
export function undoPiece({ db, papers, pieces }: Workshop, id: string): void {
  const piece = pieces.find(id);
  if (!piece) throw notFound('piece');
  db.transaction(() => {
    pieces.remove(id);
    const { paperId } = piece.choice;
    if (paperId === null || papers.moveSheets(paperId, piece.sheetsUsed)) return;
    throw new ProblemError(
      422,
      `The shelf would have more than ${MOST_SHEETS.toLocaleString('en')} sheets of “${piece.paperName}”. Correct its count first.`,
    );
  })();
}
