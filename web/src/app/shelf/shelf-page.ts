import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatTooltipModule } from '@angular/material/tooltip';
import type { Paper, Thing } from '@odd-corner/contract';
import { caliperOf } from '@odd-corner/core';
import { Papers } from '../data/papers';
import { Things } from '../data/things';
import { Figures } from '../ui/figures/figures';
import { Icon } from '../ui/icon/icon';
import { FigurePipe, PurposePipe } from '../ui/figures/figure-pipes';
import { SizesPipe } from '../ui/figures/sizes-pipe';
import { BrokenRows } from '../ui/broken-rows/broken-rows';
import { StateNote } from '../ui/state-note/state-note';
import { UndoBar } from '../ui/undo/undo-bar';
import { PaperEditor } from './paper-editor/paper-editor';
import { ThingEditor } from './thing-editor/thing-editor';

/** The paper that there is, and the things that are folded for. */
@Component({
  selector: 'oc-shelf-page',
  imports: [
    BrokenRows,
    FigurePipe,
    MatButtonModule,
    MatTooltipModule,
    Icon,
    PaperEditor,
    PurposePipe,
    SizesPipe,
    StateNote,
    ThingEditor,
  ],
  templateUrl: './shelf-page.html',
  styleUrl: './shelf-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ShelfPage {
  protected readonly papers = inject(Papers);
  protected readonly things = inject(Things);
  private readonly undo = inject(UndoBar);
  protected readonly figures = inject(Figures);

  /** The paper being edited, `new`, or null. */
  protected readonly editing = signal<Paper | 'new' | null>(null);
  /** The thing being edited, `new`, or null. */
  protected readonly editingThing = signal<Thing | 'new' | null>(null);
  protected readonly failed = computed(() => {
    const state = this.papers.state();
    return state.kind === 'failed' ? state.why : null;
  });
  protected readonly sheets = computed(() => this.papers.rows().reduce((sum, { count }) => sum + count, 0));

  constructor() {
    this.papers.refresh();
    this.things.refresh();
  }

  protected thickness(paper: Paper): string {
    return `${this.figures.fixed(caliperOf(paper), 2)} mm${paper.caliperMm === null ? ', estimated' : ''}`;
  }

  protected count(paper: Paper, by: number): void {
    const { id: _, version: __, ...draft } = paper;
    this.papers.change(paper, { ...draft, count: paper.count + by }).subscribe({
      error: (error: unknown) => this.undo.failed(error),
    });
  }

  /** What so many sheets cost, as it was written down. */
  protected costOf({ price }: Paper): string | null {
    return price && `${this.figures.money(price)} for ${this.figures.count(price.sheets)}`;
  }

  protected remove({ id, name }: Paper): void {
    this.papers.remove(id).subscribe({
      next: () => this.undo.done(`“${name}” is off the shelf.`, () => this.papers.restore(id)),
      error: (error: unknown) => this.undo.failed(error),
    });
  }

  protected removeThing({ id, name }: Thing): void {
    this.things.remove(id).subscribe({
      next: () => this.undo.done(`“${name}” is removed.`, () => this.things.restore(id)),
      error: (error: unknown) => this.undo.failed(error),
    });
  }
}
