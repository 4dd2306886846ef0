import { ChangeDetectionStrategy, Component, effect, inject, input, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { MOST_PHOTOGRAPHS, type Photograph, type PhotographsAsked, routes } from '@odd-corner/contract';
import { Api, failureText } from '../../data/api';
import { whenChanged } from '../../data/changes';
import { newId } from '../../data/new-id';
import { Session } from '../../data/session';
import { pickFile } from '../pick-file';
import { UndoBar } from '../undo/undo-bar';

/** Photographs of a job, an entry of the logbook or a trial: added, said in words, thrown away. */
@Component({
  selector: 'oc-photographs',
  imports: [MatButtonModule, MatFormFieldModule, MatInputModule],
  templateUrl: './photographs.html',
  styles: `
    :host {
      display: grid;
      gap: 0.6rem;
    }
    ul {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(min(100%, 11rem), 1fr));
      gap: 0.8rem;
      margin: 0;
      padding: 0;
      list-style: none;
    }
    img {
      display: block;
      width: 100%;
      height: auto;
      background: var(--line);
    }
    .acts {
      display: flex;
      flex-wrap: wrap;
      gap: 0.6rem 1rem;
      align-items: center;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Photographs {
  readonly of = input.required<PhotographsAsked['of']>();
  readonly id = input.required<string>();
  private readonly api = inject(Api);
  private readonly undo = inject(UndoBar);
  protected readonly session = inject(Session);
  protected readonly rows = signal<readonly Photograph[]>([]);
  protected readonly busy = signal(false);
  protected readonly failed = signal<string | null>(null);
  protected readonly most = MOST_PHOTOGRAPHS;

  constructor() {
    effect(() => this.read(this.of(), this.id()));
    whenChanged('photographs', () => this.read(this.of(), this.id()));
  }

  private read(of: PhotographsAsked['of'], id: string): void {
    this.api.call('photographs', { query: { of, id } }).subscribe({
      next: (rows) => this.rows.set(rows),
      error: (error: unknown) => this.failed.set(failureText(error)),
    });
  }

  protected source({ id }: Photograph): string {
    return routes.photograph.path.replace(':id', id);
  }

  protected async add(): Promise<void> {
    const file = await pickFile('image/jpeg,image/png,image/webp');
    this.busy.set(true);
    this.failed.set(null);
    this.api.call('addPhotograph', { id: newId(), file, query: { of: this.of(), id: this.id() } }).subscribe({
      next: (row) => {
        this.rows.update((rows) => [...rows, row]);
        this.busy.set(false);
      },
      error: (error: unknown) => {
        this.failed.set(failureText(error));
        this.busy.set(false);
      },
    });
  }

  protected say(row: Photograph, words: string): void {
    if (words === row.words) return;
    this.api.call('sayPhotograph', { id: row.id, body: { words } }).subscribe({
      next: (said) => this.rows.update((rows) => rows.map((one) => (one.id === said.id ? said : one))),
      error: (error: unknown) => this.undo.failed(error),
    });
  }

  protected remove({ id }: Photograph): void {
    this.api.call('removePhotograph', { id }).subscribe({
      next: () => {
        this.rows.update((rows) => rows.filter((one) => one.id !== id));
        this.undo.done('The photograph is thrown away.');
      },
      error: (error: unknown) => this.undo.failed(error),
    });
  }
}
