import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatSnackBar } from '@angular/material/snack-bar';
import { SwUpdate, type VersionReadyEvent } from '@angular/service-worker';
import { filter } from 'rxjs';
import { Changes } from '../../data/changes';
import { Icon } from '../../ui/icon/icon';
import { Outbox } from '../outbox';

/** Whether the server is there, what waits for it, and what it did not take; nothing where all is well. */
@Component({
  selector: 'oc-server-state',
  imports: [Icon, MatButtonModule],
  templateUrl: './server-state.html',
  styleUrl: './server-state.scss',
  host: { class: 'no-print' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ServerState {
  protected readonly outbox = inject(Outbox);
  private readonly connected = inject(Changes).connected;
  protected readonly gone = computed(() => !this.connected());
  /** How much waits, in words. */
  protected readonly waits = computed(() => {
    const many = this.outbox.waiting().length;
    return many ? `${many} ${many === 1 ? 'entry waits' : 'entries wait'} for it on this device.` : '';
  });

  constructor() {
    const bar = inject(MatSnackBar);
    const updates = inject(SwUpdate, { optional: true });
    updates?.versionUpdates
      .pipe(filter((event): event is VersionReadyEvent => event.type === 'VERSION_READY'))
      .subscribe(() =>
        bar
          .open('The workshop was updated.', 'Load it', { duration: 0 })
          .onAction()
          .subscribe(() => location.reload()),
      );
  }
}
