import { HttpClient } from '@angular/common/http';
import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import { failureText } from '../../data/api';
import { StateNote } from '../../ui/state-note/state-note';

/** The page of help, as docs/making.md has it: the build writes it beside the application. */
@Component({
  selector: 'oc-help-page',
  imports: [MatButtonModule, RouterLink, StateNote],
  template: `<div class="page">
    @if (text(); as html) {
      <article class="text" [innerHTML]="html"></article>
      <p><a matButton="filled" routerLink="/">Start</a></p>
    } @else {
      <oc-state-note [why]="why()" (again)="read()" />
    }
  </div>`,
  styleUrl: './help-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HelpPage {
  private readonly http = inject(HttpClient);
  protected readonly text = signal<string | null>(null);
  protected readonly why = signal<string | null>(null);

  constructor() {
    this.read();
  }

  protected read(): void {
    this.why.set(null);
    this.http.get('/help.html', { responseType: 'text' }).subscribe({
      next: (html) => this.text.set(html),
      error: (error: unknown) => this.why.set(failureText(error)),
    });
  }
}
