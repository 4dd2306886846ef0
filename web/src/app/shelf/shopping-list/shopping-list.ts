import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { freeOf, shoppingList } from '@odd-corner/contract';
import { Jobs } from '../../data/jobs';
import { Papers } from '../../data/papers';
import { Figures } from '../../ui/figures/figures';
import { StateNote } from '../../ui/state-note/state-note';
import { PlainTable } from '../../ui/plain-table/plain-table';
import { ShelfNav } from '../shelf-nav/shelf-nav';

/** What planned jobs lack and what runs low, to be printed and taken along. */
@Component({
  selector: 'oc-shopping-list',
  imports: [MatButtonModule, PlainTable, ShelfNav, StateNote],
  templateUrl: './shopping-list.html',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ShoppingList {
  private readonly papers = inject(Papers);
  private readonly jobs = inject(Jobs);
  private readonly figures = inject(Figures);
  protected readonly columns = [
    { key: 'buy', name: 'Buy' },
    { key: 'paper', name: 'Paper' },
    { key: 'size', name: 'Size' },
    { key: 'free', name: 'Free now' },
    { key: 'why', name: 'For' },
  ];

  protected readonly known = computed(() => this.papers.state().kind === 'ready' && this.jobs.state().kind === 'ready');
  protected readonly failed = computed(() => {
    const state = [this.papers.state(), this.jobs.state()].find(({ kind }) => kind === 'failed');
    return state?.kind === 'failed' ? state.why : null;
  });
  protected readonly rows = computed(() =>
    shoppingList(this.jobs.rows(), this.papers.rows()).map(({ paper, lacking, low, jobs }) => {
      const { name, widthMm, heightMm, kind, gsm, price } = paper;
      const packs = price ? Math.ceil(Math.max(1, lacking) / price.sheets) : 0;
      const buy = lacking ? `${lacking} ${lacking === 1 ? 'sheet' : 'sheets'}` : 'more of it';
      return {
        buy: {
          text: !lacking && price ? `a pack of ${price.sheets}` : buy,
          small: price ? `${packs > 1 ? `${packs} × ` : ''}${this.figures.money(price)}` : '',
        },
        paper: { text: name, small: `${kind}, ${this.figures.mark(`${Number(gsm.toFixed(1))} g/m²`)}` },
        size: this.figures.sizes([widthMm, heightMm]),
        free: `${Math.max(0, freeOf(paper))}`,
        why: [...jobs, ...(low ? [`running low, mark ${paper.lowMark}`] : [])].join(', '),
      };
    }),
  );

  constructor() {
    this.read();
  }

  protected read(): void {
    this.papers.refresh();
    this.jobs.refresh();
  }

  protected print(): void {
    window.print();
  }
}
