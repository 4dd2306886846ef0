import { Location } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MatExpansionModule } from '@angular/material/expansion';
import { Select } from '../ui/select/select';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { ActivatedRoute, Router } from '@angular/router';
import { choiceOf } from '@odd-corner/contract';
import {
  blockOf,
  caliperOf,
  COMMON_PAPER,
  COMMON_PURPOSES,
  countOf,
  type EaseId,
  EASES,
  exactSizes,
  perUnit,
  POCKET_EASE_MM,
  formatSizes,
  HANDS,
  type SizeOptions,
  type ShownUnit,
  writePurpose,
} from '@odd-corner/core';
import { combineLatest, debounceTime, distinctUntilChanged, map, of, switchMap, timer } from 'rxjs';
import { failureText } from '../data/api';
import { Jobs } from '../data/jobs';
import { Papers } from '../data/papers';
import { Things } from '../data/things';
import { WorkshopSettings } from '../data/workshop-settings';
import { Icon } from '../ui/icon/icon';
import { narrowScreen } from '../ui/narrow-screen';
import { Segments } from '../ui/segments/segments';
import { UndoBar } from '../ui/undo/undo-bar';
import { Troubles } from '../ui/troubles/troubles';
import { Folding } from '../workers/folding.service';
import { AnswerCard, type Chosen } from './answer-card/answer-card';
import { ThingEditor } from '../shelf/thing-editor/thing-editor';
import { ContentsEditor } from './contents-editor/contents-editor';
import { readLine, type Reading } from './purpose-reading';
import { RankedAnswers } from './ranked-answers/ranked-answers';
import { SheetHolds } from './sheet-holds/sheet-holds';
import { COUNTS, LIDS, readCount, readLid } from './wishes-query';
import { readWeights, writeWeights } from './weights-query';
import { answersTo, type FormAnswer } from './start-answers';

/** How often it should fit when the hand misses its marks; null for a hand that misses nothing. */
const CONFIDENCES = [
  { id: 'exact', share: null, label: 'An exact hand' },
  { id: '50', share: 0.5, label: 'Every other time' },
  { id: '90', share: 0.9, label: '9 times in 10' },
  { id: '99', share: 0.99, label: '99 in 100' },
] as const;

type ConfidenceId = (typeof CONFIDENCES)[number]['id'];

const CHIPS_AT_FIRST = 7;
const FAULT_AFTER_MS = 450;
const TYPING_MS = 60;

const flag = (text: string | null): boolean | null => (text === null ? null : text === '1');

const alike = <T>(a: T, b: T): boolean => JSON.stringify(a) === JSON.stringify(b);

/** The unit of an address' bare numbers: mm unless it says so. */
const unitOf = (text: string | null): ShownUnit => (text === 'in' || text === 'cm' ? text : 'mm');

const isEase = (text: string | null): text is EaseId => text !== null && text in EASES;

