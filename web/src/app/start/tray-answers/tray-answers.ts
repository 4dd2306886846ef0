import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { Router } from '@angular/router';
import { choiceOf, draftOf, type TrayDraft } from '@odd-corner/contract';
import { combineLatest, debounceTime, distinctUntilChanged, of } from 'rxjs';
import { failureText } from '../../data/api';
import { Jobs } from '../../data/jobs';
import { newId } from '../../data/new-id';
import { Papers } from '../../data/papers';
import { WorkshopSettings } from '../../data/workshop-settings';
import { Figures } from '../../ui/figures/figures';
import { Troubles } from '../../ui/troubles/troubles';
import { UndoBar } from '../../ui/undo/undo-bar';
import { Folding } from '../../workers/folding.service';
import { AnswerCard, type Chosen } from '../answer-card/answer-card';
import { Asking } from '../asked/asking';
import { ThingsToPick } from '../asked/things-to-pick';
import { answersTo, type FormAnswer } from '../start-answers';

const TYPING_MS = 60;
const MOST_LETTERS = { title: 80, text: 200 } as const;

const alike = <T>(a: T, b: T): boolean => JSON.stringify(a) === JSON.stringify(b);

/** Answers that a job can be started with, as long as only a tray and its lid can be one. */
@Component({
  selector: 'oc-tray-answers',
  imports: [AnswerCard],
  template: `@if (all().length) {
    <h2>Start a job: the tray with its lid</h2>
    <section aria-label="Answers" aria-live="polite">
      @for (answer of all(); track answer.walls) {
        <oc-answer-card [answer]="answer" [busy]="starting()" (begin)="start($event)" />
      }
    </section>
  }`,
  styles: `
    h2 {
      font: 650 1.35rem/1.2 var(--head);
      margin: 0.6rem 0 1.1rem;
    }
    section {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(min(100%, 420px), 1fr));
      gap: 1.2rem;
      align-items: start;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TrayAnswers {
  private readonly asking = inject(Asking);
  private readonly things = inject(ThingsToPick);
  private readonly papers = inject(Papers);
  private readonly jobs = inject(Jobs);
  private readonly settings = inject(WorkshopSettings);
  private readonly figures = inject(Figures);
  private readonly folding = inject(Folding);
  private readonly router = inject(Router);
  private readonly undo = inject(UndoBar);
  private readonly ids = new Map<string, string>();
  protected readonly starting = signal(false);

  private readonly asked = computed(() => {
    const block = this.asking.block();
    return block && this.settings.known()
      ? { block, ease: this.asking.ease(), ruler: this.settings.current().ruler }
      : null;
  });
  protected readonly all = toSignal(
    combineLatest([
      toObservable(this.asked).pipe(distinctUntilChanged(alike), debounceTime(TYPING_MS)),
      // Reading the shelf again changes nothing as long as the papers are the same.
      toObservable(this.papers.state).pipe(distinctUntilChanged(alike)),
    ]).pipe(
      // A newer question drops the older one with all that it would still have answered.
      inject(Troubles).asking(([asked, papers]) =>
        asked && papers.kind !== 'loading'
          ? answersTo(asked, this.papers.rows(), this.folding)
          : of<readonly FormAnswer[]>([]),
      ),
    ),
    { initialValue: [] as readonly FormAnswer[] },
  );

  /** The same job pressed again, because its answer was lost, is the same job. */
  private idOf(draft: TrayDraft): string {
    const said = JSON.stringify(draft);
    const id = this.ids.get(said) ?? newId();
    this.ids.set(said, id);
    return id;
  }

  protected start({ sizing, paper }: Chosen): void {
    const { block, ease } = sizing.asked;
    const title =
      this.things.picked()?.name ?? `Tray for ${this.figures.sizes([block.lengthMm, block.widthMm, block.heightMm])}`;
    this.starting.set(true);
    const draft: TrayDraft = {
      title: title.slice(0, MOST_LETTERS.title),
      purpose: { text: this.asking.asked().text.trim().slice(0, MOST_LETTERS.text), block, ease },
      choice: choiceOf(sizing, paper?.id ?? null),
    };
    const id = this.idOf(draft);
    // Its one make is called as the job is.
    this.jobs.add({ ...draftOf(draft, id), id }).subscribe({
      next: (job) => void this.router.navigate(['/jobs', job.id, 'sheet']),
      error: (error: unknown) => {
        this.starting.set(false);
        this.undo.failed(new Error(`The job was not kept. ${failureText(error)}`));
      },
    });
  }
}
