import type {
  Job,
  JobDraft,
  JobMake,
  JobMakeDraft,
  MakeEntry,
  PapersThen,
  PaperThen,
  Told,
} from '@odd-corner/contract';
import { ENGINE_VERSION, HANDS } from '@odd-corner/core';
import { isDeepStrictEqual } from 'node:util';
import type { Workshop } from '../db/workshop';
import { notFound, ProblemError } from '../http/problem-error';
import { paperNow } from '../papers/papers-repository';
import type { Verify } from '../verify/verify-make';
import type { MakeKept } from './jobs-repository';

/** By how much the hand misses that folds a job, one standard deviation in mm. @throws ProblemError 404 for a hand that is not here */
export function missOf({ hands, settings }: Workshop, folderHandId: string | null): number {
  if (folderHandId === null) return HANDS[settings.get().hand].missMm;
  const found = hands.any(folderHandId);
  if (!found) throw notFound('hand');
  return found.row.missMm;
}

/**
 * The papers of a make as they are now; one that is not here any more as it was told before.
 * @param before the make as it is kept: a paper that it names already is not asked about again, even where nothing is known of it
 * @throws ProblemError 404 for a paper that nobody knows
 */
export function papersOf({ papers }: Workshop, entries: readonly MakeEntry[], before?: JobMake): PapersThen {
  const told = Object.values(before?.told?.papers ?? {}).flat();
  const named = new Set(before?.make.entries.flatMap((entry) => entry.papers));
  const then = (paperId: string | null, thicknessMm: number): PaperThen => {
    const elsewhere = { paperId, name: null, caliperMm: thicknessMm, gsm: null, colourFront: null, colourBack: null };
    if (paperId === null) return elsewhere;
    const paper = papers.any(paperId);
    if (paper) return paperNow(paper.row);
    const known = told.find((one) => one.paperId === paperId);
    if (!known && !named.has(paperId)) throw notFound('paper');
    return known ?? elsewhere;
  };
  return Object.fromEntries(
    entries.map(({ key, papers: ids, thicknessMm }) => [key, ids.map((id) => then(id, thicknessMm))]),
  );
}

/** Whether a make says of itself what was told already. */
const toldBefore = (before: JobMake | undefined, { make }: JobMakeDraft, handMm: number): Told | null =>
  before?.told && before.told.handMm === handMm && isDeepStrictEqual(before.make, make) ? before.told : null;

/** Whether it is still for the same: a chance that was told for something else says nothing of it. */
const sameQuestion = (before: JobMake | undefined, { asked }: JobMakeDraft): boolean =>
  before !== undefined && isDeepStrictEqual(before.asked, asked);

/**
 * Folds the makes of a job, off the server's own thread, and tells what they measure; those that were told already are left.
 * @throws ProblemError 422 with the reason for a make that cannot be folded, 404 for a hand or a paper that is not here
 */
export async function tellMakes(
  workshop: Workshop,
  verify: Verify,
  { makes, folderHandId }: Pick<JobDraft, 'makes' | 'folderHandId'>,
  before: readonly JobMake[] = [],
): Promise<MakeKept[]> {
  const handMm = missOf(workshop, folderHandId);
  const kept: MakeKept[] = [];
  for (const [k, draft] of makes.entries()) {
    const { chance, ...rest } = draft;
    const was = before.find(({ id }) => id === draft.id);
    const papers = papersOf(workshop, draft.make.entries, was);
    const told = toldBefore(was, draft, handMm);
    if (told) {
      kept.push({ ...rest, told: { ...told, chance: sameQuestion(was, draft) ? (chance ?? told.chance) : chance } });
      continue;
    }
    const verdict = await verify({ make: draft.make, handMm });
    if ('refused' in verdict)
      throw new ProblemError(422, verdict.refused, {
        issues: [{ path: ['makes', k, 'make'], message: verdict.refused }],
      });
    kept.push({ ...rest, told: { sizes: verdict.sizes, chance, handMm, engineVersion: ENGINE_VERSION, papers } });
  }
  return kept;
}

/** What a job says as it was sent. */
export const jobSent = ({
  title,
  folderHandId,
  makes,
}: Job): Omit<JobDraft, 'makes'> & { readonly makes: unknown } => ({
  ...{ title, folderHandId },
  makes: makes.map(({ id, asked, make, count, told, marks, art }) => ({
    ...{ id, asked, make, count, marks, art, chance: told?.chance ?? null },
  })),
});
