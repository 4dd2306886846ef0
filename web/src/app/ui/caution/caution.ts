import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { FigurePipe } from '../figures/figure-pipes';
import { Icon } from '../icon/icon';

/** Something to be careful with, with its sign. */
@Component({
  selector: 'oc-caution',
  imports: [FigurePipe, Icon],
  template: '<oc-icon name="warning" /><span>{{ words() | figure }}</span>',
  styles: `
    :host {
      display: grid;
      grid-template-columns: auto minmax(0, 1fr);
      gap: 0.5rem;
      align-items: start;
      color: var(--warn);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CautionNote {
  readonly words = input.required<string>();
}
