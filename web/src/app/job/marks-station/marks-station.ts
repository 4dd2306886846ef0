import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { MatExpansionModule } from '@angular/material/expansion';
import { RouterLink } from '@angular/router';
import { markName, marksOfEntry, toFold } from '@odd-corner/contract';
import {
  chanceOfAll,
  entryNames,
  formById,
  type RulerId,
  RULERS,
  type School,
  type SheetMark,
  type StepMarks,
} from '@odd-corner/core';
import { forkJoin, map, of, startWith } from 'rxjs';
import { WorkshopSettings } from '../../data/workshop-settings';
import { CreaseFiles } from '../../ui/crease-files/crease-files';
import { DrawingView } from '../../ui/drawing-view/drawing-view';
import { FigurePipe } from '../../ui/figures/figure-pipes';
import { Figures } from '../../ui/figures/figures';
import { Icon } from '../../ui/icon/icon';
import { Printing } from '../../ui/print-make/printing';
import { Segments } from '../../ui/segments/segments';
import { ShownFaces } from '../../ui/shown-faces/shown-faces';
import { Troubles } from '../../ui/troubles/troubles';
import { Folding } from '../../workers/folding.service';
import type { MarkChoice } from '../../workers/mark-tasks';
import { JobInHand } from '../job-in-hand';
import { MarkChoiceCard } from './mark-choice/mark-choice';

/** Nearer to a mark of the ruler than this, in mm, nobody sees it. */
const SEEN_MM = 0.05;

/** How makers like to find marks, as they say it. */
const SCHOOL_NAMES: Readonly<Record<School, string>> = { ruler: 'With a ruler', fold: 'By folding', eye: 'By eye' };

/** A line of the list: what is done, how often it is done alike, and how else a mark is found. */
interface MarkRow {
  readonly n: number | null;
  readonly words: string;
  readonly mm: number | null;
  readonly times: number;
  readonly choice: MarkChoice | null;
}

