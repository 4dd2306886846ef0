import type { Job, JobDraft, JobMake, JobMakeDraft } from './job';

/** A make of a job as it would be sent. */
export const makeDraftOf = ({ id, asked, make, count, marks, art, told }: JobMake): JobMakeDraft => ({
  ...{ id, asked, make, count, marks, art },
  chance: told?.chance ?? null,
});

/** A job as it would be sent, to be changed in part. */
export const draftOf = ({ title, folderHandId, makes }: Job): JobDraft => ({
  ...{ title, folderHandId },
  makes: makes.map(makeDraftOf),
});
