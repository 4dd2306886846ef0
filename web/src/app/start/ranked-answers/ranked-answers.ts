import {
  afterRenderEffect,
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  linkedSignal,
  model,
  output,
  signal,
} from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatSliderModule } from '@angular/material/slider';
import { MatExpansionModule } from '@angular/material/expansion';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { madeFrom, type Paper, paperFor, type PaperFor } from '@odd-corner/contract';
import {
  cautionsOf,
  type Concern,
  CRITERIA,
  type Criterion,
  foodConcern,
  floorUnder,
  formById,
  isEaten,
  isSized,
  type Purpose,
  rank,
  type Ranked,
  reasons,
  SHELF,
  slackIn,
  type SizedForm,
  type SizeOptions,
  type Terms,
  type Unmet,
  USUAL_WEIGHTS,
  type Weights,
  whyUnmet,
} from '@odd-corner/core';
import { concat, of, scan, throttleTime } from 'rxjs';
import { CautionNote } from '../../ui/caution/caution';
import { FigurePipe } from '../../ui/figures/figure-pipes';
import { Figures } from '../../ui/figures/figures';
import { Select } from '../../ui/select/select';
import { coloursOf } from '../../ui/drawing-view/paper-colours';
import { Troubles } from '../../ui/troubles/troubles';
import { Folding } from '../../workers/folding.service';
import { AnswerRow, type Kit } from '../answer-row/answer-row';
import { markNow, SPEED_MARKS } from '../asked/speed-marks';
import { MOST_WEIGHT } from '../asked/weights-query';
import { CompareAnswers } from '../compare-answers/compare-answers';

type Answers = ReadonlyMap<string, SizedForm | Unmet>;

interface Known {
  /** The question that they answer. */
  readonly asked: object | null;
  readonly answers: Answers;
  /** As they were for a hand that misses nothing. */
  readonly exact: Answers;
  /** Whether all that will be known is known. */
  readonly done: boolean;
}

const NOTHING: Known = { asked: null, answers: new Map(), exact: new Map(), done: false };

const withAnswer = (answers: Answers, one: SizedForm | Unmet): Answers => new Map(answers).set(one.formId, one);
const sizedOf = (answers: Answers): SizedForm[] => [...answers.values()].filter(isSized);
/** What is worked out for an answer when it is asked, and then kept: few answers are looked at. */
function remembered<T>(work: (answer: SizedForm) => T): (answer: SizedForm) => T {
  const known = new Map<SizedForm, T>();
  return (answer) => {
    if (!known.has(answer)) known.set(answer, work(answer));
    return known.get(answer)!;
  };
}
const MOST_COMPARED = 4;
const MOST_SKILL = 3;

const CLOSINGS = [
  { id: 'any', name: 'open or closed' },
  { id: 'closed', name: 'closed' },
  { id: 'open', name: 'open' },
] as const;
const GLUES = [
  { id: 'any', name: 'any' },
  { id: 'none', name: 'none' },
] as const;
const SKILLS = [
  { id: MOST_SKILL, name: 'any' },
  { id: 2, name: 'some practice' },
  { id: 1, name: 'first time' },
];
const SHOWN_AT_FIRST = 6;
/** Answers that become known within so many ms are drawn together. */
const TOGETHER_MS = 80;

