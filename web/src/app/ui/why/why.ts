import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import type { WhyLine } from '@odd-corner/core';

/** A number's arithmetic, opened on request. */
@Component({
  selector: 'oc-why',
  template: `<details (toggle)="opened.emit(box.open)" #box>
    <summary>Why {{ of() }}?</summary>
    <dl>
      @for (line of lines(); track $index) {
        <div>
          <dt>{{ line.what }}</dt>
          <dd>{{ line.figures }}</dd>
        </div>
      }
    </dl>
  </details>`,
  styleUrl: './why.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Why {
  /** What is asked about, as it stands in the question. */
  readonly of = input.required<string>();
  readonly lines = input.required<readonly WhyLine[]>();
  /** Whether it stands open, for what is only worked out when asked. */
  readonly opened = output<boolean>();
}
