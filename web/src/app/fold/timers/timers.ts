import { computed, DestroyRef, effect, inject, Injectable, signal, untracked } from '@angular/core';
import * as z from 'zod';
import { keptHere } from '../../data/device';
import { newId } from '../../data/new-id';

/** Something that is waited for: glue that dries, paper under a book. */
const timer = z.object({
  id: z.string().max(40),
  name: z.string().max(120),
  /** When it ends, in ms since 1970. */
  until: z.number(),
  /** The copy that nobody goes on with until then. */
  copy: z.string().max(120).nullable(),
});
export type Timer = z.infer<typeof timer>;

const timers = z.array(timer).max(40);

/** What is usually waited for, in minutes. The label of a glue counts more. */
export const USUAL_WAITS = [
  { id: 'stick', name: 'Glue stick', minutes: 5 },
  { id: 'white', name: 'White glue, clamped', minutes: 20 },
  { id: 'paste', name: 'Paste, until it is dry', minutes: 120 },
  { id: 'tape', name: 'Double-sided tape', minutes: 1 },
  { id: 'book', name: 'Pressed under a book', minutes: 60 },
] as const;

/** Timers of this device, several at once. They go on when the page is read anew. */
@Injectable({ providedIn: 'root' })
export class Timers {
  private readonly kept = keptHere<readonly Timer[]>('timers', (before) => timers.safeParse(before).data ?? []);
  private readonly now = signal(Date.now());
  /** Running and ended ones, with the seconds that are left. */
  readonly all = computed(() =>
    this.kept().map((one) => ({ ...one, seconds: Math.max(0, Math.ceil((one.until - this.now()) / 1000)) })),
  );
  private readonly running = computed(() => this.all().some(({ seconds }) => seconds > 0));
  private readonly waiting = computed(() =>
    this.all()
      .flatMap(({ copy, seconds }) => (copy !== null && seconds > 0 ? [copy] : []))
      .join('\n'),
  );
  /** Copies that wait. */
  readonly copies = computed((): ReadonlySet<string> => new Set(this.waiting() ? this.waiting().split('\n') : []));

  constructor() {
    let each: ReturnType<typeof setInterval> | null = null;
    const stop = (): void => {
      if (each !== null) clearInterval(each);
      each = null;
    };
    effect(() => {
      const running = this.running();
      untracked(() => {
        stop();
        if (running) each = setInterval(() => this.now.set(Date.now()), 1000);
      });
    });
    inject(DestroyRef).onDestroy(stop);
  }

  start(name: string, minutes: number, copy: string | null): void {
    const now = Date.now();
    this.now.set(now);
    this.kept.update((all) => [...all, { id: newId(), name, until: now + minutes * 60_000, copy }]);
  }

  end(id: string): void {
    this.kept.update((all) => all.filter((one) => one.id !== id));
  }
}
