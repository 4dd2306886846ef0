import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import type { SettingsDraft } from '@odd-corner/contract';
import { type RulerId, RULERS } from '@odd-corner/core';
import { concatMap, finalize, from, type Observable } from 'rxjs';
import { newId } from '../../data/new-id';
import { Papers } from '../../data/papers';
import { WorkshopSettings } from '../../data/workshop-settings';
import { Select } from '../../ui/select/select';
import { UndoBar } from '../../ui/undo/undo-bar';
import { usualPapers } from './usual-papers';

/** What a new workshop asks before the first fold: how it measures, and what paper it has. */
@Component({
  selector: 'oc-first-use',
  imports: [MatButtonModule, RouterLink, Select],
  template: `@if (isNew()) {
      <section class="card" aria-labelledby="measures-title">
        <h2 id="measures-title">How do you measure?</h2>
        <div class="fields">
          <oc-select
            label="Lengths"
            [choices]="units"
            [chosen]="settings.current().unit"
            (chose)="change({ unit: $event })"
          />
          <oc-select
            label="Your ruler shows"
            [choices]="rulers"
            [chosen]="settings.current().ruler"
            (chose)="change({ ruler: $event })"
          />
          <oc-select
            label="You print on"
            [choices]="pages"
            [chosen]="settings.current().page"
            (chose)="change({ page: $event })"
          />
        </div>
        <p>
          <button type="button" matButton="outlined" (click)="change({})">That’s right</button>
          <span class="muted"
            >Everything else is in the settings; <a routerLink="/settings/help">Help</a> leads to a first box.</span
          >
        </p>
      </section>
    }
    @if (isBare()) {
      <section class="card" aria-labelledby="paper-title">
        <h2 id="paper-title">What paper do you have?</h2>
        <p>With papers on the shelf, each answer says which of them gives its sheet.</p>
        <p class="acts">
          <button type="button" matButton="filled" [disabled]="adding()" (click)="addPapers()">
            Put some common papers there
          </button>
          <a matButton="outlined" routerLink="/shelf">Add my own</a>
        </p>
      </section>
    }`,
  styles: `
    :host {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(min(100%, 24rem), 1fr));
      gap: 1rem;
    }
    section {
      display: grid;
      gap: 0.7rem;
      align-content: start;
    }
    h2 {
      font-size: 1.1rem;
    }
    .fields {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(9rem, 1fr));
      gap: 0.7rem;
    }
    .acts {
      display: flex;
      flex-wrap: wrap;
      gap: 0.6rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FirstUse {
  protected readonly settings = inject(WorkshopSettings);
  private readonly papers = inject(Papers);
  private readonly undo = inject(UndoBar);
  protected readonly adding = signal(false);
  /** Nobody has said yet how the workshop measures. */
  protected readonly isNew = computed(() => this.settings.known() && this.settings.current().version === 1);
  protected readonly isBare = computed(() => this.papers.state().kind === 'ready' && !this.papers.rows().length);
  protected readonly units = [
    { id: 'mm', name: 'millimetres' },
    { id: 'cm', name: 'centimetres' },
    { id: 'in', name: 'inches' },
  ] as const;
  protected readonly rulers = (Object.keys(RULERS) as RulerId[]).map((id) => ({ id, name: RULERS[id].name }));
  protected readonly pages = [
    { id: 'A4', name: 'A4' },
    { id: 'Letter', name: 'Letter' },
  ] as const;

  protected change(next: Partial<SettingsDraft>): void {
    this.run(this.settings.change(next));
  }

  protected addPapers(): void {
    this.adding.set(true);
    this.run(
      from(usualPapers(this.settings.current().page)).pipe(
        concatMap((paper) => this.papers.add({ ...paper, id: newId() })),
        finalize(() => this.adding.set(false)),
      ),
    );
  }

  private run(work: Observable<unknown>): void {
    work.subscribe({ error: (error: unknown) => this.undo.failed(error) });
  }
}
