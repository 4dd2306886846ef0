import { ChangeDetectionStrategy, Component, input } from '@angular/core';

/** A symbol from the shipped subset; always beside words, so it is hidden from screen readers. */
@Component({
  selector: 'oc-icon',
  template: '{{ name() }}',
  host: { class: 'icon', 'aria-hidden': 'true', translate: 'no' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Icon {
  readonly name = input.required<string>();
}
