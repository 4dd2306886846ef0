import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { Router, RouterLink } from '@angular/router';
import { type ColumnMap, mapColumns, PAPER_COLUMNS, type PaperColumn, papersFrom } from '@odd-corner/contract';
import { finalize } from 'rxjs';
import { newId } from '../../data/new-id';
import { Papers } from '../../data/papers';
import { WorkshopSettings } from '../../data/workshop-settings';
import { Figures } from '../../ui/figures/figures';
import { pickFile } from '../../ui/pick-file';
import { Select } from '../../ui/select/select';
import { readTable } from '../../ui/table-file';
import { UndoBar } from '../../ui/undo/undo-bar';
import { type PlainRow, PlainTable } from '../../ui/plain-table/plain-table';
import { ShelfNav } from '../shelf-nav/shelf-nav';

/** Larger files are no list of papers. */
const MOST_BYTES = 1_000_000;
/** More rows are not brought in at once. */
const MOST_ROWS = 500;

/** A table from another program becomes papers: its columns are matched, every line is looked at, and nothing is kept before it is accepted. */
@Component({
  selector: 'oc-import-papers',
  imports: [MatButtonModule, MatFormFieldModule, MatInputModule, PlainTable, RouterLink, Select, ShelfNav],
  templateUrl: './import-papers.html',
  styleUrl: './import-papers.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ImportPapers {
  private readonly papers = inject(Papers);
  private readonly settings = inject(WorkshopSettings);
  private readonly figures = inject(Figures);
  private readonly undo = inject(UndoBar);
  private readonly router = inject(Router);

  protected readonly text = signal('');
  protected readonly failed = signal<string | null>(null);
  /** Lines of the table with their cells, the head first. */
  protected readonly table = signal<readonly (readonly string[])[]>([]);
  /** What the maker chose for a column, over what its head says. */
  private readonly chosen = signal<Readonly<Partial<Record<PaperColumn, number | null>>>>({});
  protected readonly sending = signal(false);
  protected readonly columns = PAPER_COLUMNS;
  protected readonly shown = [
    { key: 'line', name: 'Line' },
    { key: 'name', name: 'Name' },
    { key: 'size', name: 'Size' },
    { key: 'sheets', name: 'Sheets' },
    { key: 'kind', name: 'Kind' },
    { key: 'says', name: 'What is wrong' },
  ];

  protected readonly head = computed(() => this.table()[0] ?? []);
  protected readonly choices = computed(() => [
    { id: null, name: 'says nothing of it' },
    ...this.head().map((text, k) => ({ id: k, name: text.trim() || `column ${k + 1}` })),
  ]);
  protected readonly map = computed((): ColumnMap => {
    const both: Partial<Record<PaperColumn, number | null>> = { ...mapColumns(this.head()), ...this.chosen() };
    return Object.fromEntries(Object.entries(both).filter(([, k]) => k !== null));
  });
  private readonly taken = computed(() => {
    const { currency } = this.settings.current();
    return papersFrom(this.table().slice(1, MOST_ROWS + 1), this.map(), { currency, first: 2 });
  });
  protected readonly rows = computed(() =>
    this.taken().map((row): PlainRow => {
      const line = `${row.line}`;
      if ('wrong' in row)
        return {
          line,
          name: row.name,
          size: '',
          sheets: '',
          kind: '',
          says: { text: row.wrong.join(' '), wrong: true },
        };
      const { name, widthMm, heightMm, count, kind } = row.paper;
      return { line, name, size: this.figures.sizes([widthMm, heightMm]), sheets: `${count}`, kind, says: 'nothing' };
    }),
  );
  private readonly good = computed(() => this.taken().flatMap((row) => ('paper' in row ? [row.paper] : [])));
  protected readonly count = computed(() => this.good().length);
  protected readonly wrongs = computed(() => this.rows().length - this.count());
  protected readonly tooMany = computed(() => this.table().length - 1 > MOST_ROWS);

  protected chosenFor(id: PaperColumn): number | null {
    return this.map()[id] ?? null;
  }

  protected choose(id: PaperColumn, k: number | null): void {
    this.chosen.update((all) => ({ ...all, [id]: k }));
  }

  protected async pick(): Promise<void> {
    const file = await pickFile('.csv,.tsv,.txt,text/csv,text/tab-separated-values');
    if (file.size > MOST_BYTES) {
      this.failed.set('That file is too large to be a list of papers: bring in at most 1 MB.');
      return;
    }
    await this.read(await file.text());
  }

  /** Reads a table, its cells parted by commas, semicolons or tabs. */
  protected async read(text: string): Promise<void> {
    this.text.set(text);
    this.failed.set(null);
    this.chosen.set({});
    const data = await readTable(text);
    this.table.set(data);
    if (text.trim() && data.length < 2) this.failed.set('A table has a line of names, then a line for each paper.');
  }

  protected accept(): void {
    const papers = this.good().map((paper) => ({ ...paper, id: newId() }));
    if (!papers.length || this.sending()) return;
    this.sending.set(true);
    this.papers
      .addMany(papers)
      .pipe(finalize(() => this.sending.set(false)))
      .subscribe({
        next: (rows) => {
          void this.router.navigateByUrl('/shelf');
          this.undo.done(
            `${rows.length} ${rows.length === 1 ? 'paper is' : 'papers are'} on the shelf.`,
            () => this.papers.removeMany(rows.map(({ id }) => id)),
            'They are off the shelf again.',
          );
        },
        error: (error: unknown) => this.undo.failed(error),
      });
  }
}
