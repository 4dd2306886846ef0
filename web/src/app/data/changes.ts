import { DestroyRef, inject, Injectable, signal } from '@angular/core';
import { change, type Change, routes, type Topic, TOPICS } from '@odd-corner/contract';
import { debounceTime, filter, map, type Observable, Subject } from 'rxjs';
import { PAGE_ID } from './page-id';

/** A lost connection is tried again after so long, and then after twice as long; the browser does so by itself only where the server was reached. */
const AGAIN_MS = 1000;
const LONGEST_MS = 15_000;
/** Changes that come together are read once. */
const TOGETHER_MS = 60;

/** What the browser keeps of the server's answers leaves this one alone. */
const NOT_KEPT = 'ngsw-bypass=true';

/** What others have changed: of which row, or null for any. */
type Told = Pick<Change, 'topics' | 'id'>;

const EVERYTHING: Told = { topics: [...TOPICS], id: null };

/**
 * What other pages and devices change, as it happens. While this page is out of view it does not listen, since a browser
 * has few connections to one server; what was missed meanwhile is read when it is looked at again.
 */
@Injectable({ providedIn: 'root' })
export class Changes {
  private readonly gone = inject(DestroyRef);
  private readonly told = new Subject<Told>();
  private source: EventSource | null = null;
  private readonly reached = signal(true);
  /** Whether the server could be reached when it was last tried. */
  readonly connected = this.reached.asReadonly();
  private begun = false;
  private lost = 0;
  private again: ReturnType<typeof setTimeout> | null = null;
  /** How many changes this page knows of; null before it knows of any. */
  private n: number | null = null;

  /** Listens from now on, as long as the page is in view. */
  begin(): void {
    if (this.begun || typeof EventSource === 'undefined') return;
    this.begun = true;
    const look = (): void => (document.hidden ? this.end() : this.open());
    document.addEventListener('visibilitychange', look);
    this.gone.onDestroy(() => {
      document.removeEventListener('visibilitychange', look);
      this.end();
    });
    look();
  }

  /** Whatever others change of a kind: the ids of rows, null where it may be any. A change names a row of its first kind. */
  of(topic: Topic): Observable<string | null> {
    return this.told.pipe(
      filter(({ topics }) => topics.includes(topic)),
      map(({ topics, id }) => (topics[0] === topic ? id : null)),
    );
  }

  /** The same, once for all that come together. */
  anyOf(topic: Topic): Observable<unknown> {
    return this.of(topic).pipe(debounceTime(TOGETHER_MS));
  }

  /** All of the workshop is another one: by what this page did. */
  everything(): void {
    this.told.next(EVERYTHING);
  }

  private open(): void {
    if (this.source) return;
    const source = new EventSource(`${routes.changes.path}?${NOT_KEPT}`);
    this.source = source;
    source.addEventListener('begun', ({ data }: MessageEvent<string>) => {
      const { n } = JSON.parse(data) as { readonly n: number };
      // The server counts from its own beginning: fewer than before is another beginning.
      if (this.n !== null && this.n !== n) this.told.next(EVERYTHING);
      this.n = n;
      this.lost = 0;
      this.reached.set(true);
    });
    source.addEventListener('change', ({ data }: MessageEvent<string>) => {
      const read = change.safeParse(JSON.parse(data));
      if (!read.success) return;
      this.n = read.data.n;
      if (read.data.by !== PAGE_ID) this.told.next(read.data);
    });
    source.onerror = () => {
      // Whatever the reason, what is missed until then is read afterwards.
      this.end();
      // Once may be a moment's break.
      if (this.lost > 0) this.reached.set(false);
      this.again = setTimeout(() => !document.hidden && this.open(), Math.min(LONGEST_MS, AGAIN_MS * 2 ** this.lost++));
    };
  }

  private end(): void {
    this.source?.close();
    this.source = null;
    if (this.again !== null) clearTimeout(this.again);
    this.again = null;
  }
}

/** Reads a row or a list again when others have changed it, as long as whoever asks is there. */
export function whenChanged(topic: Topic, read: () => void): void {
  const told = inject(Changes).anyOf(topic).subscribe(read);
  inject(DestroyRef).onDestroy(() => told.unsubscribe());
}
