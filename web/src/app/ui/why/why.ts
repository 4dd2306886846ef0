import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { MatExpansionModule } from '@angular/material/expansion';
import type { WhyLine } from '@odd-corner/core';
import { FigurePipe } from '../figures/figure-pipes';

/** A number's arithmetic, opened on request. */
@Component({
  selector: 'oc-why',
  imports: [FigurePipe, MatExpansionModule],
  template: `<mat-expansion-panel
    class="mat-elevation-z0"
    togglePosition="before"
    (opened)="opened.emit(true)"
    (closed)="opened.emit(false)"
  >
    <mat-expansion-panel-header>
      <mat-panel-title>Why {{ of() }}?</mat-panel-title>
    </mat-expansion-panel-header>
    <dl>
      @for (line of lines(); track $index) {
        <div>
          <dt>{{ line.what | figure }}</dt>
          <dd>{{ line.figures | figure }}</dd>
        </div>
      }
    </dl>
  </mat-expansion-panel>`,
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
