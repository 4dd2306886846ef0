import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { catchError, of } from 'rxjs';
import { encode } from 'uqr';
import { Api } from '../../data/api';
import { Session } from '../../data/session';
import { canWorkOffline } from '../../offline/can-work-offline';

/** Dark squares of a code as one path, each a unit wide. */
function pathOf(data: readonly (readonly boolean[])[]): string {
  return data.flatMap((row, y) => row.flatMap((dark, x) => (dark ? [`M${x} ${y}h1v1h-1z`] : []))).join('');
}

/** How a phone opens this workshop, and who is signed in on this device. */
@Component({
  selector: 'oc-open-elsewhere',
  imports: [MatButtonModule],
  templateUrl: './open-elsewhere.html',
  styleUrl: './open-elsewhere.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class OpenElsewhere {
  protected readonly session = inject(Session);
  protected readonly offline = canWorkOffline();
  private readonly answer = toSignal(
    inject(Api)
      .call('placesToOpen')
      .pipe(catchError(() => of(null))),
    { initialValue: null },
  );
  protected readonly encrypted = computed(() => this.answer()?.encrypted ?? false);
  protected readonly places = computed(() =>
    (this.answer()?.addresses ?? []).map((address) => {
      const { data, size } = encode(address, { border: 2 });
      return { address, size, path: pathOf(data) };
    }),
  );
}
