import { ChangeDetectionStrategy, Component, computed, inject, output, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormControl } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { MatMenuModule } from '@angular/material/menu';
import { MatSortModule, type Sort } from '@angular/material/sort';
import { MatTableModule } from '@angular/material/table';
import { MatTooltipModule } from '@angular/material/tooltip';
import { RouterLink } from '@angular/router';
import { freeOf, isLow, type Paper, type PaperDraft, paperDraft } from '@odd-corner/contract';
import { caliperOf, caliperSpread } from '@odd-corner/core';
import { Papers } from '../../data/papers';
import { EditCell } from '../../ui/edit-cell/edit-cell';
import { Codecs } from '../../ui/field/codecs';
import { Field } from '../../ui/field/field';
import { Figures } from '../../ui/figures/figures';
import { SizesPipe } from '../../ui/figures/sizes-pipe';
import { Icon } from '../../ui/icon/icon';
import { Select } from '../../ui/select/select';
import { UndoBar } from '../../ui/undo/undo-bar';

/** Which papers are shown. */
const SHOWN = [
  { id: 'all', name: 'All papers' },
  { id: 'sheets', name: 'Whole sheets' },
  { id: 'offcuts', name: 'Offcuts' },
  { id: 'low', name: 'Running low' },
] as const;

type ShownId = (typeof SHOWN)[number]['id'];

const KEEPS: Readonly<Record<ShownId, (paper: Paper) => boolean>> = {
  all: () => true,
  sheets: ({ offcut }) => !offcut,
  offcuts: ({ offcut }) => offcut,
  low: isLow,
};

/** What a column is sorted by. */
const SORTED: Readonly<Record<string, (paper: Paper) => string | number>> = {
  name: ({ name }) => name.toLocaleLowerCase('en'),
  size: ({ widthMm, heightMm }) => widthMm * heightMm,
  kind: ({ kind, gsm }) => `${kind} ${String(gsm).padStart(5, '0')}`,
  thickness: caliperOf,
  count: ({ count }) => count,
  price: ({ price }) => (price ? price.minor / price.sheets : -1),
  place: ({ place }) => place.toLocaleLowerCase('en'),
};

/** The papers of the shelf: found by words, sorted by any column, edited where they stand. */
@Component({
  selector: 'oc-paper-table',
  imports: [
    EditCell,
    Field,
    Icon,
    MatButtonModule,
    MatMenuModule,
    MatSortModule,
    MatTableModule,
    MatTooltipModule,
    RouterLink,
    Select,
    SizesPipe,
  ],
  templateUrl: './paper-table.html',
  styleUrl: './paper-table.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PaperTable {
  readonly edited = output<Paper>();
  protected readonly papers = inject(Papers);
  private readonly undo = inject(UndoBar);
  private readonly figures = inject(Figures);
  private readonly codecs = inject(Codecs);
  protected readonly schemas = paperDraft.shape;
  protected readonly whole = computed(() => this.codecs.number('Count whole sheets, 0 or more.'));

  protected readonly columns = ['name', 'size', 'kind', 'thickness', 'count', 'price', 'place', 'low', 'acts'];
  protected readonly kinds = SHOWN;
  protected readonly kind = signal<ShownId>('all');
  protected readonly words = new FormControl('');
  private readonly typed = toSignal(this.words.valueChanges, { initialValue: '' });
  protected readonly sort = signal<Sort>({ active: 'name', direction: 'asc' });

  protected readonly rows = computed(() => {
    const wanted = (this.typed() ?? '').toLocaleLowerCase('en').split(/\s+/).filter(Boolean);
    const { active, direction } = this.sort();
    const by = SORTED[active] ?? SORTED['name'];
    const down = direction === 'desc' ? -1 : 1;
    return this.papers
      .rows()
      .filter(KEEPS[this.kind()])
      .filter((paper) => {
        const said = `${paper.name} ${paper.kind} ${paper.place} ${paper.gsm} ${paper.offcut ? 'offcut' : ''}`;
        return wanted.every((word) => said.toLocaleLowerCase('en').includes(word));
      })
      .sort((a, b) => {
        const [p, q] = [by(a), by(b)];
        const order = typeof p === 'string' && typeof q === 'string' ? p.localeCompare(q) : Number(p) - Number(q);
        return down * order || a.name.localeCompare(b.name);
      });
  });

  /** Rows stay where others change the list: what is being written in one of them stays too. */
  protected readonly idOf = (_: number, { id }: Paper): string => id;
  protected isLow = isLow;
  protected readonly free = freeOf;

  protected weightOf({ gsm }: Paper): string {
    return this.figures.mark(`${Number(gsm.toFixed(1))} g/m²`);
  }

  protected thickness(paper: Paper): string {
    return `${this.figures.fixed(caliperOf(paper), 2)} mm`;
  }

  /** How far that may be off. */
  protected spread(paper: Paper): string {
    const spread = this.figures.mark(`± ${Number(caliperSpread(paper).toFixed(3))}`);
    return paper.caliperMm === null ? `${spread}, estimated` : spread;
  }

  /** What so many sheets cost, as it was written down. */
  protected costOf({ price }: Paper): string {
    return price ? `${this.figures.money(price)} for ${this.figures.count(price.sheets)}` : '';
  }

  /** Changes one thing of a paper, and can take that back. */
  protected change(paper: Paper, change: Partial<PaperDraft>, said: string): void {
    const draft = draftOf(paper);
    this.papers.change(paper, { ...draft, ...change }).subscribe({
      next: (now) =>
        this.undo.done(said, () => this.papers.change(now, { ...draftOf(now), ...pick(draft, change) }), 'As it was.'),
      error: (error: unknown) => this.undo.failed(error),
    });
  }

  protected count(paper: Paper, count: number | null): void {
    if (count !== null) this.change(paper, { count }, `“${paper.name}”: ${count} ${count === 1 ? 'sheet' : 'sheets'}.`);
  }

  protected remove({ id, name }: Paper): void {
    this.papers.remove(id).subscribe({
      next: () => this.undo.done(`“${name}” is off the shelf.`, () => this.papers.restore(id)),
      error: (error: unknown) => this.undo.failed(error),
    });
  }
}

function draftOf({ id: _, version: __, reserved: ___, ...draft }: Paper): PaperDraft {
  return draft;
}

/** What was there in the places that changed. */
const pick = (draft: PaperDraft, change: Partial<PaperDraft>): Partial<PaperDraft> =>
  Object.fromEntries(Object.keys(change).map((key) => [key, draft[key as keyof PaperDraft]]));
