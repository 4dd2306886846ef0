import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import type { FolderHand } from '@odd-corner/contract';
import { Hands } from '../../data/hands';
import { BrokenRows } from '../../ui/broken-rows/broken-rows';
import { FigurePipe } from '../../ui/figures/figure-pipes';
import { UndoBar } from '../../ui/undo/undo-bar';
import { HandEditor } from './hand-editor';

/** Whose hands fold here: several people, by name or role. */
@Component({
  selector: 'oc-hands',
  imports: [BrokenRows, FigurePipe, HandEditor, MatButtonModule],
  template: `<div class="head">
      <div>
        <h2>Who folds</h2>
        <p class="muted">
          With nobody listed, everything is folded by the usual hand above. With names, the logbook can tell how each
          folder’s pieces come out.
        </p>
      </div>
      <button type="button" matButton="outlined" (click)="editing.set('new')">Add a hand</button>
    </div>
    <oc-broken-rows [list]="hands" what="hands" />
    @if (editing(); as draft) {
      <oc-hand-editor [hand]="draft === 'new' ? null : draft" (closed)="editing.set(null)" />
    }
    @if (hands.rows().length) {
      <ul>
        @for (hand of hands.rows(); track hand.id) {
          <li>
            <p>
              {{ hand.name }} <span class="muted">misses by about {{ hand.missMm + ' mm' | figure }}</span>
            </p>
            <button type="button" matButton (click)="editing.set(hand)">
              Change<span class="visually-hidden"> {{ hand.name }}</span>
            </button>
            <button type="button" matButton (click)="remove(hand)">
              Remove<span class="visually-hidden"> {{ hand.name }}</span>
            </button>
          </li>
        }
      </ul>
    }`,
  styles: `
    :host {
      display: grid;
      gap: 0.9rem;
      max-width: 42rem;
    }
    .head {
      display: flex;
      flex-wrap: wrap;
      gap: 0.6rem 1rem;
      align-items: start;
    }
    .head div {
      flex: 1 1 16rem;
      display: grid;
      gap: 0.5rem;
    }
    ul {
      padding: 0;
      list-style: none;
    }
    li {
      display: flex;
      flex-wrap: wrap;
      gap: 0 0.6rem;
      align-items: center;
      padding: 0.35rem 0;
      border-top: 1px solid var(--line);
    }
    li p {
      flex: 1 1 12rem;
      overflow-wrap: anywhere;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HandsSection {
  protected readonly hands = inject(Hands);
  private readonly undo = inject(UndoBar);
  /** The hand being edited, `new`, or null. */
  protected readonly editing = signal<FolderHand | 'new' | null>(null);

  constructor() {
    this.hands.refresh();
  }

  protected remove({ id, name }: FolderHand): void {
    this.hands.remove(id).subscribe({
      next: () => this.undo.done(`“${name}” is removed.`, () => this.hands.restore(id)),
      error: (error: unknown) => this.undo.failed(error),
    });
  }
}
