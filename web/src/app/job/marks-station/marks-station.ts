import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import { entryNames, formById, type RulerId, RULERS, type SheetMark, type StepMarks } from '@odd-corner/core';
import { forkJoin, map } from 'rxjs';
import { DrawingView } from '../../ui/drawing-view/drawing-view';
import { Figures } from '../../ui/figures/figures';
import { Icon } from '../../ui/icon/icon';
import { Troubles } from '../../ui/troubles/troubles';
import { Folding } from '../../workers/folding.service';
import { JobInHand } from '../job-in-hand';

/** Nearer to a mark of the ruler than this, in mm, nobody sees it. */
const SEEN_MM = 0.05;

/** A line of the list: what is done, and how often it is done alike. */
interface MarkRow {
  readonly n: number | null;
  readonly words: string;
  readonly ruled: boolean;
  readonly times: number;
}

/** Every mark of the make in order: what is measured and from where, what is pinched, what paper laid on paper finds. */
@Component({
  selector: 'oc-marks-station',
  imports: [DrawingView, Icon, MatButtonModule, RouterLink],
  templateUrl: './marks-station.html',
  styleUrl: './marks-station.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class MarksStation {
  protected readonly inHand = inject(JobInHand);
  private readonly folding = inject(Folding);
  private readonly troubles = inject(Troubles);
  private readonly figures = inject(Figures);

  private readonly ruler = computed((): RulerId => this.inHand.make().asked.options.ruler);
  protected readonly rulerName = computed(() => RULERS[this.ruler()].name);
  private readonly make = computed(() => this.inHand.make().make);
  protected readonly entries = toSignal(
    toObservable(this.make).pipe(
      this.troubles.asking((make) =>
        forkJoin(
          make.entries.map(({ key, pieceId, sheet, params, thicknessMm }) =>
            this.folding
              .marks({ formId: pieceId, sheet, params, thicknessMm })
              .pipe(map((marks) => ({ key, sheet, marks }))),
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

  protected sides({ widthMm, heightMm }: { readonly widthMm: number; readonly heightMm: number }): string {
    return [widthMm, ...(widthMm === heightMm ? [] : [heightMm])]
      .map((mm) => this.figures.length(mm, this.ruler()))
      .join(' × ');
  }

  /** The marks of a step as they are told: folds that are found alike one after another in one line. */
  protected rowsOf({ marks }: StepMarks): readonly MarkRow[] {
    const rows: MarkRow[] = [];
    for (const { n, how } of marks) {
      const [words, last] = [this.words(how), rows.at(-1)];
      const ruled = how.kind === 'measured';
      if (n === null && last?.n === null && last.words === words)
        rows[rows.length - 1] = { ...last, times: last.times + 1 };
      else rows.push({ n, words, ruled, times: 1 });
    }
    return rows;
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

  protected print(): void {
    window.print();
  }
}
