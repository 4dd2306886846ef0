import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import type { JobMake, PrintQuery } from '@odd-corner/contract';
import { entriesOf, formById } from '@odd-corner/core';
import { finalize } from 'rxjs';
import { Api } from '../../data/api';
import { keptHere } from '../../data/device';
import { fileName, saveFile } from '../save-file';
import { Select } from '../select/select';
import { UndoBar } from '../undo/undo-bar';

type Paper = PrintQuery['page'];

const PAPERS: readonly { readonly id: Paper; readonly name: string }[] = [
  { id: 'a4', name: 'A4' },
  { id: 'letter', name: 'Letter' },
];

/** What of a make goes on paper: its steps as a booklet, its open sheets at true size, and labels for what was made. */
@Component({
  selector: 'oc-print-make',
  imports: [MatButtonModule, Select],
  templateUrl: './print-make.html',
  styleUrl: './print-make.scss',
  host: { class: 'no-print' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PrintMake {
  readonly make = input.required<JobMake>();
  /** What the job is called. */
  readonly title = input.required<string>();
  private readonly api = inject(Api);
  private readonly undo = inject(UndoBar);

  protected readonly papers = PAPERS;
  protected readonly paper = keptHere<Paper>('print-paper', (kept) => PAPERS.find(({ id }) => id === kept)?.id ?? 'a4');
  protected readonly perPages = ([4, 6, 9] as const).map((id) => ({ id, name: `${id} steps a page` }));
  protected readonly perPage = signal<PrintQuery['perPage']>(6);
  /** What is being printed, if anything. */
  protected readonly busy = signal(false);
  protected readonly sheets = computed(() => {
    const { make } = this.make();
    const names = new Map(entriesOf(formById(make.formId), make.params).map(({ key, name }) => [key, name]));
    return make.entries.map(({ key }) => ({ key, name: names.get(key) ?? key }));
  });

  protected print(
    what: 'booklet' | 'creasePages' | 'labels',
    entry?: { readonly key: string; readonly name: string },
  ): void {
    const query: PrintQuery = { page: this.paper(), perPage: this.perPage(), entry: entry?.key };
    const words = { booklet: 'steps', creasePages: `${entry?.name ?? ''} creases`, labels: 'labels' }[what];
    this.busy.set(true);
    this.api
      .file(what, { id: this.make().id, query })
      .pipe(finalize(() => this.busy.set(false)))
      .subscribe({
        next: (pdf) => saveFile(`${fileName(`${this.title()} ${words}`)}.pdf`, pdf, 'application/pdf'),
        error: (error: unknown) => this.undo.failed(error),
      });
  }
}
