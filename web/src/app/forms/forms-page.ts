import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { squareTray } from '@odd-corner/core';
import { DrawingView } from '../ui/drawing-view/drawing-view';
import { Folding } from '../workers/folding.service';

const SHOWN_SHEET = { sheetMm: 150, wallMm: null, thicknessMm: 0.1, formId: squareTray.id } as const;

/** The forms that can be folded, as folded pictures. */
@Component({
  selector: 'oc-forms-page',
  imports: [DrawingView, RouterLink],
  template: `<div class="page">
    <div>
      <h1>Forms</h1>
      <p class="lead">One form is on this shelf so far. More are coming soon.</p>
    </div>
    <a class="card turned" [routerLink]="['/forms', form.id]">
      @if (scene(); as shown) {
        <oc-drawing [drawing]="shown.open" label="A folded tray with its lid lifted off" />
      } @else {
        <p class="muted" role="status">Folding it…</p>
      }
      <h2>{{ form.name }}</h2>
      <p>{{ form.use }}</p>
      <p class="muted">square sheets, about {{ 2 * form.minutes }} min for both parts, glue for the lid</p>
    </a>
  </div>`,
  styles: `
    .card {
      display: grid;
      gap: 0.5rem;
      max-width: 350px;
      color: inherit;
      text-decoration: none;
    }
    oc-drawing {
      height: 290px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FormsPage {
  protected readonly form = squareTray;
  protected readonly scene = toSignal(
    inject(Folding).scene({
      tray: { ...SHOWN_SHEET, part: 'tray' },
      lid: { ...SHOWN_SHEET, sheetMm: 154, part: 'eared-lid' },
      block: null,
    }),
    { initialValue: null },
  );
}
