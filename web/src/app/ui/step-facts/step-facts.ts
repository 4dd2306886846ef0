import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { StepFacts, StepWords } from '@odd-corner/core';
import { LengthPipe } from '../length-text/length.pipe';

const UP = { white: 'White side up.', colour: 'Coloured side up.', both: 'Both sides show.' } as const;
const HOW = {
  sharp: 'Crease it sharply',
  soft: 'Bend it, do not press it flat yet',
  pinch: 'Pinch only where the short dashes are',
  none: '',
} as const;

/** Which side is up as a step begins, how its crease is made, and how long it is. */
@Component({
  selector: 'oc-step-facts',
  imports: [LengthPipe],
  template: `{{ up() }}
    @if (how(); as words) {
      {{ words }}
      @if (facts().creaseMm; as mm) {
        , {{ mm | length }} long
      }
      .
    }`,
  host: { class: 'muted' },
  styles: ':host { display: block; }',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StepFactsLine {
  readonly facts = input.required<StepFacts>();
  readonly crease = input.required<StepWords['crease']>();
  protected readonly up = computed(() => {
    const { up } = this.facts();
    return up && UP[up];
  });
  protected readonly how = computed(() => HOW[this.crease()]);
}
