import { Location } from '@angular/common';
import { computed, effect, inject, Injectable, InjectionToken, signal } from '@angular/core';
import { takeUntilDestroyed, toObservable, toSignal } from '@angular/core/rxjs-interop';
import { Router } from '@angular/router';
import {
  caliperOf,
  COMMON_PAPER,
  countOf,
  HANDS,
  NO_TERMS,
  perUnit,
  type Purpose,
  type SizeOptions,
  type Terms,
} from '@odd-corner/core';
import { debounceTime, distinctUntilChanged, map, of, switchMap, timer } from 'rxjs';
import { LearnedHands } from '../../data/learned-hands';
import { Papers } from '../../data/papers';
import { WorkshopSettings } from '../../data/workshop-settings';
import { Figures } from '../../ui/figures/figures';
import { type LineFault, readLine, type Reading } from './purpose-reading';
import { markNow, SPEED_MARKS } from './speed-marks';
import { CONFIDENCES, readStart, type StartAsked, writeStart } from './start-address';

const FAULT_AFTER_MS = 450;
const TYPING_MS = 20;
const ADDRESS_MS = 250;

/** A question as it is answered: its words, what they mean in all, and what one of its equal pieces is for. */
export interface Question {
  readonly text: string;
  readonly whole: Purpose;
  readonly purpose: Purpose;
  readonly options: SizeOptions;
  readonly units: number;
  /** The sheet that it must come from, where one was named. */
  readonly from: Terms['from'];
}

/** Other words for the same are no other question. */
function asksTheSame(a: Question | null, b: Question | null): boolean {
  const said = (one: Question | null): string => JSON.stringify(one && [one.whole, one.options, one.units, one.from]);
  return said(a) === said(b);
}

/** Where what is asked comes from, and who is told when it changes. */
export interface AskedPlace {
  read(): StartAsked;
  write(asked: StartAsked): void;
}

/** The address says what is asked, so that it can be kept, shared and returned to. */
export const ASKED_PLACE = new InjectionToken<AskedPlace>('where the question is kept', {
  factory: () => {
    const [location, router] = [inject(Location), inject(Router)];
    return {
      read: () => readStart(router.routerState.root.snapshot.queryParamMap),
      write: (asked) => location.replaceState('/', writeStart(asked).toString()),
    };
  },
});

/** What is being asked: as it is typed and chosen, and as it is read. */
@Injectable()
export class Asking {
  private readonly place = inject(ASKED_PLACE);
  private readonly papers = inject(Papers);
  private readonly settings = inject(WorkshopSettings);
  private readonly figures = inject(Figures);
  private readonly learned = inject(LearnedHands);
  private readonly held = signal(this.place.read());
  readonly asked = this.held.asReadonly();
  /** Whether bare numbers still mean what they meant to whoever wrote the address. */
  private readonly arrived = signal(true);

  /** What bare numbers are in. */
  private readonly unit = computed(() => (this.arrived() ? this.asked().unit : this.settings.current().unit));
  readonly reading = computed((): Reading => readLine(this.asked().text, this.unit(), this.papers.rows()));
  readonly purpose = computed(() => {
    const reading = this.reading();
    return reading.kind === 'purpose' ? reading.purpose : null;
  });
  /** What was said beside the things: limits outside, the sheet that it comes from. */
  readonly terms = computed(() => {
    const reading = this.reading();
    return reading.kind === 'purpose' ? reading.terms : NO_TERMS;
  });
  readonly sheet = computed(() => {
    const reading = this.reading();
    return reading.kind === 'sheet' ? reading.sheet : null;
  });
  /** A fault is told only when the hand rests, so that half-typed sizes are left in peace. */
  readonly fault = toSignal(
    toObservable(this.reading).pipe(
      switchMap((reading) =>
        reading.kind === 'wrong' ? timer(FAULT_AFTER_MS).pipe(map((): LineFault => reading)) : of(null),
      ),
    ),
    { initialValue: null },
  );

  readonly ease = computed(() => this.asked().ease ?? this.settings.current().ease);
  /** A set is packed any way round; one thing stands as it was measured. */
  readonly turns = computed(() => {
    const purpose = this.purpose();
    return this.asked().turn ?? (purpose !== null && countOf(purpose) > 1);
  });
  /** The paper that it is folded from: the one that a sheet is called by, else the one that was chosen. */
  readonly paper = computed(() => {
    const reading = this.reading();
    const called = reading.kind === 'sheet' ? reading.named?.id : undefined;
    const from = this.terms().from?.name;
    const rows = this.papers.rows();
    return (
      rows.find(({ name }) => name === from) ?? rows.find(({ id }) => id === (called ?? this.asked().paperId)) ?? null
    );
  });
  /** False while it is not known yet what paper is asked for. */
  private readonly paperKnown = computed(() => this.asked().paperId === null || this.papers.state().kind !== 'loading');
  readonly options = computed((): SizeOptions => {
    const { confidence, fingers, lid, nested } = this.asked();
    const { ruler, hand } = this.settings.current();
    const paper = this.paper() ?? COMMON_PAPER;
    return {
      ...{ ease: this.ease(), turning: this.turns() ? 'any' : 'upright', fingerRoom: fingers },
      ...{ gsm: paper.gsm, thicknessMm: caliperOf(paper), ruler },
      confidence: CONFIDENCES.find(({ id }) => id === confidence)!.share,
      handMm: HANDS[hand].missMm,
      learned: this.learned.of(null, this.paper()),
      wishes: { lid, nested },
      most: this.terms().most,
    };
  });
  /** The question as it stands once the hand rests a moment: one that has not changed is not asked again. */
  readonly question = toSignal(
    toObservable(
      computed((): Question | null => {
        const purpose = this.purpose();
        const { units } = this.asked();
        return purpose && this.settings.known() && this.paperKnown() && this.learned.ready()
          ? {
              ...{ text: this.asked().text.trim(), whole: purpose },
              ...{ purpose: units > 1 ? perUnit(purpose, units) : purpose, options: this.options(), units },
              from: this.terms().from,
            }
          : null;
      }),
    ).pipe(debounceTime(TYPING_MS), distinctUntilChanged(asksTheSame)),
    { initialValue: null },
  );

  constructor() {
    // What arrived is written anew in the unit of this workshop.
    effect(() => {
      const [arrived, reading, { unit }] = [this.arrived(), this.reading(), this.settings.current()];
      if (!arrived || !this.settings.known()) return;
      if (this.asked().unit !== unit && reading.kind === 'purpose')
        this.put({ text: this.figures.purpose(reading.purpose, reading.terms) });
      if (this.asked().unit !== unit && reading.kind === 'sheet' && !reading.named)
        this.put({ text: `sheet ${this.figures.exact([reading.sheet.widthMm, reading.sheet.heightMm])}` });
      this.arrived.set(false);
    });
    // The address follows when the hand rests: writing it at every key would hold the answer up.
    const said = computed(() => ({ ...this.asked(), unit: this.unit() }));
    toObservable(said)
      .pipe(debounceTime(ADDRESS_MS), takeUntilDestroyed())
      .subscribe((asked) => this.place.write(asked));
  }

  /** Changes what is named. */
  put(part: Partial<StartAsked>): void {
    if (part.text !== undefined) markNow(SPEED_MARKS.typed);
    this.held.update((asked) => ({ ...asked, ...part }));
  }
}
