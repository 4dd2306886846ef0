import { DatePipe } from '@angular/common';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  Injector,
  signal,
  viewChild,
} from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormControl } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { MatExpansionModule } from '@angular/material/expansion';
import { MatSort, MatSortModule } from '@angular/material/sort';
import { MatTableDataSource, MatTableModule } from '@angular/material/table';
import { RouterLink } from '@angular/router';
import { type LogAsked, type LogEntry, logTable } from '@odd-corner/contract';
import { deviationsWithin, SHELF } from '@odd-corner/core';
import { debounceTime, finalize, switchMap } from 'rxjs';
import { Api } from '../data/api';
import { Hands } from '../data/hands';
import { Logbook } from '../data/logbook';
import { Papers } from '../data/papers';
import { JobStarter } from '../job/job-starter';
import { BrokenRows } from '../ui/broken-rows/broken-rows';
import { Field } from '../ui/field/field';
import { FigurePipe, LengthPipe } from '../ui/figures/figure-pipes';
import { Figures } from '../ui/figures/figures';
import { type Choice, Select } from '../ui/select/select';
import { saveFile } from '../ui/save-file';
import { StateNote } from '../ui/state-note/state-note';
import { writeTable } from '../ui/table-file';
import { UndoBar } from '../ui/undo/undo-bar';
import { DeviationChart } from './deviation-chart';
import { formName, type LogRow, papersOf, rowOf, sizeLabel, thingOf } from './log-rows';

/** A search waits until typing rests, in ms. */
const REST_MS = 200;
/** So many forms on papers are summed up at once; the others when they are asked for. */
const MOST_CARDS = 4;
const DAY_MS = 86_400_000;

const FITS = { well: 'fits well', tight: 'fits tightly', loose: 'fits loosely', no: 'does not fit' } as const;

const TIMES: readonly Choice<number | null>[] = [
  { id: null, name: 'at any time' },
  { id: 30, name: 'in the last 30 days' },
  { id: 365, name: 'in the last year' },
];

/** What a column is sorted by; what is not known comes before everything. */
function sortedBy({ entry, sizes }: LogRow, column: string): string | number {
  if (column === 'piece') return entry.foldedAt;
  if (column === 'sheets') return entry.make.entries[0].sheet.widthMm;
  if (column === 'minutes') return entry.minutes ?? -Infinity;
  return sizes.length ? Math.max(...sizes.map(({ offMm }) => Math.abs(offMm))) : -Infinity;
}

