import { ChangeDetectionStrategy, Component } from '@angular/core';
import { MatTabsModule } from '@angular/material/tabs';
import { RouterLink, RouterLinkActive } from '@angular/router';

/** What there is to do with the shelf. */
@Component({
  selector: 'oc-shelf-nav',
  imports: [MatTabsModule, RouterLink, RouterLinkActive],
  template: `<nav mat-tab-nav-bar aria-label="Shelf" mat-stretch-tabs="false" [tabPanel]="panel">
      @for (page of pages; track page.path) {
        <a
          mat-tab-link
          [routerLink]="page.path"
          routerLinkActive
          #link="routerLinkActive"
          [routerLinkActiveOptions]="{ exact: page.exact }"
          [active]="link.isActive"
          >{{ page.name }}</a
        >
      }
    </nav>
    <mat-tab-nav-panel #panel />`,
  styles: `
    @media (max-width: 720px) {
      a.mat-mdc-tab-link {
        min-width: 0;
        padding-inline: 0.7rem;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ShelfNav {
  protected readonly pages = [
    { path: '/shelf', name: 'Papers', exact: true },
    { path: '/shelf/cutting', name: 'Cutting', exact: false },
    { path: '/shelf/shopping', name: 'Shopping list', exact: true },
    { path: '/shelf/use', name: 'Paper used', exact: true },
  ];
}
