import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import type { Choice, TrayJob, Paper } from '@odd-corner/contract';
import { squareTray } from '@odd-corner/core';
import { combineLatest, concatMap, forkJoin, map } from 'rxjs';
import { sceneOfChoice } from '../../data/choice-of';
import { DrawingView } from '../../ui/drawing-view/drawing-view';
import { coloursOf } from '../../ui/drawing-view/paper-colours';
import { LengthPipe } from '../../ui/figures/figure-pipes';
import { SizesPipe } from '../../ui/figures/sizes-pipe';
import { Troubles } from '../../ui/troubles/troubles';
import { Folding } from '../../workers/folding.service';
import { decidingOf, type Outcome, workOut } from '../job-change';
import { refused } from '../../workers/refused';

/** Which form, and which of its ways: both side by side with what they would take. */
@Component({
  selector: 'oc-form-station',
  imports: [MatButtonModule, DrawingView, LengthPipe, RouterLink, SizesPipe],
  templateUrl: './form-station.html',
  styleUrl: './form-station.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FormStation {
  readonly job = input.required<TrayJob>();
  readonly paper = input.required<Paper | null>();
  readonly saving = input(false);
  readonly keep = output<Outcome>();
  private readonly folding = inject(Folding);
  private readonly troubles = inject(Troubles);

  protected readonly form = squareTray;
  protected readonly colours = computed(() => coloursOf(this.paper()));
  protected readonly ways = toSignal(
    combineLatest([toObservable(this.job), toObservable(this.paper)]).pipe(
      this.troubles.asking(([job, paper]) =>
        forkJoin(
          (['folded', 'measured'] as const satisfies readonly Choice['walls'][]).map((walls) =>
            workOut(job, { ...decidingOf(job, paper), walls }, this.folding).pipe(
              concatMap((outcome) =>
                this.folding
                  .scene(sceneOfChoice(outcome.draft.choice, job.purpose.block))
                  .pipe(map((scene) => ({ walls, outcome, scene }))),
              ),
              refused(() => null),
            ),
          ),
        ),
      ),
      map((ways) => ways.filter((way) => way !== null)),
    ),
    { initialValue: null },
  );
}
