import { computed, inject, Injectable, InjectionToken, signal } from '@angular/core';
import { type Answer, type Body, type CopyProgress, routes } from '@odd-corner/contract';
import { firstValueFrom, type Observable, Subject } from 'rxjs';
import { Api, ApiFailure, failureText } from '../data/api';
import { type OutboxStore, openOutboxStore, type Waiting } from './outbox-store';

/** What may wait: it says by itself what it is of, so that sending it twice is the same as once. */
const MAY_WAIT = ['addProgress', 'addLogEntry', 'addEyeTry'] as const;
export type MayWait = (typeof MAY_WAIT)[number];

const AGAIN_MS = 1500;
const LONGEST_MS = 15_000;

export const OUTBOX_STORE = new InjectionToken<() => Promise<OutboxStore>>('where what could not be sent waits', {
  providedIn: 'root',
  factory: () => openOutboxStore,
});

/** Whether the server could not be reached, or could not do it just now: then it is tried again. */
export const isGone = (error: unknown): boolean =>
  error instanceof ApiFailure && (error.status === 0 || error.status >= 500);

/** What was answered to something that had waited. */
export interface Sent {
  readonly route: MayWait;
  readonly answer: Answer<MayWait>;
}

/**
 * Writes that could not be sent, in their order, through reloads; they go out once the server is back. What the server refuses
 * then stays until the maker has seen it.
 */
@Injectable({ providedIn: 'root' })
export class Outbox {
  private readonly api = inject(Api);
  private readonly store = inject(OUTBOX_STORE)();
  private readonly held = signal<readonly Waiting[]>([]);
  private readonly answers = new Subject<Sent>();
  private sending = false;
  private failures = 0;
  private again: ReturnType<typeof setTimeout> | null = null;

  /** What waits to be sent. */
  readonly waiting = computed(() => this.held().filter(({ refused }) => refused === null));
  readonly refused = computed(() => this.held().filter(({ refused }) => refused !== null));
  /** As it is sent, one after another. */
  readonly sent: Observable<Sent> = this.answers.asObservable();

  constructor() {
    window.addEventListener('online', () => this.flush());
    void this.read().then(() => this.flush());
  }

  /** Keeps a write until the server takes it. @param words what it is, for whoever reads what waits */
  async keep<N extends MayWait>(
    route: N,
    { id = null, body }: { id?: string | null; body: Body<N> },
    words: string,
  ): Promise<void> {
    await (await this.store).add({ route, id, body, words, refused: null });
    await this.read();
    this.later();
  }

  /** What is done of a make's copies and not sent yet. */
  progressOf(makeId: string): readonly CopyProgress[] {
    return this.waiting().flatMap(({ route, id, body }) =>
      route === 'addProgress' && id === makeId ? (body as Body<'addProgress'>).copies : [],
    );
  }

  /** Sends what waits, now. */
  flush(): void {
    if (this.again !== null) clearTimeout(this.again);
    this.again = null;
    if (this.sending) return;
    this.sending = true;
    void this.alone(() => this.sendAll()).finally(() => {
      this.sending = false;
      if (this.waiting().length) this.later();
    });
  }

  /** Asks the server once more for what it has refused. */
  async tryAgain(one: Waiting): Promise<void> {
    await (await this.store).put({ ...one, refused: null });
    await this.read();
    this.flush();
  }

  /** Gives up what the server has refused. */
  async drop({ n }: Waiting): Promise<void> {
    await (await this.store).remove(n);
    await this.read();
  }

  private async read(): Promise<void> {
    this.held.set(await (await this.store).all());
  }

  private later(): void {
    if (this.again !== null) return;
    this.again = setTimeout(() => this.flush(), Math.min(LONGEST_MS, AGAIN_MS * 2 ** this.failures));
  }

  private async sendAll(): Promise<void> {
    const store = await this.store;
    // Another tab may have sent some of it meanwhile.
    await this.read();
    for (const one of this.waiting()) {
      const route = MAY_WAIT.find((name) => name === one.route);
      try {
        if (!route) throw new Error('This is no longer taken.');
        const answer = await firstValueFrom(
          this.api.call(route, { id: one.id ?? undefined, body: routes[route].body.parse(one.body) }),
        );
        await store.remove(one.n);
        this.failures = 0;
        this.answers.next({ route, answer });
      } catch (error) {
        if (isGone(error)) {
          this.failures += 1;
          break;
        }
        await store.put({ ...one, refused: failureText(error) });
      }
    }
    await this.read();
  }

  /** One tab sends, where tabs can be told from each other; sending twice does no harm elsewhere. */
  private async alone(work: () => Promise<void>): Promise<void> {
    if (!('locks' in navigator)) return work();
    await navigator.locks.request('odd-corner-outbox', { ifAvailable: true }, (lock) => (lock ? work() : undefined));
  }
}
