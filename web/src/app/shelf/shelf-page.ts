import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import { type Paper, papersTable, type Thing } from '@odd-corner/contract';
import { Papers } from '../data/papers';
import { Things } from '../data/things';
import { Icon } from '../ui/icon/icon';
import { PurposePipe } from '../ui/figures/figure-pipes';
import { BrokenRows } from '../ui/broken-rows/broken-rows';
import { StateNote } from '../ui/state-note/state-note';
import { UndoBar } from '../ui/undo/undo-bar';
import { saveFile } from '../ui/save-file';
import { writeTable } from '../ui/table-file';
import { PaperEditor } from './paper-editor/paper-editor';
import { PaperTable } from './paper-table/paper-table';
import { ShelfNav } from './shelf-nav/shelf-nav';
import { ThingEditor } from './thing-editor/thing-editor';

/** The paper that there is, and the things that are folded for. */
@Component({
  selector: 'oc-shelf-page',
  imports: [
    BrokenRows,
    MatButtonModule,
    Icon,
    PaperEditor,
    PaperTable,
    PurposePipe,
    RouterLink,
    ShelfNav,
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

  /** All papers as a file that other programs read. */
  protected save(): void {
    void writeTable(papersTable(this.papers.rows())).then((text) => saveFile('papers.csv', text, 'text/csv'));
  }

  protected removeThing({ id, name }: Thing): void {
    this.things.remove(id).subscribe({
      next: () => this.undo.done(`“${name}” is removed.`, () => this.things.restore(id)),
      error: (error: unknown) => this.undo.failed(error),
    });
  }
}
