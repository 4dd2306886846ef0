import { Location } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { ActivatedRoute, Router } from '@angular/router';
import { type Block } from '@odd-corner/contract';
import {
  COMMON_THINGS,
  type EaseId,
  EASES,
  formatSizes,
  parseBlock,
  ParseLengthError,
  squareTray,
} from '@odd-corner/core';
import { combineLatest, debounceTime, distinctUntilChanged, map, of, switchMap, timer } from 'rxjs';
import { failureText } from '../data/api';
import { choiceOf } from '../data/choice-of';
import { Jobs } from '../data/jobs';
import { Papers } from '../data/papers';
import { Things } from '../data/things';
import { WorkshopSettings } from '../data/workshop-settings';
import { Icon } from '../ui/icon/icon';
import { UndoBar } from '../ui/undo/undo-bar';
import { Folding } from '../workers/folding.service';
import { AnswerCard, type Chosen } from './answer-card/answer-card';
import { answersTo, type FormAnswer } from './start-answers';

type Reading =
  | { readonly kind: 'empty' }
  | { readonly kind: 'block'; readonly block: Block }
  | { readonly kind: 'wrong'; readonly why: string };

const CHIPS_AT_FIRST = 9;
const FAULT_AFTER_MS = 450;

const isEase = (text: string | null): text is EaseId => text !== null && text in EASES;

/** One line to type in, and answers beneath. No job has to exist. */
@Component({
  selector: 'oc-start-page',
  imports: [AnswerCard, Icon],
  templateUrl: './start-page.html',
  styleUrl: './start-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StartPage {
  private readonly router = inject(Router);
  private readonly location = inject(Location);
  private readonly jobs = inject(Jobs);
  private readonly papers = inject(Papers);
  private readonly folding = inject(Folding);
  private readonly undo = inject(UndoBar);
  protected readonly settings = inject(WorkshopSettings);
  private readonly things = inject(Things);
  /** The maker's own things, then those that many people own. */
  protected readonly allThings = computed(() => [
    ...this.things.rows().map(({ id, name, block }) => ({ id, name, block, own: true })),
    ...COMMON_THINGS.map(({ id, name, ...block }) => ({ id, name, block, own: false })),
  ]);
  protected readonly unfolded = signal(false);
  protected readonly shownThings = computed(() =>
    this.unfolded() ? this.allThings() : this.allThings().slice(0, CHIPS_AT_FIRST),
  );
  protected readonly eases = (Object.keys(EASES) as EaseId[]).map((id) => ({ id, ...EASES[id] }));

  private readonly query = inject(ActivatedRoute).snapshot.queryParamMap;
  protected readonly text = signal(this.query.get('holds') ?? '');
  private readonly easeAsked = signal<EaseId | null>(
    isEase(this.query.get('ease')) ? (this.query.get('ease') as EaseId) : null,
  );
  protected readonly ease = computed(() => this.easeAsked() ?? this.settings.current().ease);
  /** The thing whose chip was pressed, while the sizes are still its own. */
  private readonly picked = signal<{ readonly name: string; readonly text: string } | null>(null);
  protected readonly starting = signal(false);

  private readonly reading = computed((): Reading => read(this.text(), this.settings.current().unit));
  protected readonly block = computed(() => {
    const reading = this.reading();
    return reading.kind === 'block' ? reading.block : null;
  });
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
      toObservable(this.asked).pipe(distinctUntilChanged(alike), debounceTime(60)),
      // Reading the shelf again changes nothing as long as the papers are the same.
      toObservable(this.papers.state).pipe(distinctUntilChanged(alike)),
    ]).pipe(
      // A newer question drops the older one with all that it would still have answered.
      switchMap(([asked, papers]) =>
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
    // The address always says what is asked, so it can be kept, shared and returned to.
    effect(() => {
      const asked = new URLSearchParams();
      if (this.text().trim()) asked.set('holds', this.text().trim());
      const ease = this.easeAsked();
      if (ease) asked.set('ease', ease);
      this.location.replaceState('/', asked.toString());
    });
  }

  protected type(text: string): void {
    this.text.set(text);
  }

  protected pick(name: string, block: Block): void {
    const text = formatSizes([block.lengthMm, block.widthMm, block.heightMm], this.settings.current().unit);
    this.text.set(text);
    this.picked.set({ name, text });
  }

  protected chooseEase(ease: EaseId): void {
    this.easeAsked.set(ease);
  }

  protected start({ sizing, paper }: Chosen): void {
    const { block } = sizing.request;
    const picked = this.picked();
    const sizes = formatSizes([block.lengthMm, block.widthMm, block.heightMm], this.settings.current().unit);
    const title = (picked?.text === this.text() ? picked.name : `Tray for ${sizes}`).slice(0, 80);
    this.starting.set(true);
    this.jobs
      .add({
        title,
        purpose: { text: this.text().trim().slice(0, 200), block, ease: this.ease() },
        choice: choiceOf(squareTray.id, sizing, paper),
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

const alike = <T>(a: T, b: T): boolean => JSON.stringify(a) === JSON.stringify(b);

function read(text: string, unit: 'mm' | 'cm' | 'in'): Reading {
  if (!text.trim()) return { kind: 'empty' };
  try {
    return { kind: 'block', block: parseBlock(text, unit) };
  } catch (error) {
    if (error instanceof ParseLengthError) return { kind: 'wrong', why: error.message };
    throw error;
  }
}
