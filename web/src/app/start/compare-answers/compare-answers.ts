import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { type Drawing, formById, paperOf, type SizedForm, type SizeOptions } from '@odd-corner/core';
import { forkJoin, of } from 'rxjs';
import { DrawingView } from '../../ui/drawing-view/drawing-view';
import { coloursOfAnswer, PLAIN_PAPER, type SideColours } from '../../ui/drawing-view/paper-colours';
import { FigurePipe } from '../../ui/figures/figure-pipes';
import { SizesPipe } from '../../ui/figures/sizes-pipe';
import { Troubles } from '../../ui/troubles/troubles';
import { Folding } from '../../workers/folding.service';

/** Width of the picture that the largest of the compared pieces gets, in rem. */
const WIDEST_REM = 12;

/** Up to four answers side by side, their pictures at one scale. */
@Component({
  selector: 'oc-compare-answers',
  imports: [FigurePipe, MatButtonModule, DrawingView, SizesPipe],
  templateUrl: './compare-answers.html',
  styleUrl: './compare-answers.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CompareAnswers {
  readonly answers = input.required<readonly SizedForm[]>();
  readonly options = input.required<SizeOptions>();
  readonly leave = output<string>();
  private readonly folding = inject(Folding);
  private readonly troubles = inject(Troubles);
  readonly colours = input<SideColours>(PLAIN_PAPER);

  private readonly pictures = toSignal(
    toObservable(this.answers).pipe(
      this.troubles.asking((answers) =>
        answers.length
          ? forkJoin(
              answers.map((answer) => this.folding.answerPicture({ answer, thicknessMm: this.options().thicknessMm })),
            )
          : of([] as Drawing[]),
      ),
    ),
    { initialValue: [] as Drawing[] },
  );
  protected readonly columns = computed(() => {
    const pictures = this.pictures();
    const widths = pictures.map(widthOf);
    const widest = Math.max(1, ...widths);
    return this.answers().map((answer, k) => {
      const form = formById(answer.formId);
      return {
        answer,
        form,
        picture: pictures[k] ?? null,
        colours: coloursOfAnswer(answer, this.colours()),
        rem: (WIDEST_REM * (widths[k] ?? widest)) / widest,
        thickest: answer.layers.find(({ name }) => name === 'thickest')?.count ?? 1,
        areaCm2: paperOf(answer) / 100,
        closure: form.closure(answer.make).words,
        adhesive: form.adhesive(answer.make),
        square: form.sheetShape === 'square',
        leftPercent: 100 * answer.fit.leastShare,
      };
    });
  });
}

/** How wide a drawing is, in mm. */
const widthOf = ({ box }: Drawing): number => box.width;
