import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { SHELF } from '@odd-corner/core';
import { NotHere } from '../ui/not-here/not-here';
import { TryForm } from './try-form/try-form';

/** One form of the shelf, to be tried. */
@Component({
  selector: 'oc-form-page',
  imports: [NotHere, TryForm],
  template: `@if (isForm()) {
      <oc-try-form [id]="id()" />
    } @else {
      <oc-not-here />
    }`,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FormPage {
  readonly id = input.required<string>();
  protected readonly isForm = computed(() => SHELF.has(this.id()));
}
