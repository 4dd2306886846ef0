import { computed, inject, Injectable, signal } from '@angular/core';
import { type Learned, type LearnedOfHand, type LearnedOfPaper, NO_PAPER, type Paper } from '@odd-corner/contract';
import type { HandCalled, PaceLearned } from '@odd-corner/core';
import { Api } from './api';
import { whenChanged } from './changes';
import { Hands } from './hands';
import { WorkshopSettings } from './workshop-settings';

/** Answers wait so long for what the logbook says, in ms; then they are told without it, and again when it comes. */
const WAITED_MS = 500;

/** What the logbook says of hands and papers, as long as answers are to follow it. */
@Injectable({ providedIn: 'root' })
export class LearnedHands {
  private readonly api = inject(Api);
  private readonly hands = inject(Hands);
  private readonly settings = inject(WorkshopSettings);
  private readonly held = signal<Learned | null>(null);
  private readonly waited = signal(false);
  /** Whether answers need not wait any more. */
  readonly ready = computed(() => this.held() !== null || this.waited() || !this.on());
  /** Whether answers follow it. */
  readonly on = computed(() => this.settings.current().learning === 'on');

  constructor() {
    for (const topic of ['log', 'hands', 'papers', 'settings'] as const) whenChanged(topic, () => this.read());
    this.read();
    setTimeout(() => this.waited.set(true), WAITED_MS);
  }

  private read(): void {
    this.api.call('learned').subscribe({ next: (all) => this.held.set(all), error: () => this.waited.set(true) });
  }

  /** What is known of a hand, followed or not; null is the workshop's usual one. */
  known(handId: string | null): LearnedOfHand | null {
    return this.held()?.hands.find((one) => one.handId === handId) ?? null;
  }

  /** What is known of a hand on a paper, or of it on any where it never folded that one; null where nothing is to be followed. */
  of(handId: string | null, paper: Pick<Paper, 'id' | 'name'> | null): HandCalled | null {
    const hand = this.on() ? this.known(handId) : null;
    if (!hand?.any) return null;
    const called =
      handId === null ? 'your hand' : (this.hands.rows().find(({ id }) => id === handId)?.name ?? 'this hand');
    const key = paper?.id ?? NO_PAPER;
    if (!Object.hasOwn(hand.papers, key)) return { ...hand.any, called };
    return { ...hand.papers[key], called: `${called} on ${paper?.name ?? 'paper that is not on the shelf'}` };
  }

  /** How fast a hand folds; null where nothing is to be followed. */
  paceOf(handId: string | null): PaceLearned | null {
    return this.on() ? (this.known(handId)?.pace ?? null) : null;
  }

  /** How thick a paper is by what came out of it. */
  paper(id: string): LearnedOfPaper | null {
    return this.held()?.papers.find(({ paperId }) => paperId === id) ?? null;
  }
}
