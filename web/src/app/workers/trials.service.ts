import { DestroyRef, inject, Injectable, InjectionToken } from '@angular/core';
import { proxy, type Remote } from 'comlink';
import { defer, Observable } from 'rxjs';
import type { Attempt } from './attempt';
import type {
  FloatTask,
  FloatTold,
  PourTask,
  PourTold,
  RollChance,
  RollTask,
  RollTold,
  RollTry,
  TrialTasks,
} from './trial-tasks';
import type { TipTask, TipTold } from './tip-task';

/** The tasks, wherever they run. */
export interface TrialWorker {
  readonly tasks: Remote<TrialTasks>;
  readonly end: () => void;
}

export const BEGIN_TRIALS = new InjectionToken<() => TrialWorker>('trial worker');

type Telling<T> = (tell: (value: T) => void, wanted: () => Promise<boolean>) => Promise<unknown>;

/** Work that tells as it goes, and stops when nobody listens any more. */
function telling<T>(work: Telling<T>): Observable<T> {
  return new Observable<T>((listener) => {
    let wanted = true;
    work(
      proxy((value: T) => {
        if (wanted) listener.next(value);
      }),
      proxy(() => Promise.resolve(wanted)),
    ).then(
      () => listener.complete(),
      (error: unknown) => listener.error(error),
    );
    return () => (wanted = false);
  });
}

/** Tries makes off the screen’s thread, in a worker that begins with the first trial and ends with the place that asked. */
@Injectable()
export class Trying {
  private readonly begin = inject(BEGIN_TRIALS);
  private worker: TrialWorker | null = null;

  constructor() {
    inject(DestroyRef).onDestroy(() => this.worker?.end());
  }

  private get tasks(): Remote<TrialTasks> {
    return (this.worker ??= this.begin()).tasks;
  }

  /** What is known of a pour as it goes, and at last what it came to; who stops listening stops it. */
  pour(asked: PourTask): Observable<Attempt<PourTold>> {
    return telling<Attempt<PourTold>>((tell, wanted) =>
      this.tasks
        .pour(
          asked,
          proxy((value: PourTold) => tell({ ok: true, value })),
          wanted,
        )
        .then((last) => last && tell(last as Attempt<PourTold>)),
    );
  }

  afloat(asked: FloatTask): Observable<Attempt<FloatTold>> {
    return defer(() => this.tasks.afloat(asked) as Promise<Attempt<FloatTold>>);
  }

  tip(asked: TipTask): Observable<Attempt<TipTold>> {
    return defer(() => this.tasks.tip(asked) as Promise<Attempt<TipTold>>);
  }

  roll(asked: RollTask): Observable<Attempt<RollTold>> {
    return telling<Attempt<RollTold>>((tell, wanted) =>
      this.tasks
        .roll(
          asked,
          proxy((value: RollTold) => tell({ ok: true, value })),
          wanted,
        )
        .then((last) => last && tell(last as Attempt<RollTold>)),
    );
  }

  rollTries(asked: RollTask): Observable<RollTry> {
    return telling((tell, wanted) => this.tasks.rollTries(asked, tell, wanted));
  }

  rollChance(asked: RollTask, handMm: number): Observable<RollChance> {
    return telling((tell, wanted) => this.tasks.rollChance(asked, handMm, tell, wanted));
  }
}
