import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, type MatDialog, MatDialogModule } from '@angular/material/dialog';
import type { Observable } from 'rxjs';
import { DrawingView } from '../../ui/drawing-view/drawing-view';
import type { PaperColours } from '../../ui/drawing-view/paper-colours';
import { Troubles } from '../../ui/troubles/troubles';
import { Folding } from '../../workers/folding.service';
import type { FormStepsAsked } from '../../workers/marked-piece';

/** The step at which the paper looks different. */
export interface LooksDifferentAsked {
  readonly asked: FormStepsAsked;
  readonly index: number;
  readonly colours: PaperColours;
}

/** What the paper in the hand is compared with: the states before, and those that the usual slips of the step lead to. */
@Component({
  selector: 'oc-looks-different',
  imports: [DrawingView, MatButtonModule, MatDialogModule],
  templateUrl: './looks-different.html',
  styleUrl: './looks-different.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LooksDifferent {
  protected readonly at = inject<LooksDifferentAsked>(MAT_DIALOG_DATA);
  protected readonly shown = toSignal(
    inject(Folding).statesAround(this.at.asked, this.at.index).pipe(inject(Troubles).retrying()),
    { initialValue: null },
  );
}

/** Opens it; what comes is the step that the maker goes back to, or nothing. */
export const compareStates = (dialog: MatDialog, asked: LooksDifferentAsked): Observable<number | undefined> =>
  dialog
    .open<LooksDifferent, LooksDifferentAsked, number>(LooksDifferent, {
      data: asked,
      width: '62rem',
      maxWidth: '96vw',
    })
    .afterClosed();
