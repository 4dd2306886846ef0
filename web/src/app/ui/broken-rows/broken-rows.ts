import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import type { BrokenRow } from '@odd-corner/contract';
import type { Collection } from '../../data/collection';
import { saveFile } from '../save-file';
import { UndoBar } from '../undo/undo-bar';

/** Rows of a list that are there and cannot be read any more: kept as a file, or put into the bin. */
@Component({
  selector: 'oc-broken-rows',
  imports: [MatButtonModule],
  template: `@if (list().broken(); as rows) {
    @if (rows.length) {
      <section class="card" role="alert">
        <h2>{{ rows.length === 1 ? 'One' : rows.length }} of the {{ what() }} cannot be read</h2>
        <p>All others are here. Save what is left of it as a file before you remove it.</p>
        <ul>
          @for (broken of rows; track broken.id) {
            <li>
              <span
                >{{ nameOf(broken) }}<small>{{ broken.why }}</small></span
              >
              <button type="button" matButton="outlined" (click)="save(broken)">Save as a file</button>
              <button type="button" matButton="outlined" (click)="remove(broken.id)">Remove</button>
            </li>
          }
        </ul>
      </section>
    }
  }`,
  styles: `
    :host {
      display: contents;
    }
    section {
      display: grid;
      gap: 0.6rem;
      border-left: 4px solid var(--error);
    }
    ul {
      display: grid;
      gap: 0.6rem;
      padding: 0;
      list-style: none;
    }
    li {
      display: flex;
      flex-wrap: wrap;
      gap: 0.5rem 0.8rem;
      align-items: center;
    }
    li span {
      flex: 1 1 12rem;
      overflow-wrap: anywhere;
    }
    small {
      display: block;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BrokenRows {
  readonly list = input.required<Pick<Collection<never>, 'broken' | 'remove' | 'refresh'>>();
  /** What the rows are, as in “One of the papers”. */
  readonly what = input.required<string>();
  private readonly undo = inject(UndoBar);

  /** What it was called, as far as that can be told. */
  protected nameOf({ id, row }: BrokenRow): string {
    const name = row['name'] ?? row['title'];
    return typeof name === 'string' && name ? name : id;
  }

  protected save(broken: BrokenRow): void {
    saveFile(`${broken.id}.json`, JSON.stringify(broken, null, 2), 'application/json');
  }

  protected remove(id: string): void {
    const list = this.list();
    list.remove(id).subscribe({
      next: () => {
        list.refresh();
        this.undo.done('Removed. It is in the bin.');
      },
      error: (error: unknown) => this.undo.failed(error),
    });
  }
}
