import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { WhyLine } from '@odd-corner/core';

/** A number's arithmetic, opened on request. */
@Component({
  selector: 'oc-why',
  template: `<details>
    <summary>Why {{ of() }}?</summary>
    <dl>
      @for (line of lines(); track line.what) {
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
}
