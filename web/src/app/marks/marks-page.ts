import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import { takeUntilDestroyed, toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormControl } from '@angular/forms';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { Router, RouterLink } from '@angular/router';
import {
  CUT_CARD_MM,
  fractionOf,
  HANDS,
  LONGEST_CARD_MM,
  type MarkAsk,
  MarkAskUnread,
  readMarkAsk,
  RULERS,
  type SheetSize,
} from '@odd-corner/core';
import { combineLatest, debounceTime, map, of, startWith, type Observable } from 'rxjs';
import { EyeTries } from '../data/eye-tries';
import { WorkshopSettings } from '../data/workshop-settings';
import { type Codec, reading } from '../ui/field/codec';
import { Codecs } from '../ui/field/codecs';
import { Field } from '../ui/field/field';
import { FigurePipe } from '../ui/figures/figure-pipes';
import { Figures } from '../ui/figures/figures';
import { Troubles } from '../ui/troubles/troubles';
import { Folding, type FreeState } from '../workers/folding.service';
import type { FreeAsked, FreeWay } from '../workers/mark-tasks';
import { FoldStrip } from './fold-strip/fold-strip';

const TYPING_MS = 350;

/** What can be asked, to begin with. */
const EXAMPLES = [
  '3/7 of the long edge',
  '57 mm from the left on 210',
  'a line at 36°',
  'divide into 12',
  'thirds of 8 1/2 in',
];

const USUAL_ASK = '1/3';
const USUAL_SHEET: SheetSize = { widthMm: 150, heightMm: 150 };

/** A longer side than this, in mm, is not folded on a table. */
const LONGEST_MM = 5000;
/** A shorter side than this, in mm, no fingers fold. */
const SHORTEST_MM = 15;
/** Beyond this proportion a strip has no corners worth laying anywhere. */
const LONGEST_SHAPE = 20;

const GROUPS: Readonly<Record<FreeWay['kind'], string>> = {
  folds: 'By folding',
  halving: 'By halving a guess',
  division: 'All marks by folding',
  angle: 'By folding',
};

/** What was asked and how it was typed. */
interface Typed {
  readonly text: string;
  readonly ask: MarkAsk;
}

