import { inject, Injectable } from '@angular/core';
import type { TrayRequest } from '@odd-corner/core';
import { defer, type Observable } from 'rxjs';
import type { FoldingTasks, PartAsked, SceneAsked, ShownStep, SizeAnswer, StepsAsked } from './folding-tasks';
import { FOLDING_WORKER } from './folding-worker-token';
import type { TrayScene } from '@odd-corner/core';

/** Asks the folding worker. Nothing is sent before someone subscribes, so a superseded question costs nothing. */
@Injectable({ providedIn: 'root' })
export class Folding {
  private readonly worker = inject(FOLDING_WORKER);

  size(request: TrayRequest): Observable<SizeAnswer> {
    return defer(() => this.worker.size(request));
  }

  scene(asked: SceneAsked): Observable<TrayScene> {
    return defer(() => this.worker.scene(asked));
  }

  steps(asked: StepsAsked): Observable<ShownStep[]> {
    return defer(() => this.worker.steps(asked));
  }

  part(asked: PartAsked): Observable<ReturnType<FoldingTasks['part']>> {
    return defer(() => this.worker.part(asked));
  }
}
