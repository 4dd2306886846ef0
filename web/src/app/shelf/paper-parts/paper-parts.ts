import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormControl } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import {
  caliperOf,
  type PartOfSheet,
  partsOf,
  type SheetSize,
  squareOf,
  type Squaring,
  stripsOf,
} from '@odd-corner/core';
import { of, startWith, switchMap } from 'rxjs';
import { Papers } from '../../data/papers';
import { SheetHolds } from '../../start/sheet-holds/sheet-holds';
import { CautionNote } from '../../ui/caution/caution';
import { DrawingView } from '../../ui/drawing-view/drawing-view';
import { coloursOf } from '../../ui/drawing-view/paper-colours';
import { Codecs } from '../../ui/field/codecs';
import { Field } from '../../ui/field/field';
import { FigurePipe } from '../../ui/figures/figure-pipes';
import { Figures } from '../../ui/figures/figures';
import { Icon } from '../../ui/icon/icon';
import { NotHere } from '../../ui/not-here/not-here';
import { Segments } from '../../ui/segments/segments';
import { Folding } from '../../workers/folding.service';
import type { ShownStep } from '../../workers/folding-tasks';
import { PlainTable } from '../../ui/plain-table/plain-table';
import { ShelfNav } from '../shelf-nav/shelf-nav';

const NAMES: ReadonlyMap<string, string> = new Map([
  ['square', 'Largest square'],
  ['halves', 'Halves'],
  ['quarters', 'Quarters'],
  ['strips across', 'Strips across the sheet'],
  ['strips along', 'Strips along the sheet'],
]);

const WAYS = [
  { id: 'diagonal', label: 'By folding' },
  { id: 'measured', label: 'By measuring' },
] as const;

const USUAL_STRIP_MM = 30;

/** What one sheet of a paper gives without a plan: its largest square with the steps to it, halves, quarters, proportions, strips. */
@Component({
  selector: 'oc-paper-parts',
  imports: [
    CautionNote,
    DrawingView,
    Field,
    FigurePipe,
    Icon,
    MatButtonModule,
    PlainTable,
    NotHere,
    RouterLink,
    Segments,
    SheetHolds,
    ShelfNav,
  ],
  templateUrl: './paper-parts.html',
  styleUrl: './paper-parts.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PaperParts {
  readonly id = input.required<string>();
  private readonly papers = inject(Papers);
  private readonly folding = inject(Folding);
  private readonly figures = inject(Figures);
  private readonly codecs = inject(Codecs);

  protected readonly known = computed(() => this.papers.state().kind === 'ready');
  protected readonly paper = computed(() => this.papers.rows().find(({ id }) => id === this.id()) ?? null);
  /** What can be cut from: the sheet without its margins. */
  protected readonly sheet = computed((): SheetSize | null => {
    const paper = this.paper();
    if (!paper) return null;
    const { widthMm, heightMm, marginsMm } = paper;
    return { widthMm: widthMm - 2 * marginsMm, heightMm: heightMm - 2 * marginsMm };
  });
  protected readonly colours = computed(() => coloursOf(this.paper()));
  protected readonly thicknessMm = computed(() => {
    const paper = this.paper();
    return paper ? caliperOf(paper) : 0.1;
  });
  protected readonly ways = WAYS;
  protected readonly way = signal<Squaring>('diagonal');
  protected readonly strip = new FormControl<number | null>(USUAL_STRIP_MM);
  protected readonly length = computed(() => this.codecs.length());
  private readonly stripMm = toSignal(this.strip.valueChanges.pipe(startWith(USUAL_STRIP_MM)), {
    initialValue: USUAL_STRIP_MM,
  });

  protected readonly square = computed(() => {
    const sheet = this.sheet();
    return sheet && squareOf(sheet);
  });
  protected readonly rows = computed(() => {
    const sheet = this.sheet();
    if (!sheet) return [];
    const mm = this.stripMm();
    const strips = mm && mm > 0 ? [stripsOf(sheet, mm, 'across'), stripsOf(sheet, mm, 'along')] : [];
    return [...partsOf(sheet), ...strips.filter((one): one is PartOfSheet => one !== null)].map(
      ({ id, count, size, rest }) => ({
        name: NAMES.get(id) ?? `Largest ${id}`,
        gives: `${count} × ${this.figures.sizes([size.widthMm, size.heightMm])}`,
        rest: rest ? this.figures.sizes([rest.widthMm, rest.heightMm]) : 'nothing',
      }),
    );
  });
  protected readonly columns = [
    { key: 'name', name: 'Part' },
    { key: 'gives', name: 'One sheet gives' },
    { key: 'rest', name: 'Left in one piece' },
  ];
  private readonly asked = computed(() => {
    const [sheet, square] = [this.sheet(), this.square()];
    return sheet && square?.rest ? { sheet, how: this.way() } : null;
  });
  protected readonly steps = toSignal(
    toObservable(this.asked).pipe(
      switchMap((asked) => (asked ? this.folding.squaring(asked.sheet, asked.how, {}) : of<readonly ShownStep[]>([]))),
    ),
    { initialValue: [] as readonly ShownStep[] },
  );

  constructor() {
    this.papers.refresh();
  }

  protected sized({ widthMm, heightMm }: SheetSize): string {
    return this.figures.sizes([widthMm, heightMm]);
  }

  protected choose(way: string): void {
    this.way.set(way === 'measured' ? 'measured' : 'diagonal');
  }
}
