import { ChangeDetectionStrategy, Component, effect, inject } from '@angular/core';
import { RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { WorkshopSettings } from './data/workshop-settings';
import { Icon } from './ui/icon/icon';

/** The frame round every place: five places and the settings, always within reach. */
@Component({
  selector: 'oc-root',
  imports: [RouterOutlet, RouterLink, RouterLinkActive, Icon],
  templateUrl: './app.html',
  styleUrl: './app.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class App {
  private readonly settings = inject(WorkshopSettings);

  protected readonly places = [
    { path: '/', name: 'Start', icon: 'straighten', exact: true },
    { path: '/jobs', name: 'Jobs', icon: 'note_stack', exact: false },
    { path: '/shelf', name: 'Shelf', icon: 'shelves', exact: false },
    { path: '/forms', name: 'Forms', icon: 'deployed_code', exact: false },
    { path: '/logbook', name: 'Logbook', icon: 'menu_book', exact: false },
  ] as const;

  constructor() {
    effect(() => {
      document.documentElement.dataset['scheme'] = this.settings.current().scheme;
    });
  }
}
