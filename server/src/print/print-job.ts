import { markMakerOf, marksWanted, type PrintQuery } from '@odd-corner/contract';
import { coloursOf, eyeOf } from '@odd-corner/core';
import type { Workshop } from '../db/workshop';
import { ProblemError } from '../http/problem-error';
import { makeIn } from '../jobs/make-in';
import { missOf } from '../jobs/tell-makes';
import type { Print, PrintAsked, PrintKind } from './print-asked';

/** All that the pages of a make say. @throws ProblemError 404, 422 for an entry that it has not */
function askedOf(
  workshop: Workshop,
  makeId: string,
  kind: PrintKind,
  { page, perPage, entry, shows }: PrintQuery,
): PrintAsked {
  const { job, make } = makeIn(workshop, makeId);
  if (entry !== undefined && !make.make.entries.some(({ key }) => key === entry))
    throw new ProblemError(422, `There is no “${entry}” in it.`);
  const { unit, decimal, school } = workshop.settings.get();
  const tries = workshop.eye.all().filter(({ handId }) => handId === job.folderHandId);
  const maker = markMakerOf(make, { handMm: missOf(workshop, job.folderHandId), eye: eyeOf(tries).eye });
  const paperOf = (id: string | null) => {
    const paper = id === null ? null : (workshop.papers.any(id)?.row ?? null);
    return { ...coloursOf(paper), name: paper?.name ?? null };
  };
  return {
    ...{ kind, page, perPage, entryKey: entry, shows, title: job.title, purpose: make.asked.text, unit, decimal },
    ...{ make: make.make, art: make.art, marks: marksWanted(make, make.make, school, maker) },
    papers: Object.fromEntries(make.make.entries.map(({ key, papers }) => [key, papers.map(paperOf)])),
  };
}

/** A make as a PDF, to be saved or printed. @throws ProblemError 422 with the reason for one that cannot be folded */
export async function printed(
  workshop: Workshop,
  print: Print,
  makeId: string,
  kind: PrintKind,
  query: PrintQuery,
): Promise<Response> {
  const asked = askedOf(workshop, makeId, kind, query);
  const done = await print(asked);
  if ('refused' in done) throw new ProblemError(422, done.refused);
  const name = `${asked.title} ${kind}`
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '');
  return new Response(new Uint8Array(done.pdf), {
    headers: { 'content-type': 'application/pdf', 'content-disposition': `attachment; filename="${name}.pdf"` },
  });
}
