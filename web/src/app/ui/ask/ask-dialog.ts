import { ChangeDetectionStrategy, Component, inject, Injectable } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialog, MatDialogModule } from '@angular/material/dialog';
import { filter, type Observable } from 'rxjs';

/** What is asked before something is done that changes much. */
export interface Question {
  readonly title: string;
  readonly words: string;
  /** What is done then, as a verb. */
  readonly yes: string;
}

@Component({
  imports: [MatButtonModule, MatDialogModule],
  template: `<h2 mat-dialog-title>{{ question.title }}</h2>
    <mat-dialog-content>
      <p>{{ question.words }}</p>
    </mat-dialog-content>
    <mat-dialog-actions align="end">
      <button type="button" matButton mat-dialog-close>Cancel</button>
      <button type="button" matButton="filled" [mat-dialog-close]="true">{{ question.yes }}</button>
    </mat-dialog-actions>`,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
class AskDialog {
  protected readonly question = inject<Question>(MAT_DIALOG_DATA);
}

/** Asks before something is done. */
@Injectable({ providedIn: 'root' })
export class Ask {
  private readonly dialog = inject(MatDialog);

  /** Emits once when the maker says yes, never otherwise. */
  first(question: Question): Observable<true> {
    return this.dialog
      .open<AskDialog, Question, true>(AskDialog, { data: question, maxWidth: '32rem' })
      .afterClosed()
      .pipe(filter((yes): yes is true => yes === true));
  }
}
