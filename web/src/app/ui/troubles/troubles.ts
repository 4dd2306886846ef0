import { inject, Injectable } from '@angular/core';
import { MatSnackBar, type MatSnackBarRef, type TextOnlySnackBar } from '@angular/material/snack-bar';
import { defer, type Observable, type OperatorFunction, retry, Subject, switchMap, take } from 'rxjs';
import { failureText } from '../../data/api';

/**
 * What failed is told once, however many parts of a page wait for it, and stays told until it is tried again; then all of
 * them ask anew.
 */
@Injectable({ providedIn: 'root' })
export class Troubles {
  private readonly bar = inject(MatSnackBar);
  private readonly again = new Subject<void>();
  private told: MatSnackBarRef<TextOnlySnackBar> | null = null;

  /**
   * Asks for each value, dropping what an older one still waits for. A failure does not end the stream: the last question is
   * asked anew when the maker wants to try again.
   */
  asking<A, T>(ask: (about: A) => Observable<T>): OperatorFunction<A, T> {
    return switchMap((about: A) => defer(() => ask(about)).pipe(this.retrying()));
  }

  /** The same for a single question. */
  retrying<T>(): OperatorFunction<T, T> {
    return retry({ delay: (error: unknown) => this.tell(error) });
  }

  /** Shows a failure; emits once when it is to be retried. */
  private tell(error: unknown): Observable<void> {
    if (!this.told) {
      const told = this.bar.open(failureText(error), 'Try again');
      this.told = told;
      told.afterDismissed().subscribe(() => {
        if (this.told === told) this.told = null;
      });
      told.onAction().subscribe(() => {
        this.told = null;
        this.again.next();
      });
    }
    return this.again.pipe(take(1));
  }
}
