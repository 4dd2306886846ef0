import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { RulerId } from '@odd-corner/core';
import { Figures } from './figures';

/** A large number with its small unit. */
@Component({
  selector: 'oc-length',
  template: '{{ figure() }}<small>{{ unit() }}</small>',
  host: { class: 'figure' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LengthFigure {
  readonly mm = input.required<number>();
  /** With which it is to be measured, if it is. */
  readonly ruler = input<RulerId | null>(null);
  private readonly figures = inject(Figures);
  protected readonly unit = computed(() => this.figures.unit(this.ruler()));
  protected readonly figure = computed(() => this.figures.bare(this.mm(), this.ruler()));
}