/** Every mark of the make in order: what is measured and from where, what is pinched, what paper laid on paper finds. */
@Component({
  selector: 'oc-marks-station',
  imports: [
    CreaseFiles,
    DrawingView,
    FigurePipe,
    Icon,
    MarkChoiceCard,
    MatButtonModule,
    MatExpansionModule,
    RouterLink,
    Segments,
    ShownFaces,
  ],
  templateUrl: './marks-station.html',
  styleUrl: './marks-station.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class MarksStation {
  protected readonly inHand = inject(JobInHand);
  private readonly settings = inject(WorkshopSettings);
  private readonly folding = inject(Folding);
  private readonly troubles = inject(Troubles);
  private readonly figures = inject(Figures);
  private readonly printing = inject(Printing);

  protected readonly ruler = computed((): RulerId => this.inHand.make().asked.options.ruler);
  protected readonly rulerName = computed(() => RULERS[this.ruler()].name);
  protected readonly schools = Object.entries(SCHOOL_NAMES).map(([id, label]) => ({ id, label }));
  private readonly asked = computed(() => ({
    make: this.inHand.make().make,
    marks: this.inHand.make().marks,
    school: this.settings.current().school,
    maker: this.inHand.maker(),
  }));
  protected readonly entries = toSignal(
    toObservable(this.asked).pipe(
      this.troubles.asking(({ make, marks, school, maker }) =>
        forkJoin(
          make.entries.map(({ key, pieceId, sheet, params, thicknessMm }) =>
            this.folding
              .marks(
                { formId: pieceId, sheet, params, thicknessMm },
                { ways: marksOfEntry({ marks }, key), school, maker },
                this.figures.unit(this.ruler()),
              )
              .pipe(
                map((found) => ({
                  ...{ key, sheet, marks: found },
                  asked: { formId: pieceId, sheet, params, thicknessMm },
                })),
              ),
          ),
        ).pipe(
          map((all) => {
            const names = entryNames(formById(make.formId), make.params);
            return all.map((one) => ({ ...one, name: names.get(one.key) ?? one.key }));
          }),
        ),
      ),
    ),
    { initialValue: null },
  );
  /** Whether there is anything to choose. */
  protected readonly measured = computed(() =>
    (this.entries() ?? []).some(({ marks }) => marks.ok && marks.value.choices.length > 0),
  );
  /** The school whose ways all marks are found by; none where they are mixed. */
  protected readonly school = computed((): School | '' => {
    const choices = (this.entries() ?? []).flatMap(({ marks }) => (marks.ok ? marks.value.choices : []));
    const is = (school: School): boolean => choices.every(({ wayId, usual }) => wayId === usual[school]);
    return (Object.keys(SCHOOL_NAMES) as School[]).find(is) ?? '';
  });
  /** How often it fits with its marks found so, and with a ruler. */
  protected readonly chance = toSignal(
    toObservable(computed(() => (this.measured() ? { ...this.asked(), marked: this.inHand.entryMarks() } : null))).pipe(
      this.troubles.asking((asked) => {
        const purpose = this.inHand.purpose();
        if (!asked || !purpose) return of(null);
        // A chance is worth knowing here also where none was asked for.
        const options = this.inHand.options();
        const all = {
          make: toFold(asked.make),
          purpose,
          options: { ...options, confidence: options.confidence ?? 0.9 },
        };
        const chances = [all, { ...all, marks: asked.marked }].map((one) =>
          this.folding
            .judged(one)
            .pipe(
              map((judged) => (judged.ok ? chanceOfAll(judged.value.map(({ sized }) => sized?.chance ?? null)) : null)),
            ),
        );
        // What was so before is not shown as if it were so now.
        return forkJoin(chances).pipe(
          map(([ruler, chosen]) => ({ ruler, chosen })),
          startWith(null),
        );
      }),
    ),
    { initialValue: null },
  );
  protected readonly chanceWords = computed(() => {
    const chance = this.chance();
    if (!chance || chance.chosen === null || chance.ruler === null) return null;
    const of100 = (share: number): string => `${Math.round(100 * share)} of 100`;
    const same = Math.round(100 * chance.chosen) === Math.round(100 * chance.ruler);
    return `With its marks found so it fits ${of100(chance.chosen)} times${same ? ', as with a ruler.' : `; with a ruler ${of100(chance.ruler)}.`}`;
  });

  protected sides({ widthMm, heightMm }: { readonly widthMm: number; readonly heightMm: number }): string {
    return [widthMm, ...(widthMm === heightMm ? [] : [heightMm])]
      .map((mm) => this.figures.length(mm, this.ruler()))
      .join(' × ');
  }

  /** The marks of a step as they are told: folds that are found alike one after another in one line. */
  protected rowsOf({ marks }: StepMarks, choices: readonly MarkChoice[]): readonly MarkRow[] {
    const rows: MarkRow[] = [];
    for (const { key, n, how } of marks) {
      const [words, last] = [this.words(how), rows.at(-1)];
      const choice = choices.find((one) => one.key === key) ?? null;
      if (n === null && last?.n === null && last.words === words)
        rows[rows.length - 1] = { ...last, times: last.times + 1 };
      else rows.push({ n, words, mm: how.kind === 'measured' ? how.mm : null, times: 1, choice });
    }
    return rows;
  }

  /** Takes a way for one mark; all others stay as they are shown. */
  protected choose(entryKey: string, markKey: string, wayId: string): void {
    const marks = { ...this.shownWays(({ wayId: shown }) => shown), [markName(entryKey, markKey)]: wayId };
    this.inHand.changeMake({ marks }, 'A mark is found another way.');
  }

  /** Takes a school's ways for all marks, and remembers the school. */
  protected chooseSchool(id: string): void {
    const school = id as School;
    this.inHand.changeMake(
      { marks: this.shownWays(({ usual }) => usual[school]) },
      `Marks are found ${SCHOOL_NAMES[school].toLowerCase()}.`,
    );
    if (this.settings.current().school !== school)
      this.settings.change({ school }).subscribe({ error: () => undefined });
  }

  private shownWays(of: (choice: MarkChoice) => string): Record<string, string> {
    return Object.fromEntries(
      (this.entries() ?? []).flatMap(({ key, marks }) =>
        marks.ok ? marks.value.choices.map((choice) => [markName(key, choice.key), of(choice)] as const) : [],
      ),
    );
  }

  /** What is done for a mark, in words. */
  private words(how: SheetMark['how']): string {
    if (how.kind === 'folded') return how.pinched ? `Pinch: ${how.words}.` : `Fold: ${how.words}.`;
    const twice = how.places.length > 1 ? ', at both ends' : '';
    return `${this.reading(how.mm)} from ${how.origin}${twice}.`;
  }

  /** A length as the ruler shows it: its nearest mark, and how far beside that it lies. */
  private reading(mm: number): string {
    const { stepMm } = RULERS[this.ruler()];
    const mark = Math.round(mm / stepMm) * stepMm;
    const off = mm - mark;
    const at = this.figures.length(mark, this.ruler());
    if (Math.abs(off) < SEEN_MM) return at;
    return `${this.figures.length(mm, this.ruler())} (a little ${off > 0 ? 'past' : 'before'} the mark at ${at})`;
  }

  /** The open sheet at its true size, with what shows on a face of the piece. */
  protected printFace(entry: string, shows: number): void {
    const name = `${this.inHand.job().title} face ${shows + 1}`;
    this.printing.print('creasePages', this.inHand.make().id, name, { entry, shows });
  }

  protected print(): void {
    window.print();
  }
}
