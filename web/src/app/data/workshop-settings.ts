import { inject, Injectable, signal } from '@angular/core';
import { type Settings, type SettingsDraft, USUAL_SETTINGS } from '@odd-corner/contract';
import { type Observable, tap } from 'rxjs';
import { Conflicts, type Fact } from '../ui/conflicts/conflicts';
import { Api } from './api';
import { whenChanged } from './changes';

const UNTIL_KNOWN: Settings = { ...USUAL_SETTINGS, version: 1 };

/** What each setting is called on its page. */
export const SETTING_NAMES: Readonly<Record<keyof SettingsDraft, string>> = {
  unit: 'Lengths are shown in',
  mass: 'Weights are shown in',
  volume: 'Volumes are shown in',
  decimal: 'Decimal mark',
  currency: 'Prices are in',
  page: 'You print on',
  ruler: 'Your ruler shows',
  ease: 'Room left around contents, as a rule',
  hand: 'Your hand is',
  school: 'You find marks',
  learning: 'Answers follow the logbook',
  scheme: 'Colours',
};

/** How this workshop likes to see and measure; read once at the start. */
@Injectable({ providedIn: 'root' })
export class WorkshopSettings {
  private readonly api = inject(Api);
  private readonly conflicts = inject(Conflicts);
  private readonly held = signal<Settings>(UNTIL_KNOWN);
  readonly current = this.held.asReadonly();
  /** False until the server has answered once. */
  readonly known = signal(false);

  constructor() {
    whenChanged('settings', () => this.read());
    this.read();
  }

  read(): void {
    this.api.call('settings').subscribe({
      next: (settings) => {
        this.held.set(settings);
        this.known.set(true);
      },
      error: () => this.known.set(true),
    });
  }

  /** Changes what is named and leaves the rest as it stands, also where somebody else has changed it meanwhile. */
  change(next: Partial<SettingsDraft>): Observable<Settings> {
    const facts = (row: Settings): Fact[] =>
      (Object.keys(next) as (keyof SettingsDraft)[]).map((key) => ({ name: SETTING_NAMES[key], text: row[key] }));
    return this.conflicts
      .write<Settings>({
        ...{ title: 'Settings', seen: this.current(), mine: facts({ ...this.current(), ...next }), facts },
        put: (seen) => this.api.call('changeSettings', { body: { ...seen, ...next } }),
      })
      .pipe(tap((settings) => this.held.set(settings)));
  }
}
