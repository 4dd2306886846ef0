import { inject, Injectable, signal } from '@angular/core';
import type { Settings, SettingsDraft } from '@odd-corner/contract';
import { type Observable, tap } from 'rxjs';
import { Api } from './api';

const UNTIL_KNOWN: Settings = {
  ...{ unit: 'mm', ruler: 'mm', ease: 'easy', hand: 'practised', scheme: 'system' },
  version: 1,
};

/** How this workshop likes to see and measure; read once at the start. */
@Injectable({ providedIn: 'root' })
export class WorkshopSettings {
  private readonly api = inject(Api);
  private readonly held = signal<Settings>(UNTIL_KNOWN);
  readonly current = this.held.asReadonly();
  /** False until the server has answered once. */
  readonly known = signal(false);

  constructor() {
    this.api.call('settings').subscribe({
      next: (settings) => {
        this.held.set(settings);
        this.known.set(true);
      },
      error: () => this.known.set(true),
    });
  }

  change(next: Partial<SettingsDraft>): Observable<Settings> {
    return this.api
      .call('changeSettings', { body: { ...this.current(), ...next } })
      .pipe(tap((settings) => this.held.set(settings)));
  }
}
