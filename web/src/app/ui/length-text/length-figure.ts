import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { lengthFigure } from '@odd-corner/core';
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
  private readonly settings = inject(WorkshopSettings);
  protected readonly unit = computed(() => this.settings.current().unit);
  protected readonly figure = computed(() => lengthFigure(this.mm(), this.unit()));
}
