import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { formatLength, type StepFacts, type StepWords } from '@odd-corner/core';
import { WorkshopSettings } from '../../data/workshop-settings';

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
  private readonly settings = inject(WorkshopSettings);
  protected readonly text = computed(() => {
    const { up, creaseMm } = this.facts();
    const crease = this.crease();
    const begins = up ? `As you begin, ${UP[up]}.` : '';
    if (crease === 'none') return begins;
    const long = creaseMm === null ? '' : `, ${formatLength(creaseMm, this.settings.current().unit)} long`;
    return `${begins} ${HOW[crease]}${long}.`.trim();
  });
}
