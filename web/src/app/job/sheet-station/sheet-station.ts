import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal, signal } from '@angular/core';
import { takeUntilDestroyed, toObservable, toSignal } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import { type Make, type MakeEntry, toFold } from '@odd-corner/contract';
import { caliperOf, chanceOfAll, entryNames, formById } from '@odd-corner/core';
import { debounceTime, map, of, Subject } from 'rxjs';
import { Papers } from '../../data/papers';
import { FigurePipe } from '../../ui/figures/figure-pipes';
import { PaperModel } from '../../ui/paper-model/paper-model';
import { Segments } from '../../ui/segments/segments';
import { Troubles } from '../../ui/troubles/troubles';
import { Folding } from '../../workers/folding.service';
import type { PieceState } from '../../workers/make-tasks';
import { drafts, JobInHand } from '../job-in-hand';
import { type EntryEdit, EntryCard } from './entry-card/entry-card';
import { type ResizeOn, resized } from './resize';

const TYPING_MS = 120;

const STATE_WORDS: Readonly<Record<PieceState['name'], string>> = {
  finished: 'In use',
  open: 'To be filled',
  flat: 'Flat',
};

/** A make to be sized, and what is said of it when it is kept. */
interface Resize {
  readonly make: Make;
  readonly lengths: ResizeOn['lengths'];
}

