import { ChangeDetectionStrategy, Component, inject, type Injector } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialog, MatDialogModule } from '@angular/material/dialog';
import { map, type Observable } from 'rxjs';

/** Where two versions differ. */
export interface Difference {
  readonly name: string;
  readonly mine: string;
  readonly theirs: string;
}

export type Kept = 'mine' | 'theirs';

interface Asked {
  readonly title: string;
  readonly differences: readonly Difference[];
}

/** Two versions of one row, side by side. */
@Component({
  selector: 'oc-conflict-dialog',
  imports: [MatButtonModule, MatDialogModule],
  template: `<h2 mat-dialog-title>“{{ asked.title }}” was changed meanwhile</h2>
    <mat-dialog-content>
      <p>Somebody else, or you on another screen, changed it first. Which is right?</p>
      <table>
        <thead>
          <tr>
            <td></td>
            <th scope="col">Yours</th>
            <th scope="col">As it is now</th>
          </tr>
        </thead>
        <tbody>
          @for (one of asked.differences; track one.name) {
            <tr>
              <th scope="row">{{ one.name }}</th>
              <td>{{ one.mine || '–' }}</td>
              <td>{{ one.theirs || '–' }}</td>
            </tr>
          }
        </tbody>
      </table>
    </mat-dialog-content>
    <mat-dialog-actions align="end">
      <button type="button" matButton mat-dialog-close>Decide later</button>
      <button type="button" matButton="outlined" mat-dialog-close="theirs">Keep it as it is</button>
      <button type="button" matButton="filled" mat-dialog-close="mine">Keep yours</button>
    </mat-dialog-actions>`,
  styles: `
    table {
      margin-top: 0.8rem;
      border-collapse: collapse;
      width: 100%;
    }
    th,
    td {
      text-align: left;
      vertical-align: top;
      padding: 0.45rem 0.8rem 0.45rem 0;
      border-top: 1px solid var(--line);
      overflow-wrap: anywhere;
    }
    thead th,
    thead td {
      border-top: 0;
    }
    tbody th {
      font-weight: 500;
      color: var(--muted);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ConflictDialog {
  protected readonly asked = inject<Asked>(MAT_DIALOG_DATA);
}

/** Asks which version is kept; null when the maker leaves it open. */
export function openConflict(injector: Injector, asked: Asked): Observable<Kept | null> {
  return injector
    .get(MatDialog)
    .open<ConflictDialog, Asked, Kept>(ConflictDialog, { data: asked })
    .afterClosed()
    .pipe(map((kept) => kept ?? null));
}
