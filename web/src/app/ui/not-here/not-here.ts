import { ChangeDetectionStrategy, Component } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { RouterLink } from '@angular/router';

@Component({
  selector: 'oc-not-here',
  imports: [MatButtonModule, RouterLink],
  template: `<div class="page">
    <h1>Nothing here</h1>
    <p class="lead">No page has this address. The job may have been removed, or the address mistyped.</p>
    <p><a matButton="filled" routerLink="/">To the start</a></p>
  </div>`,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class NotHere {}
