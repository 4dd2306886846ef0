import { ChangeDetectionStrategy, Component } from '@angular/core';
import { MatDialogModule } from '@angular/material/dialog';
import { MatButtonModule } from '@angular/material/button';
import { TABLE_KEYS } from '../../fold/table-keys';

/** What lines and arrows mean, and what the keys do: in a dialog. */
@Component({
  selector: 'oc-legend',
  imports: [MatButtonModule, MatDialogModule],
  templateUrl: './legend.html',
  styleUrl: './legend.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Legend {
  protected readonly keys = TABLE_KEYS;
  protected readonly lines = [
    { kind: 'valley', words: 'Valley: fold towards you' },
    { kind: 'mountain', words: 'Mountain: fold away from you' },
    { kind: 'crease', words: 'A crease from before' },
    { kind: 'raw', words: 'Raw edge of the sheet' },
    { kind: 'folded', words: 'Folded edge' },
    { kind: 'hidden', words: 'Edge below other layers' },
  ] as const;
  protected readonly arrows = [
    { kind: 'fold', words: 'Fold, lift or tuck to there' },
    { kind: 'fold-and-unfold', words: 'Fold, crease, and open again' },
    { kind: 'fold-behind', words: 'Fold over the edge, behind' },
    { kind: 'push-in', words: 'Push in' },
    { kind: 'pull-out', words: 'Pull out' },
    { kind: 'rotate', words: 'Turn or open the paper' },
    { kind: 'turn-over', words: 'Turn the paper over' },
  ] as const;
}
