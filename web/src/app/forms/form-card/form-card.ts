import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { entriesOf, type Form } from '@odd-corner/core';
import { DrawingView } from '../../ui/drawing-view/drawing-view';
import { coloursOfMake } from '../../ui/drawing-view/paper-colours';
import { Troubles } from '../../ui/troubles/troubles';
import { Folding } from '../../workers/folding.service';

/** A form as a card: its folded picture, what it is for, what it asks. */
@Component({
  selector: 'oc-form-card',
  imports: [DrawingView, RouterLink],
  template: `<a class="card turned" [routerLink]="['/forms', form().id]">
    @if (drawing(); as shown) {
      <oc-drawing [drawing]="shown" [colours]="colours()" [label]="'Folded: ' + form().name" />
    } @else {
      <p class="muted waiting" role="status">Folding it…</p>
    }
    <h2>{{ form().name }}</h2>
    <p>{{ form().use }}</p>
    <p class="muted">
      {{ form().sheetShape === 'square' ? 'square sheet' : 'oblong sheet' }}, {{ form().minutes }} min,
      {{ glue() === 'needed' ? 'tape or glue' : glue() === 'optional' ? 'glue if you like' : 'no glue' }}
    </p>
  </a>`,
  styleUrl: './form-card.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FormCard {
  readonly form = input.required<Form>();
  /** As it is made usually. */
  protected readonly glue = computed(() => this.form().adhesive(this.form().params.parse({})));
  protected readonly colours = computed(() => coloursOfMake(entriesOf(this.form(), {}), () => null));
  private readonly folding = inject(Folding);
  private readonly troubles = inject(Troubles);
  protected readonly drawing = toSignal(
    toObservable(this.form).pipe(this.troubles.asking(({ id }) => this.folding.card(id))),
    {
      initialValue: null,
    },
  );
}
