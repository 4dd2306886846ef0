import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, effect, inject, viewChild } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatPaginator, MatPaginatorModule } from '@angular/material/paginator';
import { MatSort, MatSortModule } from '@angular/material/sort';
import { MatTableDataSource, MatTableModule } from '@angular/material/table';
import { RouterLink } from '@angular/router';
import { insideOf, type InsideSize, type LogEntry, predictedInside } from '@odd-corner/contract';
import { deviation, spreadOf } from '@odd-corner/core';
import { Logbook } from '../data/logbook';
import { Figures } from '../ui/figures/figures';
import { LengthPipe } from '../ui/figures/figure-pipes';
import { BrokenRows } from '../ui/broken-rows/broken-rows';
import { StateNote } from '../ui/state-note/state-note';
import { UndoBar } from '../ui/undo/undo-bar';

const DIMENSIONS = [
  { key: 'lengthMm', name: 'Between the sides' },
  { key: 'widthMm', name: 'Between the ends' },
  { key: 'depthMm', name: 'Depth' },
] as const satisfies readonly { key: keyof InsideSize; name: string }[];

/** More than this is told in pages. */
const PAGE_SIZE = 50;

interface Row {
  readonly piece: LogEntry;
  readonly told: InsideSize | null;
  readonly found: InsideSize | null;
  /** Measured less predicted. */
  readonly off: InsideSize | null;
}

function rowOf(piece: LogEntry): Row {
  const [told, found] = [predictedInside(piece.predicted), insideOf(piece.measured)];
  return { piece, told, found, off: told && found && deviation(told, found) };
}

/** What a column is sorted by; what was not measured comes before everything. */
function sortedBy({ piece, off }: Row, column: string): string | number {
  if (column === 'piece') return piece.foldedAt;
  if (column === 'sheets') return piece.make.entries[0].sheet.widthMm;
  if (column === 'minutes') return piece.minutes ?? -Infinity;
  return off?.[column as keyof InsideSize] ?? -Infinity;
}

/** Pieces as predicted and as measured, and how far they lie apart on the whole. */
@Component({
  selector: 'oc-logbook-page',
  imports: [
    BrokenRows,
    DatePipe,
    LengthPipe,
    MatButtonModule,
    MatPaginatorModule,
    MatSortModule,
    MatTableModule,
    RouterLink,
    StateNote,
  ],
  templateUrl: './logbook-page.html',
  styleUrl: './logbook-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LogbookPage {
  protected readonly logbook = inject(Logbook);
  private readonly undo = inject(UndoBar);
  private readonly figures = inject(Figures);
  protected readonly dimensions = DIMENSIONS;
  protected readonly columns = ['piece', 'sheets', ...DIMENSIONS.map(({ key }) => key), 'minutes', 'acts'];
  protected readonly pageSize = PAGE_SIZE;
  protected readonly rows = new MatTableDataSource<Row>();
  private readonly sort = viewChild(MatSort);
  private readonly pages = viewChild(MatPaginator);

  protected readonly failed = computed(() => {
    const state = this.logbook.state();
    return state.kind === 'failed' ? state.why : null;
  });
  protected readonly pieces = computed(() => this.logbook.rows().map(rowOf));
  /** Mean and spread of measured less predicted, per dimension. */
  protected readonly spreads = computed(() => {
    const offs = this.pieces().flatMap(({ off }) => (off ? [off] : []));
    return DIMENSIONS.map(({ key, name }) => ({ name, spread: spreadOf(offs.map((off) => off[key])) }));
  });

  protected readonly idOf = (_: number, { piece }: Row): string => piece.id;

  constructor() {
    this.rows.sortingDataAccessor = sortedBy;
    effect(() => {
      this.rows.data = [...this.pieces()];
    });
    effect(() => {
      this.rows.sort = this.sort() ?? null;
      this.rows.paginator = this.pages() ?? null;
    });
    this.logbook.refresh();
  }

  /** A difference with its sign: `+0.5`. */
  protected signed(mm: number): string {
    const figure = this.figures.bare(Math.abs(mm));
    return figure === '0' ? '0' : `${mm > 0 ? '+' : '−'}${figure}`;
  }

  protected get unit(): string {
    return this.figures.unit();
  }

  protected papersOf({ sheetsUsed }: LogEntry): string {
    return sheetsUsed.flatMap(({ paperName }) => paperName ?? []).join(', ');
  }

  protected remove(piece: LogEntry): void {
    const back = piece.sheetsUsed
      .filter(({ paperName, sheets }) => paperName && sheets)
      .map(({ paperName, sheets }) => `, ${sheets} of ${paperName} back on the shelf`)
      .join('');
    this.logbook.remove(piece.id).subscribe({
      next: () =>
        this.undo.done(
          `“${piece.title}” is out of the logbook${back}.`,
          () => this.logbook.restore(piece.id),
          'Written down again.',
        ),
      error: (error: unknown) => this.undo.failed(error),
    });
  }
}
