import { ChangeDetectionStrategy, Component } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { RouterLink } from '@angular/router';

@Component({
  selector: 'oc-not-here',
  imports: [MatButtonModule, RouterLink],
  template: `<div class="page">
    <h1>Nothing lies here</h1>
    <p class="lead">This address belongs to no page. The job may have been removed, or a letter is missing.</p>
    <p><a matButton="filled" routerLink="/">To the start</a></p>
  </div>`,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class NotHere {}
