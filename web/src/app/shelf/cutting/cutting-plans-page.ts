import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import { CuttingPlans } from '../../data/cutting-plans';
import { BrokenRows } from '../../ui/broken-rows/broken-rows';
import { StateNote } from '../../ui/state-note/state-note';
import { ShelfNav } from '../shelf-nav/shelf-nav';

/** Cutting plans that were kept, those with something to cut first. */
@Component({
  selector: 'oc-cutting-plans-page',
  imports: [BrokenRows, DatePipe, MatButtonModule, RouterLink, ShelfNav, StateNote],
  templateUrl: './cutting-plans-page.html',
  styleUrl: './cutting-plans-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CuttingPlansPage {
  protected readonly plans = inject(CuttingPlans);
  protected readonly failed = computed(() => {
    const state = this.plans.state();
    return state.kind === 'failed' ? state.why : null;
  });
  protected readonly rows = computed(() =>
    this.plans
      .rows()
      .map(({ id, title, parents, lines, updatedAt }) => {
        const sheets = parents.reduce((sum, one) => sum + one.sheets, 0);
        const cut = parents.reduce((sum, one) => sum + (one.done ? one.sheets : 0), 0);
        const pieces = lines.reduce((sum, one) => sum + one.count, 0);
        const said = cut === sheets ? 'all cut' : cut ? `${cut} of them cut` : 'nothing cut yet';
        return { id, title, updatedAt, open: cut < sheets, words: `${pieces} pieces from ${sheets} sheets, ${said}` };
      })
      .sort((a, b) => Number(b.open) - Number(a.open)),
  );

  constructor() {
    this.plans.refresh();
  }
}
