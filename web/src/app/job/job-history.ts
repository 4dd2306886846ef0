import { Injectable, signal } from '@angular/core';
import { copyProgress, jobDraft } from '@odd-corner/contract';
import * as z from 'zod';

/** A change that can be taken back: what was done, and how the job stood before. */
const change = z.object({
  words: z.string(),
  at: z.iso.datetime(),
  before: jobDraft,
  /** What was folded then, by the ids of makes. */
  folded: z.array(z.object({ makeId: z.string(), copies: z.array(copyProgress) })),
});

export type JobChange = z.infer<typeof change>;

/** Older changes are not worth going back to. */
const MOST_CHANGES = 30;

const keyOf = (jobId: string): string => `changes of job ${jobId}`;

/** What was changed of each job while this tab has been open, the latest first; a reload keeps it. */
@Injectable({ providedIn: 'root' })
export class JobHistory {
  private readonly known = signal<ReadonlyMap<string, readonly JobChange[]>>(new Map());

  of(jobId: string): readonly JobChange[] {
    return this.known().get(jobId) ?? [];
  }

  /** Reads what an earlier page of this tab wrote down. */
  open(jobId: string): void {
    if (!this.known().has(jobId)) this.put(jobId, kept(jobId));
  }

  add(jobId: string, one: JobChange): void {
    const changes = [one, ...this.of(jobId)].slice(0, MOST_CHANGES);
    this.put(jobId, changes);
    try {
      sessionStorage.setItem(keyOf(jobId), JSON.stringify(changes));
    } catch {
      // Without room in the browser they last as long as the page.
    }
  }

  private put(jobId: string, changes: readonly JobChange[]): void {
    this.known.update((all) => new Map(all).set(jobId, changes));
  }
}

function kept(jobId: string): readonly JobChange[] {
  try {
    const read = z.array(change).safeParse(JSON.parse(sessionStorage.getItem(keyOf(jobId)) ?? '[]'));
    return read.success ? read.data : [];
  } catch {
    return [];
  }
}