/** How to find any place or direction on any sheet, whether anything is folded of it or not. */
@Component({
  selector: 'oc-marks-page',
  imports: [Field, FigurePipe, FoldStrip, MatProgressBarModule, RouterLink],
  templateUrl: './marks-page.html',
  styleUrl: './marks-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class MarksPage {
  /** From the address. */
  readonly find = input<string>();
  readonly sheet = input<string>();
  private readonly router = inject(Router);
  private readonly folding = inject(Folding);
  private readonly troubles = inject(Troubles);
  private readonly figures = inject(Figures);
  private readonly settings = inject(WorkshopSettings);
  private readonly eyes = inject(EyeTries);
  protected readonly codecs = inject(Codecs);
  protected readonly groups = GROUPS;

  /** What the address asks for and nobody can read, and why. */
  protected readonly unread = signal<string | null>(null);
  protected readonly ask = new FormControl<Typed | null>(null);
  protected readonly size = new FormControl<SheetSize | null>(null);
  protected readonly asking: Codec<Typed> = {
    read: (text) =>
      reading(
        () => ({ text, ask: readMarkAsk(text, this.figures.unit()) }),
        (error): error is MarkAskUnread => error instanceof MarkAskUnread,
      ),
    write: ({ text }) => text,
  };
  protected readonly examples = EXAMPLES.map((text) => ({ text, query: { find: text } }));

  private readonly typed: Observable<{ readonly typed: Typed | null; readonly size: SheetSize | null }> = combineLatest(
    [this.ask.valueChanges.pipe(startWith(this.ask.value)), this.size.valueChanges.pipe(startWith(this.size.value))],
  ).pipe(
    debounceTime(TYPING_MS),
    map(([typed, size]) => ({ typed, size })),
  );

  /** What is to be found on which sheet; null while either cannot be read. */
  protected readonly asked = toSignal(this.typed, { initialValue: { typed: null, size: null } });
  protected readonly wanted = computed(() => {
    const { typed, size } = this.asked();
    return typed && size ? wantedOn(typed.ask, size) : null;
  });
  /** What keeps it from being found on this sheet, in words. */
  protected readonly refused = computed(() => {
    const wanted = this.wanted();
    if (!wanted) return null;
    const [short, long] = [wanted.size.widthMm, wanted.size.heightMm].sort((a, b) => a - b);
    if (long > LONGEST_MM) return `Ask for a sheet of at most ${this.figures.length(LONGEST_MM)}.`;
    if (short < SHORTEST_MM)
      return `Ask for a sheet of at least ${this.figures.length(SHORTEST_MM)}: fingers cannot fold a smaller one.`;
    return long / short > LONGEST_SHAPE ? `Ask for a sheet at most ${LONGEST_SHAPE} times as long as wide.` : null;
  });
  private readonly handMm = computed(() => HANDS[this.settings.current().hand].missMm);
  private readonly question = computed((): FreeAsked | null => {
    const wanted = this.refused() ? null : this.wanted();
    return wanted && { ...wanted, handMm: this.handMm(), eye: this.eyes.of(null).eye };
  });
  protected readonly state = toSignal(
    toObservable(this.question).pipe(
      this.troubles.asking((question): Observable<FreeState | null> =>
        question ? this.folding.freeWays(question).pipe(startWith({ share: 0, ways: null })) : of(null),
      ),
    ),
    { initialValue: null },
  );
  protected readonly ways = computed(() =>
    (this.state()?.ways ?? []).map((way) => ({ way, name: GROUPS[way.kind], facts: this.facts(way) })),
  );
  /** What a ruler shows, place by place. */
  protected readonly readings = computed(() => {
    const wanted = this.wanted();
    if (wanted?.find.kind !== 'places') return null;
    const { ruler } = this.settings.current();
    const { stepMm } = RULERS[ruler];
    const { edge, mm } = wanted.find;
    return {
      from: edge === 0 ? 'the left end of the near edge' : 'the near end of the right edge',
      places: mm.map((at) => {
        const beside = at - Math.round(at / stepMm) * stepMm;
        const near =
          Math.abs(beside) < 0.05
            ? ''
            : ` (${beside > 0 ? 'past' : 'before'} ${this.figures.length(at - beside, ruler)})`;
        return `${this.figures.length(at, ruler)}${near}`;
      }),
    };
  });
  /** What else finds a single place, with what it misses. */
  protected readonly others = computed((): readonly string[] => {
    const wanted = this.wanted();
    if (wanted?.find.kind !== 'places') return [];
    const { edge, mm } = wanted.find;
    const length = edge ? wanted.size.heightMm : wanted.size.widthMm;
    const [first] = mm;
    const shorter = Math.min(first, length - first);
    const byEye = this.figures.fixed(this.eyes.of(null).eye * shorter, 1);
    const thirds = mm.every((at) => fractionOf(at / length, 1e-7)?.of === 3);
    const cut = this.figures.fixed(CUT_CARD_MM, 1);
    return [
      ...(mm.length === 1 && shorter <= LONGEST_CARD_MM
        ? [
            `A card or strip cut to ${this.figures.length(shorter, this.settings.current().ruler)} once, laid in the corner: misses by about ${cut} mm, always the same.`,
          ]
        : []),
      ...(thirds
        ? [`Bent into an S of three layers and shifted until the edges lie flush: by eye, about ${byEye} mm.`]
        : []),
      ...(mm.length === 1 ? [`By eye: misses by about ${byEye} mm.`] : []),
    ];
  });
  protected readonly sheetWords = computed(() => {
    const wanted = this.wanted();
    return wanted ? this.figures.sizes([wanted.size.widthMm, wanted.size.heightMm]) : '';
  });

  constructor() {
    this.eyes
      .known()
      .pipe(takeUntilDestroyed())
      .subscribe({ error: () => undefined });
    effect(() => {
      const [find, sheet] = [this.find() ?? USUAL_ASK, this.sheet()];
      untracked(() => {
        this.unread.set(null);
        if (this.ask.value?.text !== find) this.fill(this.ask, this.asking, find, null);
        const shown = this.size.value && this.codecs.sheet().write(this.size.value);
        if (shown !== sheet || !sheet) this.fill(this.size, this.codecs.sheet(), sheet ?? '', USUAL_SHEET);
      });
    });
    this.typed.pipe(takeUntilDestroyed()).subscribe(({ typed, size }) => {
      this.ask.markAsTouched();
      this.size.markAsTouched();
      if (!typed || !size) return;
      const queryParams = { find: typed.text, sheet: this.codecs.sheet().write(size) };
      if (queryParams.find !== this.find() || queryParams.sheet !== this.sheet())
        void this.router.navigate([], { queryParams, replaceUrl: true });
    });
  }

  /** What is read of the address; where it cannot be read, what is usual. */
  private fill<T>(control: FormControl<T | null>, codec: Codec<T>, text: string, usual: T | null): void {
    const read = text ? codec.read(text) : { value: usual };
    if ('why' in read) this.unread.set(`“${text}” cannot be read. ${read.why}`);
    control.setValue('value' in read ? (read.value ?? usual) : usual);
  }

  private facts({ kind, exact, off, expected, worst, folds, halving }: FreeWay): readonly string[] {
    const unit = kind === 'angle' ? '°' : ' mm';
    const said = (value: number): string => `${this.figures.fixed(value, value < 1 ? 2 : 1)}${unit}`;
    return [
      `${folds.length} ${folds.length === 1 ? 'fold' : 'folds'}`,
      exact ? 'exact in itself' : `${said(Math.abs(off))} beside it in itself`,
      `your hand misses by about ${said(expected)}${worst === null ? '' : `, ${said(worst)} at worst`}`,
      ...(halving
        ? [
            `${halving.round} folds halve the error of a guess ${halving.round} times; left of it after each round: ${halving.left
              .map((mm) => this.figures.fixed(mm, 2))
              .join(', ')} mm`,
          ]
        : []),
    ];
  }
}

/** Sides of a sheet are known this well, in mm. */
const SAME_MM = 0.5;

/** On which edge of which sheet: a length that was said is that of the edge, and the sheet grows with it. */
function wantedOn(ask: MarkAsk, size: SheetSize): Pick<FreeAsked, 'size' | 'find'> {
  if (ask.kind === 'angle') return { size, find: { kind: 'angle', deg: ask.deg } };
  const { shares, along, lengthMm, fromEnd } = ask;
  const wide = size.widthMm >= size.heightMm;
  // A length that one side of the sheet has is that side's.
  const [isWidth, isHeight] = [size.widthMm, size.heightMm].map(
    (mm) => lengthMm !== null && Math.abs(mm - lengthMm) < SAME_MM,
  );
  const usual = (along === 'shorter') === wide ? 1 : 0;
  const edge = along === null && isWidth !== isHeight ? (isHeight ? 1 : 0) : usual;
  const length = edge ? size.heightMm : size.widthMm;
  const times = lengthMm === null ? 1 : lengthMm / length;
  const own = { widthMm: size.widthMm * times, heightMm: size.heightMm * times };
  const whole = length * times;
  return {
    size: own,
    find: { kind: 'places', edge, mm: shares.map((share) => whole * (fromEnd ? 1 - share : share)) },
  };
}
