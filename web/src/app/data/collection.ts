import { computed, type Signal, signal } from '@angular/core';
import type { BrokenRow, Topic } from '@odd-corner/contract';
import type { Observable, Subscription } from 'rxjs';
import { failureText, type Whole } from './api';
import { whenChanged } from './changes';

/** What is known of a list on the server. */
export type ListState<T> =
  | { readonly kind: 'loading' }
  | { readonly kind: 'ready'; readonly rows: readonly T[]; readonly broken: readonly BrokenRow[] }
  | { readonly kind: 'failed'; readonly why: string };

/** A list on the server, kept in step with what this page writes, and with what others change. */
export abstract class Collection<T extends { readonly id: string }> {
  private readonly held = signal<ListState<T>>({ kind: 'loading' });
  private reading: Subscription | null = null;
  readonly state: Signal<ListState<T>> = this.held.asReadonly();
  readonly rows = computed(() => {
    const state = this.held();
    return state.kind === 'ready' ? state.rows : [];
  });

  /** Rows that are there and cannot be read any more. */
  readonly broken = computed(() => {
    const state = this.held();
    return state.kind === 'ready' ? state.broken : [];
  });

  /**
   * @param topic by which changes of it are told
   * @param order sorts rows as the server does
   */
  constructor(
    topic: Topic,
    private readonly fetch: () => Observable<Whole<T>>,
    private readonly order: (a: T, b: T) => number,
  ) {
    // What nobody has looked at yet is not read.
    whenChanged(topic, () => this.held().kind !== 'loading' && this.follow());
  }

  /** Takes a row out of the list, into the bin. */
  abstract remove(id: string): Observable<unknown>;

  /** Reads the list anew; rows already known stay in view meanwhile. */
  refresh(): void {
    // Who asks anew does not wait for what was asked before.
    this.read((why) => this.held.set({ kind: 'failed', why }));
  }

  /** The same where nobody has asked for it: what cannot be read anew stays as it was known. */
  private follow(): void {
    this.read((why) => this.held().kind !== 'ready' && this.held.set({ kind: 'failed', why }));
  }

  private read(failed: (why: string) => void): void {
    this.reading?.unsubscribe();
    this.reading = this.fetch().subscribe({
      next: ({ rows, broken }) => this.held.set({ kind: 'ready', rows, broken }),
      error: (error: unknown) => failed(failureText(error)),
    });
  }

  /** Puts a row that the server answered in its place. */
  put(row: T): void {
    if (this.held().kind !== 'ready') return;
    const rows = [...this.rows().filter((r) => r.id !== row.id), row].sort(this.order);
    this.held.set({ kind: 'ready', rows, broken: this.broken() });
  }

  drop(id: string): void {
    if (this.held().kind === 'ready')
      this.held.set({
        kind: 'ready',
        rows: this.rows().filter((row) => row.id !== id),
        broken: this.broken().filter((row) => row.id !== id),
      });
  }
}

export const byName = (a: { readonly name: string }, b: { readonly name: string }): number =>
  a.name.localeCompare(b.name);
