import { computed, inject, Injectable, signal } from '@angular/core';
import { COMMON_PURPOSES } from '@odd-corner/core';
import { Things } from '../../data/things';
import { Figures } from '../../ui/figures/figures';
import { Asking } from './asking';
import { readLine } from './purpose-reading';

/** Something that can be picked instead of typed. */
export interface ThingToPick {
  readonly id: string;
  readonly name: string;
  /** As it would be typed. */
  readonly text: string;
  /** Whether it is the maker's own. */
  readonly own: boolean;
}

/** The maker's own things, then those that many people own. */
@Injectable()
export class ThingsToPick {
  private readonly things = inject(Things);
  private readonly figures = inject(Figures);
  private readonly asking = inject(Asking);
  private readonly last = signal<ThingToPick | null>(null);

  readonly all = computed((): readonly ThingToPick[] => [
    ...this.things
      .rows()
      .map(({ id, name, purpose }) => ({ id, name, text: this.figures.purpose(purpose), own: true })),
    ...COMMON_PURPOSES.map(({ id, name, text }) => ({ id, name, text: this.written(text), own: false })),
  ]);
  /** The thing that was picked, as long as its sizes stand in the line. */
  readonly picked = computed(() => {
    const last = this.last();
    return last && last.text === this.asking.asked().text ? last : null;
  });

  pick(thing: ThingToPick): void {
    this.last.set(thing);
    this.asking.put({ text: thing.text, turn: null });
  }

  private written(text: string): string {
    const reading = readLine(text, 'mm');
    return reading.kind === 'purpose' ? this.figures.purpose(reading.purpose) : text;
  }
}