/** Each sheet with its paper, what it must do and what it does; all of it can be changed, and the piece follows. */
@Component({
  selector: 'oc-sheet-station',
  imports: [EntryCard, FigurePipe, MatButtonModule, PaperModel, RouterLink, Segments],
  templateUrl: './sheet-station.html',
  styleUrl: './sheet-station.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SheetStation {
  protected readonly inHand = inject(JobInHand);
  protected readonly papers = inject(Papers);
  private readonly folding = inject(Folding);
  private readonly troubles = inject(Troubles);

  /** The make as it would be kept. */
  private readonly kept = computed(() => this.inHand.make().make);
  protected readonly draft = linkedSignal<Make>(() => this.kept());
  protected readonly colours = computed(() => this.inHand.coloursOf(this.draft()));
  protected readonly changed = computed(() => JSON.stringify(this.draft()) !== JSON.stringify(this.kept()));
  protected readonly options = computed(() => this.inHand.optionsOn(this.draft()));
  private readonly asked = computed(() => ({
    make: toFold(this.draft()),
    purpose: this.inHand.purpose(),
    options: this.options(),
    marks: this.inHand.marksOf(this.draft()),
  }));
  private readonly resting = toObservable(this.asked).pipe(debounceTime(TYPING_MS));
  private readonly told = toSignal(
    this.resting.pipe(
      this.troubles.asking((asked) => this.folding.judged(asked).pipe(map((judged) => ({ asked, judged })))),
    ),
    { initialValue: null },
  );
  protected readonly judged = computed(() => this.told()?.judged ?? null);
  /** What stands there is judged as it stands: before that it is not kept. */
  protected readonly settled = computed(() => this.told()?.asked === this.asked());
  /** Why it cannot be folded so. */
  protected readonly why = computed(() => {
    const judged = this.judged();
    return judged && !judged.ok ? judged.why : this.sizingFailed();
  });
  protected readonly pieceStates = toSignal(
    toObservable(computed(() => (this.judged()?.ok ? this.asked() : null))).pipe(
      this.troubles.asking((asked) => (asked ? this.folding.pieceStates(asked) : of<readonly PieceState[]>([]))),
    ),
    { initialValue: [] as readonly PieceState[] },
  );
  private readonly pieceState = signal<PieceState['name']>('finished');
  protected readonly states = computed(() =>
    this.pieceStates().map(({ name }) => ({ id: name, label: STATE_WORDS[name] })),
  );
  protected readonly shown = computed(
    () => this.pieceStates().find(({ name }) => name === this.pieceState()) ?? this.pieceStates().at(0),
  );
  protected readonly form = computed(() => formById(this.draft().formId));
  protected readonly entries = computed(() => {
    const names = entryNames(this.form(), this.draft().params);
    const judged = this.judged();
    const { count } = this.inHand.make();
    return this.draft().entries.map((entry) => ({
      entry,
      name: names.get(entry.key) ?? entry.key,
      copies: count * entry.copies,
      judged: (judged?.ok && judged.value.find(({ key }) => key === entry.key)) || null,
      options: { ...this.options(), thicknessMm: entry.thicknessMm },
    }));
  });
  /** All entries together. */
  protected readonly chance = computed(() => {
    return chanceOfAll(this.entries().map(({ judged }) => judged?.sized?.chance ?? null));
  });
  private readonly toSize = new Subject<Resize>();
  private readonly sizingFailed = signal<string | null>(null);
  protected readonly sizing = signal(false);

  constructor() {
    drafts(() => this.changed());
    this.toSize
      .pipe(
        this.troubles.asking(({ make, lengths }) => {
          this.sizing.set(true);
          const on = { purpose: this.inHand.purpose(), options: this.inHand.optionsOn(make), lengths };
          return resized(make, on, this.folding);
        }),
        takeUntilDestroyed(),
      )
      .subscribe((tried) => {
        this.sizing.set(false);
        this.sizingFailed.set(tried.ok ? null : tried.why);
        if (tried.ok) this.draft.set(tried.value);
      });
  }

  protected choose(name: string): void {
    this.pieceState.set(name as PieceState['name']);
  }

  /** Changes an entry by hand; what follows the first one is sized to it anew. */
  protected edit(key: string, edit: EntryEdit): void {
    const make = this.draft();
    const [first] = make.entries;
    const entries = make.entries.map((entry) => (entry.key === key ? ({ ...entry, ...edit } as MakeEntry) : entry));
    const params = key === first.key && edit.params ? this.paramsWith(edit.params) : make.params;
    const next: Make = { ...make, params, entries };
    this.draft.set(next);
    if (key !== first.key || entries.length === 1) return;
    this.folding
      .whole({ formId: next.formId, sheet: entries[0].sheet, params, options: this.options() })
      .subscribe((tried) => {
        // While it was being sized something else may have been changed.
        if (!tried.ok || this.draft() !== next) return;
        const others = tried.value.others;
        this.draft.set({
          ...next,
          entries: entries.map((entry) => {
            const found = others.find((one) => one.key === entry.key);
            return found ? ({ ...entry, sheet: found.sheet, params: found.params } as MakeEntry) : entry;
          }),
        });
      });
  }

  /** Parameters of the make with those of its first piece: what is not set there any more is not set here. */
  private paramsWith(own: Readonly<Record<string, unknown>>): Make['params'] {
    const keys = new Set(this.form().fields.map(({ key }) => key));
    const rest = Object.entries(this.draft().params).filter(([key]) => !keys.has(key));
    return { ...Object.fromEntries(rest), ...own } as Make['params'];
  }

  /** Another paper has another thickness: all sheets are sought for it. */
  protected choosePaper(key: string, id: string | null): void {
    const paper = this.inHand.paperOf(id);
    const make = this.draft();
    const entries = make.entries.map((entry) =>
      entry.key === key ? { ...entry, papers: [id], thicknessMm: paper ? caliperOf(paper) : entry.thicknessMm } : entry,
    );
    this.draft.set({ ...make, entries });
    this.toSize.next({ make: { ...make, entries }, lengths: {} });
  }

  /** Papers over the copies: sized as before, for the first of them. */
  protected layPapers(key: string, papers: readonly (string | null)[]): void {
    const make = this.draft();
    const entries = make.entries.map((entry) => (entry.key === key ? { ...entry, papers: [...papers] } : entry));
    this.draft.set({ ...make, entries });
  }

  /** Papers were measured anew. */
  protected sizeAgain(): void {
    const make = this.draft();
    const entries = make.entries.map((entry) => {
      const paper = this.inHand.paperOf(entry.papers[0]);
      return paper ? { ...entry, thicknessMm: caliperOf(paper) } : entry;
    });
    this.toSize.next({ make: { ...make, entries }, lengths: {} });
  }

  /** The smallest sheets for the lengths that were set by hand. */
  protected smallest(): void {
    const [first, before] = [this.draft().entries[0], this.kept().entries[0]];
    const lengths = Object.fromEntries(
      Object.entries(first.params).filter(
        (pair): pair is [string, number] => typeof pair[1] === 'number' && before.params[pair[0]] !== pair[1],
      ),
    );
    this.toSize.next({ make: this.draft(), lengths });
  }

  protected leave(): void {
    this.draft.set(this.kept());
    this.sizingFailed.set(null);
  }

  protected keep(): void {
    this.inHand.changeMake({ make: this.draft(), chance: this.chance() }, 'Sheets changed.');
  }
}
