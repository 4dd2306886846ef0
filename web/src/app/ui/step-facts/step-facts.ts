import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { StepFacts, StepWords } from '@odd-corner/core';
import { Figures } from '../figures/figures';

const UP = { white: 'the white side is up', colour: 'the coloured side is up', both: 'both sides show' } as const;
const HOW = {
  sharp: 'Crease it sharply',
  soft: 'Bend it, do not press it flat yet',
  pinch: 'Pinch only where the short dashes are',
} as const;

/** Which side is up as a step begins, how its crease is made, and how long it is. */
@Component({
  selector: 'oc-step-facts',
  template: '{{ text() }}',
  host: { class: 'muted' },
  styles: ':host { display: block; }',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StepFactsLine {
  readonly facts = input.required<StepFacts>();
  readonly crease = input.required<StepWords['crease']>();
  private readonly figures = inject(Figures);
  protected readonly text = computed(() => {
    const { up, creaseMm } = this.facts();
    const crease = this.crease();
    const begins = up ? `As you begin, ${UP[up]}.` : '';
    if (crease === 'none') return begins;
    const long = creaseMm === null ? '' : `, ${this.figures.length(creaseMm)} long`;
    return `${begins} ${HOW[crease]}${long}.`.trim();
  });
}
