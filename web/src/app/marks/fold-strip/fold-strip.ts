import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { DrawingView } from '../../ui/drawing-view/drawing-view';
import { type PaperColours, PLAIN_PAPER } from '../../ui/drawing-view/paper-colours';
import { FigurePipe } from '../../ui/figures/figure-pipes';
import type { FoldShown } from '../../workers/mark-tasks';

/** The folds of a way one after the other, each drawn with what is laid where, and said. */
@Component({
  selector: 'oc-fold-strip',
  imports: [DrawingView, FigurePipe],
  template: `<ol>
    @for (fold of folds(); track $index) {
      <li>
        <oc-drawing
          [drawing]="fold.drawing"
          [colours]="colours()"
          [label]="name() + ', fold ' + ($index + 1) + ' of ' + folds().length"
        />
        <p>
          <b>{{ $index + 1 }}</b> {{ fold.words | figure }}
        </p>
      </li>
    }
  </ol>`,
  styles: `
    :host {
      display: block;
    }
    ol {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(min(46%, 12rem), 1fr));
      gap: 0.8rem;
      margin: 0;
      padding: 0;
      list-style: none;
    }
    li {
      display: grid;
      gap: 0.3rem;
      align-content: start;
    }
    oc-drawing {
      display: block;
      aspect-ratio: 1;
    }
    p {
      font-size: 0.9rem;
      line-height: 1.35;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FoldStrip {
  readonly folds = input.required<readonly FoldShown[]>();
  readonly colours = input<PaperColours>(PLAIN_PAPER);
  /** What is found so, for who does not see the pictures. */
  readonly name = input.required<string>();
}
