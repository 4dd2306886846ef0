import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';

/** Says that something is being read, or could not be, with one clear thing to do. */
@Component({
  selector: 'oc-state-note',
  imports: [MatButtonModule],
  template: `@if (why(); as text) {
      <div class="card failed" role="alert">
        <h2>That could not be read</h2>
        <p>{{ text }}</p>
        <p><button type="button" matButton="outlined" (click)="again.emit()">Try again</button></p>
      </div>
    } @else {
      <p class="muted" role="status">Reading…</p>
    }`,
  styles: `
    .failed {
      display: grid;
      gap: 0.6rem;
      border-left: 4px solid var(--error);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StateNote {
  /** Why it failed, or null while it is still being read. */
  readonly why = input<string | null>(null);
  readonly again = output();
}