/** All forms that answer a purpose, best first, as they become known; how much each reason counts can be changed. */
@Component({
  selector: 'oc-ranked-answers',
  imports: [
    CautionNote,
    AnswerRow,
    CompareAnswers,
    FigurePipe,
    MatButtonModule,
    MatExpansionModule,
    MatSliderModule,
    Select,
  ],
  templateUrl: './ranked-answers.html',
  styleUrl: './ranked-answers.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RankedAnswers {
  readonly purpose = input.required<Purpose>();
  readonly options = input.required<SizeOptions>();
  readonly papers = input.required<readonly Paper[]>();
  /** The paper that was chosen, if one was. */
  readonly paper = input<Paper | null>(null);
  /** The sheet that all must come from, and how many it must give, where that was said. */
  readonly source = input<Terms['from']>(null);
  /** How many equal pieces share the purpose. */
  readonly units = input(1);
  /** What can be done with an answer, as its button says. */
  readonly act = input('Start this job');
  readonly busy = input(false);
  /** The form that is taken already: it stands first. */
  readonly taken = input<string | null>(null);
  /** Jobs that an answer may be added to. */
  readonly kits = input<readonly Kit[]>([]);
  readonly take = output<SizedForm>();
  readonly add = output<{ readonly answer: SizedForm; readonly to: string }>();
  /** How much each reason counts. */
  readonly weights = model<Weights>(USUAL_WEIGHTS);
  private readonly folding = inject(Folding);
  private readonly troubles = inject(Troubles);
  private readonly figures = inject(Figures);
  protected readonly criteria = (Object.keys(CRITERIA) as Criterion[]).map((key) => ({ key, ...CRITERIA[key] }));
  protected readonly mostWeight = MOST_WEIGHT;
  protected readonly most = MOST_COMPARED;

  protected readonly colours = computed(() => coloursOf(this.paper()));

  private readonly asked = computed(() => ({ purpose: this.purpose(), options: this.options() }));
  protected readonly known = toSignal(
    toObservable(this.asked).pipe(
      // A newer question drops the older one with all that it would still have answered.
      this.troubles.asking((asked) =>
        concat(this.folding.answers(asked), of(null)).pipe(
          scan(
            (known: Known, told): Known => {
              if (!told) return { ...known, done: true };
              const answers = withAnswer(known.answers, told.answer);
              return { asked, answers, exact: told.stage === 'sized' ? answers : known.exact, done: false };
            },
            { ...NOTHING, asked },
          ),
          // The first at once, then several in one go: drawing each by itself would hold up the page.
          throttleTime(TOGETHER_MS, undefined, { leading: true, trailing: true }),
        ),
      ),
    ),
    { initialValue: NOTHING },
  );
  private readonly eaten = computed(() => isEaten(this.purpose()));
  /** What the purpose asks to be careful with, whatever is folded. */
  protected readonly cautions = computed(() => cautionsOf(this.purpose()));
  /** For each answer the paper that it would be folded from, worked out when it is asked: few answers are looked at. */
  private readonly papersFor = computed(() => {
    const [chosen, count, eaten] = [this.paper(), this.units(), this.eaten()];
    const papers = chosen ? [chosen] : this.papers();
    return remembered((answer) => paperFor(answer, count, papers, { eaten }));
  });

  /** The paper chosen or the best of the shelf, when it gives all sheets of an answer. */
  protected fromOf(answer: SizedForm): PaperFor | null {
    return this.papersFor()(answer);
  }

  /** What speaks against an answer whatever counts: paper that must not touch what is eaten. */
  protected readonly concernOf = (answer: SizedForm): Concern | null =>
    this.eaten() ? foodConcern(this.paper() ?? this.fromOf(answer)?.paper ?? null) : null;

  /** How many of an answer the sheet gives that was named, worked out when it is asked. */
  private readonly gives = computed(() => {
    const source = this.source();
    return remembered((answer) => (source ? madeFrom(answer, source) : 0));
  });

  /** How many the named sheet gives; null where none was named. */
  protected givesOf(answer: SizedForm): number | null {
    return this.source() ? this.gives()(answer) : null;
  }

  private rankedOf(answers: Answers): readonly Ranked[] {
    const [source, gives, units] = [this.source(), this.gives(), this.units()];
    const enough = sizedOf(answers).filter((one) => !source || gives(one) >= source.many * units);
    const borne = (one: SizedForm): number => floorUnder(one, this.purpose(), this.options().thicknessMm)?.lowers ?? 0;
    const lowered = (one: SizedForm): number => Math.min(1, (this.concernOf(one)?.lowers ?? 0) + borne(one));
    return rank(enough, this.weights(), lowered, {
      ease: this.options().ease,
      slackMm: slackIn(this.purpose()),
      ...(source && { paper: (one: SizedForm) => (source.widthMm * source.heightMm) / gives(one) }),
    });
  }

  /** Answers for which the sheet that was named does not do. */
  protected readonly tooLarge = computed(() => {
    const [source, gives, units] = [this.source(), this.gives(), this.units()];
    if (!source) return [];
    return sizedOf(this.known().answers)
      .filter((one) => gives(one) < source.many * units)
      .map((one) => ({
        name: formById(one.formId).name,
        made: gives(one),
        sheet: this.figures.exact([one.sheet.widthMm, one.sheet.heightMm]),
      }));
  });

  /** Best first. While surer sheets are still being found, rows keep their places: whoever presses one meets it. */
  protected readonly ranked = computed(() => {
    const { answers, exact, done } = this.known();
    const ranked = this.rankedOf(answers);
    const taken = this.taken();
    const first = ({ answer }: Ranked): number => (answer.formId === taken ? 0 : 1);
    const places =
      done || exact === answers
        ? ranked.map(({ answer }) => answer.formId)
        : this.rankedOf(exact).map(({ answer }) => answer.formId);
    const place = ({ answer }: Ranked): number => places.indexOf(answer.formId);
    return [...ranked].sort((p, q) => first(p) - first(q) || place(p) - place(q));
  });
  protected readonly unmet = computed(() =>
    [...this.known().answers.values()]
      .filter((answer): answer is Unmet => !isSized(answer))
      .map((answer) => ({
        name: formById(answer.formId).name,
        why: whyUnmet(answer, this.figures.unit()),
      })),
  );
  protected readonly families = [
    { id: null, name: 'any' },
    ...[...new Set(SHELF.forms.map(({ family }) => family))].map((family) => ({ id: family, name: family })),
  ];
  protected readonly closings = CLOSINGS;
  protected readonly glues = GLUES;
  protected readonly skills = SKILLS;
  protected readonly family = signal<string | null>(null);
  protected readonly closing = signal<(typeof CLOSINGS)[number]['id']>('any');
  protected readonly glue = signal<(typeof GLUES)[number]['id']>('any');
  protected readonly skill = signal(MOST_SKILL);
  /** Those that are wanted at all. */
  protected readonly wanted = computed(() => {
    const [family, closing, glue, skill] = [this.family(), this.closing(), this.glue(), this.skill()];
    return this.ranked().filter(({ answer }) => {
      const form = formById(answer.formId);
      const closed = form.closure(answer.make).kind !== 'open';
      return (
        (family === null || form.family === family) &&
        (closing === 'any' || closed === (closing === 'closed')) &&
        (glue === 'any' || form.adhesive(answer.make) !== 'needed') &&
        form.skill <= skill
      );
    });
  });
  /** Until the first answer to a new question is known those to the old one stand there: nothing begins with them. */
  protected readonly stale = computed(() => this.known().asked !== this.asked());
  protected readonly all = linkedSignal<Purpose, boolean>({ source: this.purpose, computation: () => false });
  protected readonly shown = computed(() => (this.all() ? this.wanted() : this.wanted().slice(0, SHOWN_AT_FIRST)));
  private readonly chosen = signal<readonly string[]>([]);
  protected readonly compared = computed(() =>
    this.ranked()
      .map(({ answer }) => answer)
      .filter(({ formId }) => this.chosen().includes(formId)),
  );

  constructor() {
    let marked: object | null = null;
    afterRenderEffect(() => {
      const { asked, answers, done } = this.known();
      if (!asked || asked !== this.asked() || !answers.size) return;
      if (marked !== asked) markNow(SPEED_MARKS.first);
      marked = asked;
      if (done) markNow(SPEED_MARKS.all);
    });
  }

  protected reasonsOf(k: number): readonly Criterion[] {
    const ranked = this.wanted();
    return k + 1 < ranked.length ? reasons(ranked[k], ranked[k + 1], this.weights()) : [];
  }

  protected isCompared(formId: string): boolean {
    return this.chosen().includes(formId);
  }

  protected compare(formId: string, yes: boolean): void {
    this.chosen.update((chosen) => (yes ? [...chosen, formId] : chosen.filter((id) => id !== formId)));
  }

  protected weigh(key: Criterion, weight: number): void {
    this.weights.update((weights) => ({ ...weights, [key]: weight }));
  }
}
