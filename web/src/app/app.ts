import { ChangeDetectionStrategy, Component, effect, inject } from '@angular/core';
import { MatListModule } from '@angular/material/list';
import { type IsActiveMatchOptions, RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { Changes } from './data/changes';
import { Session } from './data/session';
import { WorkshopSettings } from './data/workshop-settings';
import { ServerState } from './offline/server-state/server-state';
import { Icon } from './ui/icon/icon';

const THE_PLACE_ITSELF: IsActiveMatchOptions = {
  paths: 'exact',
  queryParams: 'ignored',
  fragment: 'ignored',
  matrixParams: 'ignored',
};
const WITHIN: IsActiveMatchOptions = { ...THE_PLACE_ITSELF, paths: 'subset' };

/** The frame round every place: five places and the settings, always within reach. */
@Component({
  selector: 'oc-root',
  imports: [Icon, MatListModule, RouterLink, RouterLinkActive, RouterOutlet, ServerState],
  templateUrl: './app.html',
  styleUrl: './app.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class App {
  private readonly settings = inject(WorkshopSettings);

  protected readonly places = [
    { path: '/', name: 'Start', icon: 'straighten', match: THE_PLACE_ITSELF, foot: false },
    { path: '/jobs', name: 'Jobs', icon: 'note_stack', match: WITHIN, foot: false },
    { path: '/shelf', name: 'Shelf', icon: 'shelves', match: WITHIN, foot: false },
    { path: '/forms', name: 'Forms', icon: 'deployed_code', match: WITHIN, foot: false },
    { path: '/logbook', name: 'Logbook', icon: 'menu_book', match: WITHIN, foot: false },
    { path: '/settings', name: 'Settings', icon: 'settings', match: WITHIN, foot: true },
  ] as const;

  constructor() {
    const session = inject(Session);
    const changes = inject(Changes);
    session.read();
    effect(() => session.inside() && changes.begin());
    effect(() => {
      const { dataset } = document.documentElement;
      dataset['scheme'] = this.settings.current().scheme;
      dataset['role'] = session.access().role ?? 'nobody';
    });
  }
}
