import { ChangeDetectionStrategy, Component, computed, effect, inject, untracked } from '@angular/core';
import { takeUntilDestroyed, toObservable, toSignal } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { MatExpansionModule } from '@angular/material/expansion';
import { Router } from '@angular/router';
import { type Asked, askedOf, jobMakeDraft, optionsOf, purposeOfOne } from '@odd-corner/contract';
import { formById, type SizedForm } from '@odd-corner/core';
import { debounceTime, map, type Observable, of } from 'rxjs';
import { AskLine } from '../../start/ask-line/ask-line';
import { askedAgain } from '../../start/asked/asked-again';
import { ASKED_PLACE, Asking } from '../../start/asked/asking';
import { ThingsToPick } from '../../start/asked/things-to-pick';
import { StartOptions } from '../../start/start-options/start-options';
import { ThingChips } from '../../start/thing-chips/thing-chips';
import { Things } from '../../data/things';
import { Codecs } from '../../ui/field/codecs';
import { Field } from '../../ui/field/field';
import { Figures } from '../../ui/figures/figures';
import { FigurePipe } from '../../ui/figures/figure-pipes';
import { controlOf } from '../../ui/forms/schema-form';
import { Troubles } from '../../ui/troubles/troubles';
import { Folding } from '../../workers/folding.service';
import { drafts, JobInHand } from '../job-in-hand';

const TYPING_MS = 150;

/** What a change comes to: the form's new sheets, or why it does not do that. */
interface Outcome {
  /** The question that it comes of. */
  readonly of: Asked | null;
  readonly answer: SizedForm | null;
  readonly why: string | null;
}

const NOTHING: Outcome = { of: null, answer: null, why: null };

