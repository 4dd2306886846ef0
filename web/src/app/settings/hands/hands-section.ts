import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import type { FolderHand } from '@odd-corner/contract';
import { rounded } from '@odd-corner/core';
import { Hands } from '../../data/hands';
import { LearnedHands } from '../../data/learned-hands';
import { BrokenRows } from '../../ui/broken-rows/broken-rows';
import { Figures } from '../../ui/figures/figures';
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
    @if (said(null); as words) {
      <p>The usual hand, by the logbook: {{ words }}</p>
    }
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
              @if (said(hand.id); as words) {
                <br />By the logbook: {{ words }}
              }
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
  private readonly learned = inject(LearnedHands);
  private readonly figures = inject(Figures);
  private readonly undo = inject(UndoBar);
  /** The hand being edited, `new`, or null. */
  protected readonly editing = signal<FolderHand | 'new' | null>(null);

  /** What the logbook says of a hand, in words; null where it says nothing. */
  protected said(handId: string | null): string | null {
    const known = this.learned.known(handId);
    if (!known) return null;
    const { any, pace, pieces } = known;
    const said: string[] = [];
    if (any) {
      const side = any.leanMm < 0 ? 'small' : 'large';
      const from = pieces === 1 ? 'one piece' : `${pieces} pieces`;
      said.push(
        `misses by ${rounded(any.missMm, 2)} mm, leans ${rounded(Math.abs(any.leanMm), 2)} mm to the ${side} side, from ${from}`,
      );
    }
    if (pace) {
      const from = pace.pieces === 1 ? 'one time' : `${pace.pieces} times`;
      said.push(`takes ${rounded(pace.times, 2)} times as long as told, from ${from}`);
    }
    return said.length ? this.figures.mark(`${said.join('; ')}.`) : null;
  }

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
