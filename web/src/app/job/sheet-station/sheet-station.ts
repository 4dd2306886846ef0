import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { type TrayJob, type Paper, sizeOptionsOf } from '@odd-corner/contract';
import { cutSquares, explainFit, type WhyLine } from '@odd-corner/core';
import { combineLatest, concat, concatMap, from, map, of, scan } from 'rxjs';
import { sceneOfChoice } from '../../data/choice-of';
import { Papers } from '../../data/papers';
import { coloursOf } from '../../ui/drawing-view/paper-colours';
import { LengthFigure } from '../../ui/figures/length-figure';
import { FigurePipe, LengthPipe } from '../../ui/figures/figure-pipes';
import { SizesPipe } from '../../ui/figures/sizes-pipe';
import { Figures } from '../../ui/figures/figures';
import { PaperModel } from '../../ui/paper-model/paper-model';
import { Why } from '../../ui/why/why';
import { Troubles } from '../../ui/troubles/troubles';
import { Folding } from '../../workers/folding.service';
import { CutSketch } from '../cut-sketch/cut-sketch';
import { decidedBy } from '../decided-by';
import { decidingOf, type Outcome, withPaper, workOut } from '../job-change';
import { refused } from '../../workers/refused';

interface Option {
  readonly paper: Paper | null;
  readonly outcome: Outcome;
}

/** The two sheets, what decided them, the paper they come from, and the folded piece to turn about. */
@Component({
  selector: 'oc-sheet-station',
  imports: [FigurePipe, MatButtonModule, CutSketch, LengthFigure, LengthPipe, PaperModel, RouterLink, SizesPipe, Why],
  templateUrl: './sheet-station.html',
  styleUrl: './sheet-station.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SheetStation {
  readonly job = input.required<TrayJob>();
  readonly paper = input.required<Paper | null>();
  readonly saving = input(false);
  readonly keep = output<Outcome>();
  private readonly folding = inject(Folding);
  private readonly troubles = inject(Troubles);
  private readonly papers = inject(Papers);
  private readonly figures = inject(Figures);

  protected readonly colours = computed(() => coloursOf(this.paper()));
  protected readonly scene = toSignal(
    toObservable(this.job).pipe(
      this.troubles.asking((job) => this.folding.scene(sceneOfChoice(job.choice, job.purpose.block))),
    ),
    { initialValue: null },
  );
  /** The job's own sizes worked out again, for the arithmetic. */
  protected readonly worked = toSignal(
    combineLatest([toObservable(this.job), toObservable(this.paper)]).pipe(
      this.troubles.asking(([job, paper]) =>
        workOut(job, decidingOf(job, paper), this.folding).pipe(refused(() => null)),
      ),
    ),
    { initialValue: null },
  );
  protected readonly decided = computed(() => {
    const worked = this.worked();
    return worked && decidedBy(worked.sizing.tray);
  });
  protected readonly whyTray = computed(() => this.explain('tray'));
  protected readonly whyLid = computed(() => this.explain('lid'));
  protected readonly plan = computed(() => {
    const paper = this.paper();
    const { tray, lid } = this.job().choice;
    return paper && cutSquares(paper, [tray.sheetMm, lid.sheetMm]);
  });

  /** Other papers that can give both squares, as they are worked out. */
  protected readonly options = toSignal(
    combineLatest([toObservable(this.job), toObservable(this.papers.state)]).pipe(
      this.troubles.asking(([job]) => {
        const others = [null, ...this.papers.rows()].filter((paper) => (paper?.id ?? null) !== job.choice.paperId);
        return concat(
          of<readonly Option[]>([]),
          from(others).pipe(
            concatMap((paper) =>
              workOut(job, withPaper(job, paper), this.folding).pipe(
                map((outcome) => ({ paper, outcome })),
                refused(() => null),
              ),
            ),
            scan(
              (found: readonly Option[], option) =>
                option && (!option.paper || option.outcome.plan) ? [...found, option] : found,
              [],
            ),
          ),
        );
      }),
    ),
    { initialValue: [] as readonly Option[] },
  );

  private explain(part: 'tray' | 'lid'): readonly WhyLine[] {
    const worked = this.worked();
    return worked ? explainFit(worked.sizing[part], sizeOptionsOf(worked.sizing.asked), this.figures.shown()) : [];
  }
}