/** What it is for, to be changed: it says what will change later before anything is kept. */
@Component({
  selector: 'oc-purpose-station',
  imports: [AskLine, Field, FigurePipe, MatButtonModule, MatExpansionModule, StartOptions, ThingChips],
  providers: [
    Asking,
    ThingsToPick,
    {
      provide: ASKED_PLACE,
      useFactory: () => {
        const [inHand, figures] = [inject(JobInHand), inject(Figures)];
        return { read: () => askedAgain(inHand.make().asked, figures), write: () => undefined };
      },
    },
  ],
  templateUrl: './purpose-station.html',
  styleUrl: './purpose-station.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PurposeStation {
  protected readonly inHand = inject(JobInHand);
  protected readonly asking = inject(Asking);
  private readonly folding = inject(Folding);
  private readonly troubles = inject(Troubles);
  private readonly figures = inject(Figures);
  private readonly codecs = inject(Codecs);
  private readonly router = inject(Router);

  protected readonly count = controlOf<number>(jobMakeDraft.shape.count, 1);
  protected readonly whole = computed(() => this.codecs.number('Count from 1 to 500.'));
  private readonly counted = toSignal(this.count.valueChanges.pipe(map(() => this.count.value)));
  protected readonly form = computed(() => formById(this.inHand.make().make.formId));

  /** The question as it would be kept; null while it cannot be read. */
  private readonly next = computed((): Asked | null => {
    const [asked, purpose] = [this.asking.asked(), this.asking.purpose()];
    if (!purpose) return null;
    // The ruler is that of the job: lengths that are kept lie at its marks.
    const { ruler } = this.inHand.make().asked.options;
    const options = { ...askedOf({ ...this.asking.options(), ruler }, asked.units) };
    return { text: asked.text.trim(), purpose, options };
  });
  /** Whether the question itself differs from the one that is kept. */
  private readonly asksOtherwise = computed(() => {
    const [next, { asked }] = [this.next(), this.inHand.make()];
    const before = { ...asked, text: askedAgain(asked, this.figures).text };
    return next !== null && said(next) !== said(before);
  });
  protected readonly countDiffers = computed(() => {
    this.counted();
    return this.count.valid && this.count.value !== this.inHand.make().count;
  });
  /** Whether what comes of the question as it stands is known. */
  protected readonly ready = computed(() =>
    this.asksOtherwise() ? this.outcome().answer !== null && this.outcome().of === this.next() : this.countDiffers(),
  );
  protected readonly outcome = toSignal(
    toObservable(computed(() => (this.asksOtherwise() ? this.next() : null))).pipe(
      debounceTime(TYPING_MS),
      this.troubles.asking((next) => (next ? this.sized(next) : of(NOTHING))),
    ),
    { initialValue: NOTHING },
  );
  /** How each sheet would change: `Tray: 161 mm instead of 157 mm`. */
  protected readonly changes = computed(() => {
    const { answer } = this.outcome();
    if (!answer) return [];
    const { make, asked } = this.inHand.make();
    const side = ({ widthMm, heightMm }: { widthMm: number; heightMm: number }): string =>
      [widthMm, ...(widthMm === heightMm ? [] : [heightMm])]
        .map((mm) => this.figures.length(mm, asked.options.ruler))
        .join(' × ');
    const next = this.inHand.makeFrom(answer);
    const gone = make.entries.filter(({ key }) => !next.entries.some((one) => one.key === key));
    return [
      ...[answer, ...answer.others].map(({ key, name, sheet }) => {
        const before = make.entries.find((one) => one.key === key);
        if (!before) return `${name}: ${side(sheet)}, new.`;
        const [was, now] = [side(before.sheet), side(sheet)];
        return was === now ? `${name}: ${now}, as before.` : `${name}: ${now} instead of ${was}.`;
      }),
      ...gone.map(({ key }) => `${key}: not needed any more.`),
    ];
  });
  protected readonly refolds = computed(() => {
    const { answer } = this.outcome();
    const { make, progress } = this.inHand.make();
    return (
      answer !== null &&
      progress.length > 0 &&
      JSON.stringify(this.inHand.makeFrom(answer).entries) !== JSON.stringify(make.entries)
    );
  });

  constructor() {
    inject(Things).refresh();
    // After a change was kept or taken back, the line says what holds.
    const [kept, number] = [computed(() => this.inHand.make().asked), computed(() => this.inHand.make().count)];
    effect(() => {
      const [asked, count] = [kept(), number()];
      untracked(() => {
        this.asking.put(askedAgain(asked, this.figures));
        this.count.setValue(count);
      });
    });
    drafts(() => this.asksOtherwise());
    this.count.valueChanges.pipe(takeUntilDestroyed()).subscribe(() => this.count.markAsTouched());
  }

  /** Keeps what is asked, the form sized for it. */
  protected keep(): void {
    const [{ of: next, answer }, count] = [this.outcome(), this.count.value];
    if (count === null || this.count.invalid) return;
    if (!this.asksOtherwise()) this.inHand.changeMake({ count }, 'Count changed.');
    else if (next && answer)
      this.inHand.changeMake(
        { asked: next, make: this.inHand.makeFrom(answer), chance: answer.chance, count },
        'Purpose changed.',
      );
  }

  /** Keeps what is asked, and goes to look for another form. */
  protected keepAndChoose(): void {
    const [next, count] = [this.next(), this.count.value];
    if (!next || count === null) return;
    this.inHand.changeMake({ asked: next, chance: null, count }, 'Purpose changed.');
    void this.router.navigate(['/jobs', this.inHand.job().id, 'form'], { queryParamsHandling: 'preserve' });
  }

  private sized(asked: Asked): Observable<Outcome> {
    const { options, make } = { options: this.inHand.options(), make: this.inHand.make().make };
    const purpose = purposeOfOne(asked);
    if (!purpose) return of(NOTHING);
    return this.folding.sized({ formId: make.formId, purpose, options: optionsOf(asked.options, options) }).pipe(
      map((tried) => ({
        of: asked,
        ...(tried.ok ? { answer: tried.value, why: null } : { answer: null, why: tried.why }),
      })),
    );
  }
}

/** A question in the order of its parts, so that two can be compared. */
const said = ({ text, purpose, options }: Asked): string =>
  JSON.stringify([text, purpose, Object.entries(options).sort(([a], [b]) => a.localeCompare(b))]);
