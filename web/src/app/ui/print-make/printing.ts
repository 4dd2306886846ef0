import { inject, Injectable, signal } from '@angular/core';
import type { PrintQuery } from '@odd-corner/contract';
import { finalize } from 'rxjs';
import { Api } from '../../data/api';
import { keptHere } from '../../data/device';
import { fileName, saveFile } from '../save-file';
import { UndoBar } from '../undo/undo-bar';

/** Papers for a printer. */
export const PRINT_PAPERS: readonly { readonly id: PrintQuery['page']; readonly name: string }[] = [
  { id: 'a4', name: 'A4' },
  { id: 'letter', name: 'Letter' },
];

/** Has the server set pages, and hands them to the browser. */
@Injectable({ providedIn: 'root' })
export class Printing {
  private readonly api = inject(Api);
  private readonly undo = inject(UndoBar);

  /** The printer's paper, on this device. */
  readonly paper = keptHere<PrintQuery['page']>(
    'print-paper',
    (kept) => PRINT_PAPERS.find(({ id }) => id === kept)?.id ?? 'a4',
  );
  /** Whether something is being printed. */
  readonly busy = signal(false);

  /** @param name what the file is called */
  print(
    what: 'booklet' | 'creasePages' | 'labels',
    makeId: string,
    name: string,
    asked: Partial<Omit<PrintQuery, 'page'>> = {},
  ): void {
    const query: PrintQuery = { page: this.paper(), perPage: 6, ...asked };
    this.busy.set(true);
    this.api
      .file(what, { id: makeId, query })
      .pipe(finalize(() => this.busy.set(false)))
      .subscribe({
        next: (pdf) => saveFile(`${fileName(name)}.pdf`, pdf, 'application/pdf'),
        error: (error: unknown) => this.undo.failed(error),
      });
  }
}
