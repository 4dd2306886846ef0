import { inject, Injectable } from '@angular/core';
import { MatSnackBar } from '@angular/material/snack-bar';
import type { Observable } from 'rxjs';
import { failureText } from '../../data/api';

/** Says what was done, and offers to take it back. */
@Injectable({ providedIn: 'root' })
export class UndoBar {
  private readonly bar = inject(MatSnackBar);

  done(message: string, undo?: () => Observable<unknown>, undone = 'Put back.'): void {
    const shown = this.bar.open(message, undo ? 'Undo' : undefined, { duration: 9000 });
    if (!undo) return;
    shown.onAction().subscribe(() => {
      undo().subscribe({
        next: () => this.bar.open(undone, undefined, { duration: 4000 }),
        error: (error: unknown) => this.failed(error),
      });
    });
  }

  failed(error: unknown): void {
    this.bar.open(failureText(error), 'Close', { duration: 12_000 });
  }
}