/** One line to type in, and answers beneath. No job has to exist. */
@Component({
  selector: 'oc-start-page',
  imports: [
    MatCheckboxModule,
    MatExpansionModule,
    Select,
    AnswerCard,
    ContentsEditor,
    Icon,
    RankedAnswers,
    Segments,
    SheetHolds,
    ThingEditor,
  ],
  templateUrl: './start-page.html',
  styleUrl: './start-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StartPage {
  private readonly router = inject(Router);
  private readonly location = inject(Location);
  private readonly jobs = inject(Jobs);
  protected readonly papers = inject(Papers);
  private readonly folding = inject(Folding);
  private readonly troubles = inject(Troubles);
  private readonly undo = inject(UndoBar);
  protected readonly settings = inject(WorkshopSettings);
  private readonly query = inject(ActivatedRoute).snapshot.queryParamMap;
  private readonly things = inject(Things);
  /** The maker's own things, then those that many people own, as they would be typed. */
  protected readonly allThings = computed(() => {
    const { unit } = this.settings.current();
    const written = (text: string): string => {
      const reading = readLine(text, 'mm');
      return reading.kind === 'purpose' ? writePurpose(reading.purpose, unit) : text;
    };
    return [
      ...this.things
        .rows()
        .map(({ id, name, purpose }) => ({ id, name, text: writePurpose(purpose, unit), own: true })),
      ...COMMON_PURPOSES.map(({ id, name, text }) => ({ id, name, text: written(text), own: false })),
    ];
  });
  protected readonly unfolded = signal(false);
  protected readonly shownThings = computed(() =>
    this.unfolded() ? this.allThings() : this.allThings().slice(0, CHIPS_AT_FIRST),
  );
  protected readonly easeChoices = (Object.keys(EASES) as EaseId[]).map((id) => ({ id, label: id }));
  /** What the ease that is chosen leaves. */
  protected readonly easeOf = computed(() => ({ ...EASES[this.ease()], pocketMm: POCKET_EASE_MM[this.ease()] }));

  protected readonly text = signal(this.query.get('holds') ?? '');
  /** The unit that the address was written in, until its text stands in the unit of this workshop. */
  private readonly arrivedIn = signal<ShownUnit | null>(unitOf(this.query.get('unit')));
  /** Whether what is asked is being written down among the maker's own things. */
  protected readonly keeping = signal(false);
  private readonly easeAsked = signal<EaseId | null>(
    isEase(this.query.get('ease')) ? (this.query.get('ease') as EaseId) : null,
  );
  protected readonly ease = computed(() => this.easeAsked() ?? this.settings.current().ease);
  /** The thing whose chip was pressed, while the sizes are still its own. */
  private readonly picked = signal<{ readonly name: string; readonly text: string } | null>(null);
  protected readonly starting = signal(false);

  protected readonly reading = computed((): Reading =>
    readLine(this.text(), this.arrivedIn() ?? this.settings.current().unit),
  );
  protected readonly purpose = computed(() => {
    const reading = this.reading();
    return reading.kind === 'purpose' ? reading.purpose : null;
  });
  protected readonly sheet = computed(() => {
    const reading = this.reading();
    return reading.kind === 'sheet' ? reading.sheet : null;
  });
  /** One block by itself: what a job for a tray can be started with. */
  protected readonly block = computed(() => {
    const purpose = this.purpose();
    return purpose && blockOf(purpose);
  });

  protected readonly confidences = CONFIDENCES;
  protected readonly confidence = signal<ConfidenceId>(
    CONFIDENCES.find(({ id }) => id === this.query.get('sure'))?.id ?? '90',
  );
  /** On a narrow screen answers come first: what else is wished stands in one line until it is asked for. */
  protected readonly narrow = narrowScreen();
  protected readonly wishesShown = signal(false);
  protected readonly wishes = computed(() =>
    [
      ...(this.sheet()
        ? []
        : [
            `${this.ease()} room`,
            CONFIDENCES.find(({ id }) => id === this.confidence())!.label.toLowerCase(),
            ...(this.turns() ? ['laid on any side'] : []),
            ...(this.fingers() ? ['room for fingers'] : []),
            ...(this.units() > 1 ? [`${this.units()} pieces`] : []),
            ...(this.lid() === 'none' ? [] : ['with a lid']),
            ...(this.nested() > 1 ? [`${this.nested()} in each other`] : []),
          ]),
      this.paper()?.name ?? 'office paper',
    ].join(', '),
  );
  private readonly turnAsked = signal<boolean | null>(flag(this.query.get('turn')));
  /** A set is packed any way round; one thing stands as it was measured. */
  protected readonly turns = computed(() => {
    const purpose = this.purpose();
    return this.turnAsked() ?? (purpose !== null && countOf(purpose) > 1);
  });
  /** Among how many equal pieces the contents are divided. */
  protected readonly units = signal(readCount(this.query.get('units'), COUNTS.units));
  /** The paper on the shelf that it is to be folded from, or null for any like office paper. */
  private readonly paperAsked = signal(this.query.get('paper'));
  protected readonly paper = computed(() => this.papers.rows().find(({ id }) => id === this.paperAsked()) ?? null);
  protected readonly paperChoices = computed(() => [
    { id: '', name: 'any paper like office paper' },
    ...this.papers.rows().map(({ id, name, gsm }) => ({ id, name: `${name}, ${gsm} g/m²` })),
  ]);
  /** False while it is not known yet what paper is asked for. */
  private readonly paperKnown = computed(() => this.paperAsked() === null || this.papers.state().kind !== 'loading');
  protected readonly lids = LIDS;
  protected readonly lid = signal(readLid(this.query.get('lid')));
  /** How many stand in each other, the innermost taking the contents. */
  protected readonly nested = signal(readCount(this.query.get('nested'), COUNTS.nested));
  protected readonly counts = [
    { ...COUNTS.units, at: this.units },
    { ...COUNTS.nested, at: this.nested },
  ];
  protected readonly weights = signal(readWeights(this.query.get('weigh')));
  protected readonly fingers = signal(flag(this.query.get('fingers')) ?? false);
  protected readonly options = computed((): SizeOptions => ({
    ease: this.ease(),
    turning: this.turns() ? 'any' : 'upright',
    fingerRoom: this.fingers(),
    gsm: (this.paper() ?? COMMON_PAPER).gsm,
    ruler: this.settings.current().ruler,
    thicknessMm: caliperOf(this.paper() ?? COMMON_PAPER),
    confidence: CONFIDENCES.find(({ id }) => id === this.confidence())!.share,
    handMm: HANDS[this.settings.current().hand].missMm,
    wishes: { lid: this.lid(), nested: this.nested() },
  }));
  /** The question as it stands once the hand rests a moment: one that has not changed is not asked again. */
  protected readonly question = toSignal(
    toObservable(
      computed(() => {
        const purpose = this.purpose();
        const units = this.units();
        return purpose && this.settings.known() && this.paperKnown()
          ? { purpose: units > 1 ? perUnit(purpose, units) : purpose, options: this.options(), units }
          : null;
      }),
    ).pipe(debounceTime(TYPING_MS), distinctUntilChanged(alike)),
    { initialValue: null },
  );
  /** A fault is told only when the hand rests, so that half-typed sizes are left in peace. */
  protected readonly fault = toSignal(
    toObservable(this.reading).pipe(
      switchMap((reading) =>
        reading.kind === 'wrong' ? timer(FAULT_AFTER_MS).pipe(map(() => reading.why)) : of(null),
      ),
      distinctUntilChanged(),
    ),
    { initialValue: null },
  );

  private readonly asked = computed(() => {
    const block = this.block();
    return block && this.settings.known() ? { block, ease: this.ease(), ruler: this.settings.current().ruler } : null;
  });
  protected readonly answers = toSignal(
    combineLatest([
      toObservable(this.asked).pipe(distinctUntilChanged(alike), debounceTime(TYPING_MS)),
      // Reading the shelf again changes nothing as long as the papers are the same.
      toObservable(this.papers.state).pipe(distinctUntilChanged(alike)),
    ]).pipe(
      // A newer question drops the older one with all that it would still have answered.
      this.troubles.asking(([asked, papers]) =>
        asked && papers.kind !== 'loading'
          ? answersTo(asked, this.papers.rows(), this.folding)
          : of<readonly FormAnswer[]>([]),
      ),
    ),
    { initialValue: [] as readonly FormAnswer[] },
  );

  constructor() {
    this.papers.refresh();
    this.things.refresh();
    // Bare numbers in an address mean what they meant to whoever wrote it.
    effect(() => {
      const [arrivedIn, reading, { unit }] = [this.arrivedIn(), this.reading(), this.settings.current()];
      if (!arrivedIn || !this.settings.known()) return;
      if (arrivedIn !== unit && reading.kind === 'purpose') this.text.set(writePurpose(reading.purpose, unit));
      if (arrivedIn !== unit && reading.kind === 'sheet')
        this.text.set(`sheet ${exactSizes([reading.sheet.widthMm, reading.sheet.heightMm], unit)}`);
      this.arrivedIn.set(null);
    });
    // The address always says what is asked, so it can be kept, shared and returned to.
    effect(() => {
      const asked = new URLSearchParams();
      if (this.text().trim()) asked.set('holds', this.text().trim());
      const unit = this.arrivedIn() ?? this.settings.current().unit;
      if (unit !== 'mm') asked.set('unit', unit);
      const ease = this.easeAsked();
      if (ease) asked.set('ease', ease);
      if (this.confidence() !== '90') asked.set('sure', this.confidence());
      const turn = this.turnAsked();
      if (turn !== null) asked.set('turn', turn ? '1' : '0');
      if (this.fingers()) asked.set('fingers', '1');
      if (this.units() > 1) asked.set('units', `${this.units()}`);
      if (this.lid() !== 'none') asked.set('lid', this.lid());
      if (this.nested() > 1) asked.set('nested', `${this.nested()}`);
      const paper = this.paperAsked();
      if (paper) asked.set('paper', paper);
      const weigh = writeWeights(this.weights());
      if (weigh) asked.set('weigh', weigh);
      this.location.replaceState('/', asked.toString());
    });
  }

  protected type(text: string): void {
    this.text.set(text);
  }

  protected pick(name: string, text: string): void {
    this.text.set(text);
    this.turnAsked.set(null);
    this.picked.set({ name, text });
  }

  protected chooseConfidence(id: string): void {
    this.confidence.set(id as ConfidenceId);
  }

  /** What was typed and is no count is one, in the field as well. */
  protected setCount(one: StartPage['counts'][number], field: HTMLInputElement): void {
    one.at.set(readCount(field.value, one));
    field.value = `${one.at()}`;
  }

  protected choosePaper(id: string): void {
    this.paperAsked.set(id || null);
  }

  protected turn(any: boolean): void {
    this.turnAsked.set(any);
  }

  protected chooseEase(ease: string): void {
    this.easeAsked.set(ease as EaseId);
  }

  protected start({ sizing, paper }: Chosen): void {
    const { block } = sizing.asked;
    const picked = this.picked();
    const sizes = formatSizes([block.lengthMm, block.widthMm, block.heightMm], this.settings.current().unit);
    const title = (picked?.text === this.text() ? picked.name : `Tray for ${sizes}`).slice(0, 80);
    this.starting.set(true);
    this.jobs
      .add({
        title,
        purpose: { text: this.text().trim().slice(0, 200), block, ease: this.ease() },
        choice: choiceOf(sizing, paper?.id ?? null),
      })
      .subscribe({
        next: (job) => void this.router.navigate(['/jobs', job.id, 'sheet']),
        error: (error: unknown) => {
          this.starting.set(false);
          this.undo.failed(new Error(`The job was not kept. ${failureText(error)}`));
        },
      });
  }
}
