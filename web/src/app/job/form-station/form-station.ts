import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import type { Choice, Job, Paper } from '@odd-corner/contract';
import { squareTray } from '@odd-corner/core';
import { catchError, combineLatest, concatMap, forkJoin, map, of, switchMap } from 'rxjs';
import { sceneOfChoice } from '../../data/choice-of';
import { DrawingView } from '../../ui/drawing-view/drawing-view';
import { coloursOf } from '../../ui/drawing-view/paper-colours';
import { LengthPipe } from '../../ui/length-text/length.pipe';
import { SizesPipe } from '../../ui/length-text/sizes.pipe';
import { Folding } from '../../workers/folding.service';
import { decidingOf, type Outcome, workOut } from '../job-change';

/** Which form, and which of its ways: both side by side with what they would take. */
@Component({
  selector: 'oc-form-station',
  imports: [DrawingView, LengthPipe, RouterLink, SizesPipe],
  templateUrl: './form-station.html',
  styleUrl: './form-station.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FormStation {
  readonly job = input.required<Job>();
  readonly paper = input.required<Paper | null>();
  readonly saving = input(false);
  readonly keep = output<Outcome>();
  private readonly folding = inject(Folding);

  protected readonly form = squareTray;
  protected readonly colours = computed(() => coloursOf(this.paper()));
  protected readonly ways = toSignal(
    combineLatest([toObservable(this.job), toObservable(this.paper)]).pipe(
      switchMap(([job, paper]) =>
        forkJoin(
          (['folded', 'measured'] as const satisfies readonly Choice['walls'][]).map((walls) =>
            workOut(job, { ...decidingOf(job, paper), walls }, this.folding).pipe(
              concatMap((outcome) =>
                this.folding
                  .scene(sceneOfChoice(outcome.draft.choice, job.purpose.block))
                  .pipe(map((scene) => ({ walls, outcome, scene }))),
              ),
              catchError(() => of(null)),
            ),
          ),
        ),
      ),
      map((ways) => ways.filter((way) => way !== null)),
    ),
    { initialValue: null },
  );
}
