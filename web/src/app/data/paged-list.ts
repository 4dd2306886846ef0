import { computed, DestroyRef, inject, signal } from '@angular/core';
import { type BrokenRow, type Listed, type Query, ROWS, type Topic } from '@odd-corner/contract';
import { type Observable, type Subscription, tap } from 'rxjs';
import { Api, failureText, type ListRoute, type RowOf } from './api';
import { whenChanged } from './changes';

/** So many rows come first, and with each further part. */
const CHUNK = 50;

interface Known<T> {
  readonly rows: readonly T[];
  readonly broken: readonly BrokenRow[];
  readonly total: number;
  readonly next: string | null;
}

const NOTHING = { rows: [], broken: [], total: 0, next: null } as const;

interface PagedOptions {
  readonly chunk?: number;
  /** Is read anew when others change it. */
  readonly topic: Topic;
}

/** A list on the server, of which a page holds only the part that it shows: the newest rows first, further ones when they are asked for. */
export class PagedList<N extends ListRoute> {
  private readonly api = inject(Api);
  private readonly held = signal<Known<RowOf<N>> | null>(null);
  private readonly why = signal<string | null>(null);
  private asked: Query<N> | undefined;
  private readonly chunk: number;
  private reading: Subscription | null = null;
  private readonly failing = (error: unknown): void => this.why.set(failureText(error));
  readonly busy = signal(false);

  private readonly known = computed((): Known<RowOf<N>> => this.held() ?? NOTHING);
  readonly rows = computed(() => this.known().rows);
  readonly broken = computed(() => this.known().broken);
  /** Of all that match. */
  readonly total = computed(() => this.known().total);
  readonly more = computed(() => this.known().next !== null);
  readonly state = computed((): 'loading' | 'ready' | 'failed' =>
    this.why() !== null ? 'failed' : this.held() ? 'ready' : 'loading',
  );
  readonly failed = this.why.asReadonly();

  /** To be made where a component or a service is made. */
  constructor(
    private readonly name: N,
    { chunk = CHUNK, topic }: PagedOptions,
  ) {
    this.chunk = chunk;
    // What cannot be read anew, where nobody has asked for it, stays as it was known.
    whenChanged(topic, () => this.refresh(() => undefined));
    inject(DestroyRef).onDestroy(() => this.reading?.unsubscribe());
  }

  /** Asks for other rows, from the first one on. Those that are shown stay in view until they are there. */
  ask(query: Query<N>): void {
    this.asked = query;
    this.take(this.part(this.chunk), (part) => part);
  }

  /** Reads anew what is shown, as far as it was; nothing that nobody asked for yet. */
  refresh(failed = this.failing): void {
    if (!this.held() && this.why() === null) return;
    const limit = Math.min(ROWS.most, Math.max(this.chunk, this.rows().length));
    this.take(this.part(limit), (part) => part, failed);
  }

  /** Reads the next part, after those that are there. */
  readMore(): void {
    const { next } = this.known();
    if (next === null || this.busy()) return;
    this.take(this.part(this.chunk, next), ({ rows, broken, ...rest }) => ({
      rows: [...this.rows(), ...rows],
      broken: [...this.broken(), ...broken],
      ...rest,
    }));
  }

  /** Puts a row that was changed in the place of itself. */
  put(row: RowOf<N>): void {
    this.change((rows) => rows.map((one) => (one.id === row.id ? row : one)), 0);
  }

  drop(id: string): void {
    this.change((rows) => rows.filter((one) => one.id !== id), -1);
  }

  private change(how: (rows: readonly RowOf<N>[]) => readonly RowOf<N>[], more: number): void {
    const held = this.held();
    if (held) this.held.set({ ...held, rows: how(held.rows), total: Math.max(0, held.total + more) });
  }

  private part(limit: number, cursor?: string): Observable<Listed<RowOf<N>>> {
    const query = { ...(this.asked as object | undefined), limit, cursor } as Query<N>;
    return this.api.call(this.name, { query });
  }

  private take(
    part: Observable<Listed<RowOf<N>>>,
    how: (part: Listed<RowOf<N>>) => Known<RowOf<N>>,
    failed = this.failing,
  ): void {
    // Who asks anew does not wait for what was asked before.
    this.reading?.unsubscribe();
    this.busy.set(true);
    this.reading = part.pipe(tap({ finalize: () => this.busy.set(false) })).subscribe({
      next: (found) => {
        this.why.set(null);
        this.held.set(how(found));
      },
      error: failed,
    });
  }
}
