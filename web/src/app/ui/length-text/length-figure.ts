import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { lengthFigure, type RulerId, unitOnRuler } from '@odd-corner/core';
import { WorkshopSettings } from '../../data/workshop-settings';

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
  private readonly settings = inject(WorkshopSettings);
  protected readonly unit = computed(() => {
    const [ruler, preferred] = [this.ruler(), this.settings.current().unit];
    return ruler ? unitOnRuler(ruler, preferred) : preferred;
  });
  protected readonly figure = computed(() => lengthFigure(this.mm(), this.unit()));
}
