import * as z from 'zod';
import { type Job, jobDraft, type NewJob } from './job';
import { makeDraftOf } from './draft-of';
import { type PaperThen, paperThen } from './make';
import type { Paper } from './paper';
import { id } from './shared';

export const JOB_FORMAT = 'odd-corner-job';

/** A job as one file that another workshop can open: what is folded, for what, and on which papers. */
export const jobFile = z.object({
  format: z.literal(JOB_FORMAT, 'That is not the file of a job.'),
  version: z.literal(1, 'That file was written by a newer version of Odd Corner.'),
  job: jobDraft.omit({ folderHandId: true }),
  /** The papers that it names, as they were. */
  papers: z.array(paperThen.extend({ paperId: id })).max(500),
});

export type JobFile = z.infer<typeof jobFile>;

/** A job to be taken along. Its progress, what was cut for it and whose hand folds it stay where they are. */
export function jobFileOf({ title, makes }: Job): JobFile {
  const papers = new Map<string, JobFile['papers'][number]>();
  for (const { told } of makes)
    for (const paper of Object.values(told?.papers ?? {}).flat())
      if (paper.paperId !== null) papers.set(paper.paperId, { ...paper, paperId: paper.paperId });
  return {
    ...{ format: JOB_FORMAT, version: 1 },
    job: { title, makes: makes.map(makeDraftOf) },
    papers: [...papers.values()],
  };
}

const alike = (paper: Paper, then: PaperThen): boolean =>
  paper.name.trim().toLowerCase() === then.name?.trim().toLowerCase() && paper.gsm === then.gsm;

/**
 * A job of a file as it begins in this workshop, with ids of its own.
 * @param shelf papers here: one of the same id, else of the same name and weight, takes the place of the file's; where
 *   there is none its sheets are not from the shelf
 */
export function jobFromFile({ job, papers }: JobFile, shelf: readonly Paper[], newId: () => string): NewJob {
  const here = (paperId: string | null): string | null => {
    if (paperId === null) return null;
    if (shelf.some((paper) => paper.id === paperId)) return paperId;
    const then = papers.find((paper) => paper.paperId === paperId);
    return (then && shelf.find((paper) => alike(paper, then))?.id) ?? null;
  };
  return {
    ...{ id: newId(), title: job.title, folderHandId: null },
    makes: job.makes.map(({ make, ...rest }) => ({
      ...rest,
      id: newId(),
      make: { ...make, entries: make.entries.map((entry) => ({ ...entry, papers: entry.papers.map(here) })) },
      art: rest.art?.map((piece) => ({ ...piece, id: newId() })) ?? null,
    })),
  };
}
