import { ChangeDetectionStrategy, Component, inject, type Injector, signal } from '@angular/core';
import { FormGroup, ReactiveFormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialog, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { type Access, signingIn } from '@odd-corner/contract';
import { finalize, type Observable } from 'rxjs';
import { ApiFailure, failureText } from '../data/api';
import { controlOf, faultOf, land, mayBeSent } from '../ui/forms/schema-form';

/** What gives a passphrase to the server. */
type SignsIn = (passphrase: string) => Observable<Access>;

/** Asks for the passphrase of the workshop; nothing of it is seen before. */
@Component({
  imports: [MatButtonModule, MatDialogModule, MatFormFieldModule, MatInputModule, ReactiveFormsModule],
  templateUrl: './sign-in.html',
  styleUrl: './sign-in.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
class SignIn {
  private readonly signIn = inject<SignsIn>(MAT_DIALOG_DATA);
  private readonly dialog = inject(MatDialogRef<SignIn, Access>);
  protected readonly form = new FormGroup({ passphrase: controlOf(signingIn.shape.passphrase, '') });
  protected readonly sending = signal(false);
  /** What went wrong, beneath the field. */
  protected readonly wrong = signal<string | null>(null);
  protected readonly faultOf = faultOf;

  protected send(): void {
    const { passphrase } = this.form.getRawValue();
    if (!mayBeSent(this.form) || passphrase === null || this.sending()) return;
    this.sending.set(true);
    this.wrong.set(null);
    this.signIn(passphrase)
      .pipe(finalize(() => this.sending.set(false)))
      .subscribe({
        next: (access) => this.dialog.close(access),
        error: (error: unknown) => {
          if (!(error instanceof ApiFailure && error.issues.length && !land(this.form, error.issues).length))
            this.wrong.set(failureText(error));
        },
      });
  }
}

/** Asks until it is right. */
export const askForPassphrase = (injector: Injector, signIn: SignsIn): Observable<Access | undefined> =>
  injector
    .get(MatDialog)

    .open<SignIn, SignsIn, Access>(SignIn, {
      data: signIn,
      disableClose: true,
      maxWidth: '26rem',
      backdropClass: 'shut',
    })
    .afterClosed();
