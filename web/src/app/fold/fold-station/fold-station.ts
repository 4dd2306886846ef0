import {
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  effect,
  inject,
  linkedSignal,
  signal,
  untracked,
} from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatDialog } from '@angular/material/dialog';
import { MatExpansionModule } from '@angular/material/expansion';
import { takeUntilDestroyed, toObservable, toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { type BatchRulesSent, type Job, type SeatsSent, toFold } from '@odd-corner/contract';
import { unitOnRuler } from '@odd-corner/core';
import { type Observable, of, startWith, tap } from 'rxjs';
import { keptHere } from '../../data/device';
import { Jobs } from '../../data/jobs';
import { Outbox } from '../../offline/outbox';
import { WorkshopSettings } from '../../data/workshop-settings';
import { JobInHand } from '../../job/job-in-hand';
import { CautionNote } from '../../ui/caution/caution';
import { DrawingView } from '../../ui/drawing-view/drawing-view';
import { coloursOf } from '../../ui/drawing-view/paper-colours';
import { Icon } from '../../ui/icon/icon';
import { Legend } from '../../ui/legend/legend';
import { FigurePipe, LengthPipe } from '../../ui/figures/figure-pipes';
import { SizesPipe } from '../../ui/figures/sizes-pipe';
import { MovingPicture } from '../../ui/moving-picture/moving-picture';
import { SavePicture } from '../../ui/save-picture/save-picture';
import { picturesOf } from '../../ui/save-picture/pictures-of';
import { Select } from '../../ui/select/select';
import { StepFactsLine } from '../../ui/step-facts/step-facts';
import { Troubles } from '../../ui/troubles/troubles';
import { UndoBar } from '../../ui/undo/undo-bar';
import { Folding } from '../../workers/folding.service';
import { BatchAtTable } from '../batch-at-table';
import { type CopyToFold, copiesToFold, isFolded, keyOf, nameOf, nextCopy, nextStep } from '../copies';
import { CopyGrid } from '../copy-grid/copy-grid';
import { TimerList } from '../timers/timer-list';
import { Timers } from '../timers/timers';
import { filledScreen, fillScreen } from '../filled-screen';
import { LayOn, type LayOnAsked } from '../lay-on/lay-on';
import { compareStates } from '../looks-different/looks-different';
import { keepAwake } from '../keep-awake';
import { ProgressWriter } from '../progress-writer';
import { minutesToGo } from '../step-minutes';
import { TableTime } from '../table-time';
import { tableAction, type TableAction } from '../table-keys';

/** Which copy the hand is at, counted over all entries, and which of its steps. */
interface Place {
  readonly copy: number;
  readonly step: number;
}

const SWIPE_PX = 60;

/** Folding at the table: the picture large, words beside it, one step at a time, copy after copy. */
@Component({
  selector: 'oc-fold-station',
  imports: [
    CautionNote,
    CopyGrid,
    FigurePipe,
    MatButtonModule,
    MatExpansionModule,
    DrawingView,
    Icon,
    LengthPipe,
    MovingPicture,
    RouterLink,
    SavePicture,
    Select,
    SizesPipe,
    StepFactsLine,
    TimerList,
  ],
  providers: [ProgressWriter],
  templateUrl: './fold-station.html',
  styleUrl: './fold-station.scss',
  host: { '(window:keydown)': 'key($event)' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FoldStation {
  protected readonly inHand = inject(JobInHand);
  private readonly folding = inject(Folding);
  private readonly troubles = inject(Troubles);
  private readonly settings = inject(WorkshopSettings);
  private readonly writer = inject(ProgressWriter);
  private readonly outbox = inject(Outbox);
  private readonly jobs = inject(Jobs);
  private readonly undo = inject(UndoBar);
  private readonly dialog = inject(MatDialog);

  protected readonly unsaved = this.writer.unsaved;
  private readonly makeId = computed(() => this.inHand.make().id);
  /** What is folded; the same as long as only progress is added. */
  private readonly asked = computed(() => {
    const { make, marks } = this.inHand.make();
    return JSON.stringify([toFold(make), marks ?? this.settings.current().school]);
  });
  private readonly ordered = toSignal(
    toObservable(this.asked).pipe(
      this.troubles.asking(() => this.folding.order(toFold(this.inHand.make().make), this.inHand.entryMarks())),
    ),
    { initialValue: null },
  );
  protected readonly order = computed(() => {
    const ordered = this.ordered();
    return ordered?.ok ? ordered.value : null;
  });
  protected readonly failed = computed(() => {
    const ordered = this.ordered();
    return ordered && !ordered.ok ? ordered.why : null;
  });

  /** What this hand has done since the page was opened: the server follows. */
  private readonly own = linkedSignal<string, ReadonlyMap<string, readonly string[]>>({
    source: this.makeId,
    computation: () => new Map(),
  });
  protected readonly copies = computed((): readonly CopyToFold[] => {
    const order = this.order();
    const { count, progress } = this.inHand.make();
    if (!order) return [];
    const own = this.own();
    const waiting = this.outbox.progressOf(this.makeId());
    return copiesToFold(order, count, [...progress, ...waiting]).map((copy) => ({
      ...copy,
      done: new Set([...copy.done, ...(own.get(keyOf(copy)) ?? [])]),
    }));
  });
  /** Where the hand is; it begins where it left off. */
  private readonly place = linkedSignal<string | null, Place | null>({
    source: computed(() => (this.order() ? `${this.makeId()} ${this.asked()}` : null)),
    // Read once: what is done later moves nobody.
    computation: (source) => (source === null ? null : untracked(() => this.whereLeftOff())),
  });
  /** The copy that is being folded; null once all are. */
  protected readonly at = computed(() => {
    const place = this.place();
    return place ? (this.copies().at(place.copy) ?? null) : null;
  });
  protected readonly entry = computed(() => {
    const key = this.at()?.entryKey;
    return this.inHand.make().make.entries.find((one) => one.key === key) ?? null;
  });
  protected readonly allDone = computed(() => this.place() !== null && this.at() === null);

  protected readonly quarterTurns = signal(0);
  protected readonly fromBelow = signal(false);
  protected readonly showing = signal<'picture' | 'creases' | 'copies' | 'moving'>('picture');
  /** What whoever folds here calls themselves, on this device. */
  protected readonly name = keptHere('name-at-table', (kept) => (typeof kept === 'string' ? kept : ''));
  protected readonly timers = inject(Timers);
  protected readonly batch = new BatchAtTable(
    this.copies,
    computed(() => this.inHand.make().batch),
    this.name,
    this.timers.copies,
  );
  /** What was gone on to without being asked for. */
  protected readonly went = signal<string | null>(null);
  /** Why the step at hand cannot be made yet, in words; null when it can. */
  protected readonly held = computed(() => {
    const place = this.place();
    const why = place && this.batch.closedAt(place.copy, place.step);
    if (!why) return null;
    return why.kind === 'held'
      ? 'Whoever leads holds this stage: it goes on when they open it.'
      : `The next stage opens when ${why.need} are at it: ${why.there} ${why.there === 1 ? 'is' : 'are'} so far.`;
  });
  protected readonly measures = signal(false);
  protected readonly filled = filledScreen();
  protected readonly canSpeak = typeof speechSynthesis !== 'undefined';

  private readonly shownAs = computed(() => {
    // Once all is folded, how the first of it is used.
    const entry = this.entry() ?? (this.allDone() ? this.inHand.make().make.entries[0] : null);
    if (!entry) return null;
    const { pieceId, sheet, params, thicknessMm } = entry;
    return {
      ...{ formId: pieceId, sheet, params, thicknessMm },
      marks: this.inHand.entryMarks()?.[entry.key],
      unit: unitOnRuler(this.ruler(), this.settings.current().unit),
      looking: { fromBelow: this.fromBelow(), quarterTurns: this.quarterTurns() },
    };
  });
  private readonly folded = toSignal(
    toObservable(computed(() => JSON.stringify(this.shownAs()))).pipe(
      this.troubles.asking(() => {
        const asked = this.shownAs();
        return asked ? this.folding.formSteps(asked) : of(null);
      }),
    ),
    { initialValue: null },
  );
  protected readonly steps = computed(() => {
    const folded = this.folded();
    return folded?.ok ? folded.value : null;
  });
  /** Steps of its use, once all is folded. */
  protected readonly uses = computed(() =>
    this.allDone() ? (this.steps()?.slice(this.order()?.entries[0].steps.length) ?? []) : [],
  );
  protected readonly sizes = toSignal(
    toObservable(computed(() => (this.measures() ? JSON.stringify(this.entry()) : null))).pipe(
      this.troubles.asking(() => {
        const entry = this.entry();
        if (!this.measures() || !entry) return of(null);
        const { pieceId, sheet, params, thicknessMm } = entry;
        return this.folding.tried({ formId: pieceId, sheet, params, thicknessMm });
      }),
    ),
    { initialValue: null },
  );
  protected readonly ruler = computed(() => this.inHand.make().asked.options.ruler);
  protected readonly colours = computed(() => {
    const [entry, at] = [this.entry(), this.at()];
    if (!entry || !at) return this.inHand.colours();
    // Papers take turns among the copies.
    return coloursOf(this.inHand.paperOf(entry.papers[at.copy % entry.papers.length]));
  });
  protected readonly nameOf = nameOf;
  protected readonly keyOf = keyOf;
  protected readonly count = computed(() => this.at()?.steps.length ?? 0);
  protected readonly stepNo = computed(() => this.place()?.step ?? 0);
  protected readonly copyDone = computed(() => this.at() !== null && this.stepNo() >= this.count());
  protected readonly index = computed(() => Math.min(this.stepNo(), Math.max(0, this.count() - 1)));
  /** What this hand still takes for the copy, in whole minutes. */
  protected readonly toGo = computed(() => {
    const [order, at] = [this.order(), this.at()];
    if (!order || !at) return 0;
    const { formId } = this.inHand.make().make;
    return Math.max(1, Math.round(minutesToGo(order, formId, this.inHand.pace(), at, this.index())));
  });
  protected readonly step = computed(() => this.steps()?.[this.index()] ?? null);
  protected readonly savable = computed(() => {
    const step = this.step();
    return step ? picturesOf(step) : [];
  });
  protected readonly first = computed(() => this.place()?.copy === 0 && this.stepNo() === 0);
  /** The copies by name, with how far each has come. */
  protected readonly choices = computed(() =>
    this.copies().map((copy, k) => ({ id: k, name: `${nameOf(copy)}, ${howFar(copy)}` })),
  );
  protected readonly at0 = computed(() => this.place()?.copy ?? 0);
  /** What comes after the copy that is at hand, or null. */
  protected readonly nextUp = computed(() => {
    const copies = this.copies();
    const place = this.place();
    if (!place) return null;
    const next = this.batch.next();
    if (next !== null && next !== place.copy) return { k: next, copy: copies[next], name: nameOf(copies[next]) };
    // What somebody else has taken is theirs to fold.
    const open = (copy: CopyToFold): boolean => !isFolded(copy) && this.batch.takes(copy);
    const later = copies.findIndex((copy, k) => k > place.copy && open(copy));
    const k = later >= 0 ? later : copies.findIndex((copy, i) => i !== place.copy && open(copy));
    return k < 0 ? null : { k, copy: copies[k], name: nameOf(copies[k]) };
  });
  /** How many copies others are still folding, once there is nothing more to take up here. */
  protected readonly othersLeft = computed(() =>
    this.nextUp() ? 0 : this.copies().filter((copy, k) => k !== this.place()?.copy && !isFolded(copy)).length,
  );
  protected readonly nextSheet = computed(() => {
    const next = this.nextUp();
    const sheet = this.inHand.make().make.entries.find(({ key }) => key === next?.copy.entryKey)?.sheet;
    return sheet ? [sheet.widthMm, ...(sheet.widthMm === sheet.heightMm ? [] : [sheet.heightMm])] : [];
  });
  /** The step as it moves, while that is looked at; null where it is not known. */
  protected readonly moving = toSignal(
    toObservable(
      computed(() =>
        this.showing() === 'moving' && !this.copyDone() ? `${this.index()} ${JSON.stringify(this.shownAs())}` : null,
      ),
    ).pipe(
      this.troubles.asking((key) => {
        const asked = this.shownAs();
        if (key === null || !asked) return of(undefined);
        return this.folding.moving(asked, this.index()).pipe(startWith(undefined));
      }),
    ),
    { initialValue: undefined },
  );
  private swipeFrom: number | null = null;
  private readonly time: TableTime;

  constructor() {
    const gone = inject(DestroyRef);
    this.time = new TableTime(() => {
      const at = this.at();
      return at && { copy: keyOf(at), step: at.steps.at(this.stepNo())?.id ?? null };
    }, gone);
    this.writer.written.pipe(takeUntilDestroyed()).subscribe((job) => this.inHand.took(job));
    effect(() => {
      const [copies] = [this.copies(), this.makeId()];
      untracked(() => {
        for (const copy of copies) this.time.know(keyOf(copy), copy.seconds, copy.stepSeconds);
      });
    });
    effect(() => {
      this.makeId();
      untracked(() => {
        this.time.clear();
      });
    });
    keepAwake(gone);
  }

  /** Keeps how the copies are folded, or by whom. */
  private keepBatch(write: Observable<Job>): void {
    write.subscribe({
      next: (job) => this.inHand.took(job),
      error: (error: unknown) => this.undo.failed(error),
    });
  }

  protected changeRules(rules: BatchRulesSent): void {
    this.keepBatch(this.jobs.changeBatch(this.makeId(), rules));
  }

  protected take(seats: SeatsSent): void {
    this.keepBatch(this.jobs.takeSeats(this.makeId(), seats));
  }

  protected go(step: number): void {
    const place = this.place();
    if (!place) return;
    const within = Math.max(0, Math.min(this.count(), step));
    if (within !== place.step) this.moveTo({ ...place, step: within });
  }

  /** Where the hand goes on: as the batch has it, else at its own last copy, or past all when everything is folded. */
  private whereLeftOff(): Place {
    const copies = this.copies();
    const copy = this.batch.next() ?? this.batch.ownLast() ?? nextCopy(copies);
    return { copy, step: copy < copies.length ? nextStep(copies[copy]) : 0 };
  }

  /** Opens another copy where its hand left off. */
  protected open(copy: number): void {
    const copies = this.copies();
    const to = copies.at(copy);
    if (this.showing() === 'copies') this.showing.set('picture');
    if (!to || copy === this.place()?.copy) return;
    this.time.keep();
    this.went.set(null);
    this.place.set({ copy, step: nextStep(to) });
  }

  /** All that is folded is put together. */
  protected finish(): void {
    this.time.keep();
    this.place.set({ copy: this.copies().length, step: 0 });
  }

  protected backToFolding(): void {
    const last = this.copies().length - 1;
    this.place.set({ copy: last, step: this.copies()[last].steps.length });
  }

  /** All copies anew, from the first step. */
  protected again(): void {
    const { id, progress } = this.inHand.make();
    this.jobs.clearProgress(id).subscribe({
      next: (job) => {
        this.own.set(new Map());
        this.time.clear();
        this.inHand.took(job);
        this.place.set({ copy: 0, step: 0 });
        this.undo.done('Folding starts again.', () =>
          this.jobs.addProgress(id, progress).pipe(tap((back) => this.inHand.took(back))),
        );
      },
      error: (error: unknown) => this.undo.failed(error),
    });
  }

  protected act(action: TableAction): void {
    switch (action) {
      case 'next':
        return this.next();
      case 'back':
        return this.back();
      case 'turn':
        return this.quarterTurns.update((turns) => (turns + 1) % 4);
      case 'side':
        return this.fromBelow.update((below) => !below);
      case 'creases':
        return this.show('creases');
      case 'moving':
        return this.show('moving');
      case 'grid':
        if (this.copies().length > 1) this.show('copies');
        return;
      case 'measures':
        return this.measures.update((now) => !now);
      case 'differs':
        return this.compare();
      case 'fill':
        return fillScreen(this.filled);
      case 'aloud':
        return this.readAloud();
      case 'help':
        this.dialog.open(Legend, { width: '50rem', maxWidth: '94vw' });
        return;
    }
  }

  private show(what: 'creases' | 'copies' | 'moving'): void {
    this.showing.update((now) => (now === what ? 'picture' : what));
  }

  private next(): void {
    if (this.allDone()) return;
    if (this.held()) return this.goOn();
    if (!this.copyDone()) {
      this.go(this.stepNo() + 1);
      const place = this.place();
      if (place && this.batch.stagewise() && this.batch.beginsStage(place.copy, place.step)) this.goOn();
      return;
    }
    const next = this.nextUp();
    if (next) this.open(next.k);
    else if (!this.othersLeft()) this.finish();
  }

  /** To the copy that is next by the rules of the batch, which may be the one at hand. */
  private goOn(): void {
    const [next, from] = [this.batch.next(), this.at()];
    if (next === null || !from || next === this.place()?.copy) return;
    this.open(next);
    this.went.set(`A stage of ${nameOf(from)} is done. Now ${nameOf(this.copies()[next])}.`);
  }

  private back(): void {
    const place = this.place();
    if (!place) return;
    if (this.allDone()) return this.backToFolding();
    if (place.step > 0) return this.go(place.step - 1);
    const before = this.copies().at(place.copy - 1);
    if (place.copy > 0 && before) this.place.set({ copy: place.copy - 1, step: before.steps.length });
  }

  protected key(event: KeyboardEvent): void {
    const action = event.key === 'Escape' && this.filled() && !event.defaultPrevented ? 'fill' : tableAction(event);
    if (!action) return;
    event.preventDefault();
    this.act(action);
  }

  protected press(event: PointerEvent): void {
    this.swipeFrom = event.clientX;
  }

  protected release(event: PointerEvent): void {
    const from = this.swipeFrom;
    this.swipeFrom = null;
    if (from === null || Math.abs(event.clientX - from) < SWIPE_PX) return;
    this.act(event.clientX < from ? 'next' : 'back');
  }

  private moveTo(place: Place): void {
    const at = this.at();
    if (!at) return;
    this.went.set(null);
    this.time.keep();
    // Steps that are done stay done when the hand goes back.
    const done = at.steps.slice(0, place.step).map(({ id }) => id);
    this.own.update((own) => new Map(own).set(keyOf(at), [...new Set([...(own.get(keyOf(at)) ?? []), ...done])]));
    this.place.set(place);
    this.writer.write(this.makeId(), {
      ...{ entryKey: at.entryKey, copy: at.copy, done },
      seconds: this.time.of(keyOf(at)),
      stepSeconds: this.time.stepsOf(keyOf(at)),
    });
  }

  private compare(): void {
    const asked = this.shownAs();
    if (!asked || this.copyDone() || this.allDone()) return;
    const { copy } = this.place() ?? {};
    compareStates(this.dialog, { asked, index: this.index(), colours: this.colours() }).subscribe((step) => {
      if (step !== undefined && this.place()?.copy === copy) this.go(step);
    });
  }

  protected layOn(): void {
    const step = this.step();
    if (!step) return;
    const { now, then } = step.pictures;
    const data: LayOnAsked = { title: step.title, colours: this.colours(), before: now, after: then };
    this.dialog.open(LayOn, { data, width: '100vw', maxWidth: '98vw', maxHeight: '98vh' });
  }

  private readAloud(): void {
    if (!this.canSpeak) return;
    const step = this.step();
    speechSynthesis.cancel();
    if (step && !this.copyDone() && !this.allDone())
      speechSynthesis.speak(new SpeechSynthesisUtterance(`${step.title}. ${step.words} ${step.check}`));
  }
}

function howFar(copy: CopyToFold): string {
  if (isFolded(copy)) return 'folded';
  return copy.done.size ? `${copy.done.size} of ${copy.steps.length} steps` : 'not begun';
}
