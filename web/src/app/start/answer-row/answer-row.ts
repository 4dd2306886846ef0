import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MatExpansionModule } from '@angular/material/expansion';
import { MatMenuModule } from '@angular/material/menu';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import type { Paper, PaperFor } from '@odd-corner/contract';
import {
  cautionsOf,
  type Concern,
  CRITERIA,
  type Criterion,
  cutsFrom,
  ENGINE_VERSION,
  entriesSized,
  explainFit,
  leanAt,
  minutesAt,
  rounded,
  floorUnder,
  formById,
  nextStock,
  type Purpose,
  type Ranked,
  type SizeOptions,
} from '@odd-corner/core';
import { LearnedHands } from '../../data/learned-hands';
import { CautionNote } from '../../ui/caution/caution';
import { Figures } from '../../ui/figures/figures';
import { writeFormQuery } from '../../forms/form-query';
import { DrawingView } from '../../ui/drawing-view/drawing-view';
import { coloursOf, coloursOfAnswer } from '../../ui/drawing-view/paper-colours';
import { FigurePipe, LengthPipe } from '../../ui/figures/figure-pipes';
import { SizesPipe } from '../../ui/figures/sizes-pipe';
import { saveFile } from '../../ui/save-file';
import { Why } from '../../ui/why/why';
import { Troubles } from '../../ui/troubles/troubles';
import { Folding } from '../../workers/folding.service';
import { HowSure } from '../how-sure/how-sure';

const GLUE = { needed: 'glue or tape', optional: 'glue if you like', none: 'no glue' } as const;

/** What a side is called when there is too much of it. */
const TOO: Readonly<Partial<Record<string, string>>> = { length: 'long', width: 'wide', depth: 'deep' };

/** A job that something may be added to. */
export interface Kit {
  readonly id: string;
  readonly title: string;
}