/** Made things as predicted and as measured, and how far they lie apart for each form on each paper. */
@Component({
  selector: 'oc-logbook-page',
  imports: [
    BrokenRows,
    DatePipe,
    DeviationChart,
    Field,
    FigurePipe,
    LengthPipe,
    MatButtonModule,
    MatExpansionModule,
    MatSortModule,
    MatTableModule,
    RouterLink,
    Select,
    StateNote,
  ],
  templateUrl: './logbook-page.html',
  styleUrl: './logbook-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LogbookPage {
  protected readonly logbook = inject(Logbook);
  protected readonly list = this.logbook.list;
  private readonly papers = inject(Papers);
  private readonly api = inject(Api);
  private readonly hands = inject(Hands);
  private readonly undo = inject(UndoBar);
  private readonly injector = inject(Injector);
  protected readonly starter = inject(JobStarter);
  private readonly figures = inject(Figures);
  protected readonly columns = ['piece', 'sheets', 'sizes', 'minutes', 'acts'];
  protected readonly rows = new MatTableDataSource<LogRow>();
  private readonly sort = viewChild(MatSort);

  protected readonly words = new FormControl('');
  private readonly typed = toSignal(this.words.valueChanges.pipe(debounceTime(REST_MS)), { initialValue: '' });
  protected readonly formId = signal<string | null>(null);
  protected readonly paper = signal<string | null>(null);
  protected readonly handId = signal<string | null>(null);
  protected readonly days = signal<number | null>(null);
  protected readonly times = TIMES;
  protected readonly formChoices = choices('any form', new Map(SHELF.forms.map(({ id, name }) => [id, name])));
  protected readonly paperChoices = computed(() =>
    choices('any paper', new Map(this.papers.rows().map(({ id, name }) => [id, name]))),
  );
  private readonly handNames = computed(() => new Map(this.hands.rows().map(({ id, name }) => [id, name])));
  protected readonly handChoices = computed(() => choices('anybody', this.handNames()));
  private readonly query = computed((): LogAsked => {
    const days = this.days();
    const search = this.typed()?.trim();
    return {
      ...(search && { search }),
      form: this.formId() ?? undefined,
      paper: this.paper() ?? undefined,
      hand: this.handId() ?? undefined,
      from: days === null ? undefined : new Date(Date.now() - days * DAY_MS).toISOString(),
    };
  });
  protected readonly narrowed = computed(() => Object.values(this.query()).some((value) => value !== undefined));
  /** The entries that are read so far, the newest first. */
  protected readonly found = computed(() => this.list.rows().map(rowOf));
  /** How forms come out of papers, those measured most first. */
  protected readonly groups = computed(() => {
    const found = this.found();
    return deviationsWithin(found.map(({ entry }) => thingOf(entry))).map(({ formId, paper, count, sizes }) => {
      const { entry } = found.find((row) => row.entry.make.formId === formId)!;
      return {
        ...{
          count,
          key: `${formId} ${paper}`,
          title: formName(formId),
          paper: paper ?? 'paper that is not on the shelf',
        },
        sizes: sizes.map(({ key, spread }) => ({ name: sizeLabel(entry, key), ...spread })),
      };
    });
  });
  protected readonly allGroups = signal(false);
  protected readonly shownGroups = computed(() =>
    this.allGroups() ? this.groups() : this.groups().slice(0, MOST_CARDS),
  );

  protected readonly writing = signal(false);
  protected readonly idOf = (_: number, { entry }: LogRow): string => entry.id;
  protected readonly papersOf = papersOf;

  constructor() {
    this.rows.sortingDataAccessor = sortedBy;
    effect(() => {
      this.rows.data = [...this.found()];
    });
    effect(() => {
      this.rows.sort = this.sort() ?? null;
    });
    effect(() => this.list.ask(this.query()));
    this.hands.refresh();
    this.papers.refresh();
  }

  /** All that matches, as a table for other programs. */
  protected save(): void {
    this.writing.set(true);
    this.api
      .all('log', this.query())
      .pipe(
        switchMap(({ rows }) => writeTable(logTable(rows, this.handNames()))),
        finalize(() => this.writing.set(false)),
      )
      .subscribe({
        next: (text) => saveFile('logbook.csv', text, 'text/csv'),
        error: (error: unknown) => this.undo.failed(error),
      });
  }

  /** A difference with its sign: `+0.5`. */
  protected signed(mm: number): string {
    const figure = this.figures.bare(Math.abs(mm));
    return figure === '0' ? '0' : `${mm > 0 ? '+' : '−'}${figure}`;
  }

  protected get unit(): string {
    return this.figures.unit();
  }

  /** What is to be said of an entry beside its title: its form, how many, by whom, how it fits. */
  protected factsOf({ entry: { copies, folderHandId, fits }, form }: LogRow): string {
    const hand = folderHandId && this.handNames().get(folderHandId);
    return [form, copies > 1 && `${copies} of them`, hand && `by ${hand}`, fits && FITS[fits]]
      .filter(Boolean)
      .join(', ');
  }

  protected correct(entry: LogEntry): void {
    // It is rarely needed, and brings all fields with it.
    void import('./correct-entry/correct-entry').then(({ openCorrection }) => openCorrection(this.injector, entry));
  }

  protected photographs(entry: LogEntry): void {
    void import('./entry-photographs/entry-photographs').then(({ openPhotographs }) =>
      openPhotographs(this.injector, entry),
    );
  }

  protected again(entry: LogEntry): void {
    this.starter.again(entry);
  }

  protected remove(entry: LogEntry): void {
    const back = entry.sheetsUsed
      .filter(({ paperName, sheets }) => paperName && sheets)
      .map(({ paperName, sheets }) => `, ${sheets} of ${paperName} back on the shelf`)
      .join('');
    this.logbook.remove(entry.id).subscribe({
      next: () =>
        this.undo.done(
          `“${entry.title}” was taken out of the logbook${back}.`,
          () => this.logbook.restore(entry.id),
          'Back in the logbook.',
        ),
      error: (error: unknown) => this.undo.failed(error),
    });
  }
}

/** Choices by name, with one for all of them first. */
const choices = (all: string, named: ReadonlyMap<string, string>): readonly Choice<string | null>[] => [
  { id: null, name: all },
  ...[...named].map(([id, name]) => ({ id, name })).sort((p, q) => p.name.localeCompare(q.name)),
];
