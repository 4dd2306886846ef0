import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import type { InsideSize, LogEntry } from '@odd-corner/contract';
import { deviation, lengthFigure, spreadOf } from '@odd-corner/core';
import { Logbook } from '../data/logbook';
import { WorkshopSettings } from '../data/workshop-settings';
import { LengthPipe } from '../ui/length-text/length.pipe';
import { StateNote } from '../ui/state-note/state-note';
import { UndoBar } from '../ui/undo/undo-bar';

const DIMENSIONS = [
  { key: 'lengthMm', name: 'Between the sides' },
  { key: 'widthMm', name: 'Between the ends' },
  { key: 'depthMm', name: 'Depth' },
] as const satisfies readonly { key: keyof InsideSize; name: string }[];

/** Pieces as predicted and as measured, and how far they lie apart on the whole. */
@Component({
  selector: 'oc-logbook-page',
  imports: [MatButtonModule, DatePipe, LengthPipe, RouterLink, StateNote],
  templateUrl: './logbook-page.html',
  styleUrl: './logbook-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LogbookPage {
  protected readonly logbook = inject(Logbook);
  private readonly undo = inject(UndoBar);
  private readonly settings = inject(WorkshopSettings);
  protected readonly dimensions = DIMENSIONS;

  protected readonly failed = computed(() => {
    const state = this.logbook.state();
    return state.kind === 'failed' ? state.why : null;
  });
  protected readonly pieces = computed(() =>
    this.logbook.rows().map((piece) => ({ piece, off: piece.measured && deviation(piece.predicted, piece.measured) })),
  );
  /** Mean and spread of measured less predicted, per dimension. */
  protected readonly spreads = computed(() => {
    const offs = this.pieces().flatMap(({ off }) => (off ? [off] : []));
    return DIMENSIONS.map(({ key, name }) => ({ name, spread: spreadOf(offs.map((off) => off[key])) }));
  });

  constructor() {
    this.logbook.refresh();
  }

  /** A difference with its sign: `+0.5`. */
  protected signed(mm: number): string {
    const { unit } = this.settings.current();
    const figure = lengthFigure(Math.abs(mm), unit);
    return figure === '0' ? '0' : `${mm > 0 ? '+' : '−'}${figure}`;
  }

  protected get unit(): string {
    return this.settings.current().unit;
  }

  protected remove(piece: LogEntry): void {
    const { id, jobId, sheetsUsed, measured, minutes, note } = piece;
    this.logbook.undo(id).subscribe({
      next: () =>
        this.undo.done(
          `“${piece.title}” is out of the logbook${piece.paperName && sheetsUsed ? `, ${sheetsUsed} of ${piece.paperName} back on the shelf` : ''}.`,
          jobId ? () => this.logbook.record({ id, jobId, sheetsUsed, measured, minutes, note }) : undefined,
          'Written down again.',
        ),
      error: (error: unknown) => this.undo.failed(error),
    });
  }
}