/** One form that answers: its picture with the contents, the sheet, how sure it is, and what speaks for it. */
@Component({
  selector: 'oc-answer-row',
  imports: [
    CautionNote,
    FigurePipe,
    MatButtonModule,
    MatCheckboxModule,
    MatExpansionModule,
    MatMenuModule,
    DrawingView,
    HowSure,
    LengthPipe,
    RouterLink,
    SizesPipe,
    Why,
  ],
  templateUrl: './answer-row.html',
  styleUrl: './answer-row.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class AnswerRow {
  readonly ranked = input.required<Ranked>();
  readonly purpose = input.required<Purpose>();
  readonly options = input.required<SizeOptions>();
  /** The paper of the shelf that gives all its sheets, if one does. */
  readonly from = input<PaperFor | null>(null);
  /** What speaks against it whatever counts. */
  readonly concern = input<Concern | null>(null);
  /** How many of it the named sheet gives; null where none was named. */
  readonly gives = input<number | null>(null);
  /** The paper that was chosen, if one was. */
  readonly paper = input<Paper | null>(null);
  /** What speaks for it over the next one. */
  readonly reasons = input.required<readonly Criterion[]>();
  /** How many equal pieces are wanted. */
  readonly units = input(1);
  readonly compared = input(false);
  readonly mayCompare = input(true);
  /** What can be done with it, as its button says. */
  readonly act = input('Start this job');
  readonly busy = input(false);
  /** Whether it is the one that was taken before. */
  readonly taken = input(false);
  /** Jobs that it may be added to. */
  readonly kits = input<readonly Kit[]>([]);
  readonly compare = output<boolean>();
  readonly take = output();
  /** The id of the job that it is added to. */
  readonly add = output<string>();
  private readonly folding = inject(Folding);
  private readonly troubles = inject(Troubles);
  private readonly figures = inject(Figures);
  private readonly learned = inject(LearnedHands);
  protected readonly colours = computed(() => coloursOfAnswer(this.answer(), coloursOf(this.paper())));

  protected readonly answer = computed(() => this.ranked().answer);
  protected readonly form = computed(() => formById(this.answer().formId));
  /** The form's own cautions, but for what is said of the purpose already. */
  protected readonly cautions = computed(() => {
    const said = new Set(cautionsOf(this.purpose()).map(({ kind }) => kind));
    // Small parts, food and drink follow from the purpose alone.
    return this.form().cautions.filter(({ kind }) => kind !== 'small parts' && kind !== 'food' && !said.has(kind));
  });
  protected readonly square = computed(() => this.form().sheetShape === 'square');
  protected readonly picture = toSignal(
    toObservable(this.answer).pipe(
      this.troubles.asking((answer) => this.folding.answerPicture({ answer, thicknessMm: this.options().thicknessMm })),
    ),
    { initialValue: null },
  );
  protected readonly sheet = computed(() => {
    const { ruler } = this.options();
    const { widthMm, heightMm } = this.answer().sheet;
    const long = this.figures.length(widthMm, ruler);
    return this.square() ? long : `${long} × ${this.figures.length(heightMm, ruler)}`;
  });
  /** Lengths to be measured, with their names. */
  protected readonly measures = computed(() => {
    const { way, lengths } = this.answer();
    return way.lengths.map((key, k) => ({ label: this.labelOf(key), mm: lengths[k] }));
  });
  /** How its floor bears the weight that was named, in words; null where none was. */
  protected readonly weight = computed(() => {
    const under = floorUnder(this.answer(), this.purpose(), this.options().thicknessMm);
    if (!under) return null;
    const mass = (grams: number): string => this.figures.mass(Number(grams.toPrecision(2)));
    if (under.bears === 'flat') return `${this.figures.mass(under.grams)}: its floor stays flat`;
    const from = `from ${mass(under.leastG)} to ${mass(under.mostG)} on`;
    return `lifted, its floor ${under.bears} (${from}, an estimate): lay in a card`;
  });
  /** Along which sides things would rattle, in words. */
  protected readonly roomy = computed(() =>
    this.ranked().roomy.map(({ name, byMm }) => {
      const side = name.replace(/^.*, /, '');
      return `${this.figures.length(byMm)} too ${TOO[side] ?? side}`;
    }),
  );
  /** Choices that were sought with the sheet, in words. */
  protected readonly settled = computed(() => {
    const { choices } = this.answer().way;
    return this.form().fields.flatMap(({ key, input }) => {
      if ((input.kind !== 'choice' && input.kind !== 'angle') || !input.sought || choices[key] === undefined) return [];
      const value =
        input.kind === 'choice'
          ? input.options.find((option) => option.value === choices[key])?.label.toLowerCase()
          : `${choices[key] as number}°`;
      return value ? [`${this.labelOf(key).toLowerCase()} ${value}`] : [];
    });
  });

  private labelOf(key: string): string {
    return this.form().fields.find((field) => field.key === key)?.label ?? key;
  }

  /** What else belongs to it, with its sheet and lengths. */
  protected readonly others = computed(() =>
    this.answer().others.map(({ key, name, sheet, lengths }) => ({ key, name, mm: sheet.widthMm, lengths })),
  );
  protected readonly steps = computed(() => entriesSized(this.answer()).reduce((sum, { steps }) => sum + steps, 0));
  protected readonly minutes = computed(() => {
    const { formId } = this.answer();
    const told = entriesSized(this.answer()).length * this.form().minutes;
    return Math.max(1, Math.round(minutesAt(this.learned.paceOf(null), formId, told)));
  });
  protected readonly glue = computed(() => GLUE[this.form().adhesive(this.answer().make)]);
  protected readonly sure = computed(() => {
    const { chance } = this.answer();
    return chance === null ? null : Math.round(100 * chance);
  });
  /** Whose hand that is, and what it would be without what the logbook says. */
  protected readonly byHand = computed(() => {
    const { learned } = this.options();
    const { chanceUsual, formId } = this.answer();
    if (!learned || chanceUsual === null) return null;
    const { missMm } = leanAt(learned, formId);
    const from = `${learned.pieces} ${learned.pieces === 1 ? 'piece' : 'pieces'}`;
    return `${learned.called}: ${rounded(missMm, 2)} mm, from ${from}; ${Math.round(100 * chanceUsual)} without it`;
  });
  protected readonly decided = computed(() => {
    const { decided } = this.answer();
    return decided.kind === 'need' ? decided.name : 'the smallest sheet that fingers can fold';
  });
  protected readonly stock = computed(() => nextStock(this.answer().sheet));
  /** The paper that it would be folded from, with what its sheets cost. */
  protected readonly shelf = computed(() => {
    const given = this.from();
    if (!given) return null;
    const { price, name } = given.paper;
    const cost = price && { minor: Math.round((price.minor * given.sheets) / price.sheets), currency: price.currency };
    return { name, cost: cost ? this.figures.money(cost) : null };
  });
  /** Why a paper that was chosen does not give the sheets. */
  protected shortOf({ name, count, widthMm, heightMm }: Paper): string {
    if (!count) return `no ${name} is left`;
    const large = entriesSized(this.answer()).every(({ sheet }) => cutsFrom(sheet, { widthMm, heightMm }));
    return large ? `too few sheets of ${name}` : `${name} is too small`;
  }

  protected readonly why = computed(() => explainFit(this.answer(), this.options(), this.figures.shown()));
  protected readonly better = computed(() =>
    this.reasons()
      .slice(0, 2)
      .map((key) => CRITERIA[key].name.toLowerCase())
      .join(', '),
  );
  /** Saves what was asked and what was told as one file, so that somebody else can look at it. */
  protected report(): void {
    const said = {
      engineVersion: ENGINE_VERSION,
      purpose: this.purpose(),
      options: this.options(),
      told: this.answer(),
    };
    saveFile(`answer-${this.answer().formId}.json`, JSON.stringify(said, null, 2), 'application/json');
  }

  protected readonly query = computed(() => writeFormQuery({ sheet: this.answer().sheet, params: this.answer().make }));
}
