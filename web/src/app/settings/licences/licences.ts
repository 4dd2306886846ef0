import { HttpClient } from '@angular/common/http';
import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MatExpansionModule } from '@angular/material/expansion';
import * as z from 'zod';
import { failureText } from '../../data/api';
import { StateNote } from '../../ui/state-note/state-note';

/** What the build writes down of each package. */
const shipped = z.array(z.object({ name: z.string(), version: z.string(), licence: z.string(), text: z.string() }));

/** What others made that this application ships, with the licences they made it under. */
@Component({
  selector: 'oc-licences',
  imports: [MatExpansionModule, StateNote],
  template: `<div class="page">
    <h1>Licences</h1>
    <p class="lead">Odd Corner is built with the work of others. This is what comes with it, and under which terms.</p>
    @if (known(); as packages) {
      <mat-accordion>
        @for (one of packages; track one.name + one.version) {
          <mat-expansion-panel class="mat-elevation-z0">
            <mat-expansion-panel-header>
              <mat-panel-title>{{ one.name }} {{ one.version }}</mat-panel-title>
              <mat-panel-description>{{ one.licence }}</mat-panel-description>
            </mat-expansion-panel-header>
            <ng-template matExpansionPanelContent>
              <pre tabindex="0">{{ one.text || 'No licence text came with it.' }}</pre>
            </ng-template>
          </mat-expansion-panel>
        }
      </mat-accordion>
    } @else {
      <oc-state-note [why]="why()" (again)="read()" />
    }
  </div>`,
  styles: `
    /* Names of packages may take two lines on a phone. */
    mat-expansion-panel-header {
      height: auto;
      min-height: 48px;
      padding-block: 0.4rem;
    }
    mat-panel-title {
      flex-basis: 70%;
      overflow-wrap: anywhere;
    }
    mat-panel-description {
      flex-grow: 1;
    }
    pre {
      white-space: pre-wrap;
      font-size: 0.86rem;
      overflow-wrap: anywhere;
      max-height: 24rem;
      overflow-y: auto;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Licences {
  private readonly http = inject(HttpClient);
  protected readonly known = signal<z.infer<typeof shipped> | null>(null);
  protected readonly why = signal<string | null>(null);

  constructor() {
    this.read();
  }

  protected read(): void {
    this.why.set(null);
    this.http.get('/licences.json').subscribe({
      next: (raw) => this.known.set(shipped.parse(raw)),
      error: (error: unknown) => this.why.set(failureText(error)),
    });
  }
}
