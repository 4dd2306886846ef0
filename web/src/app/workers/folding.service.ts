import { inject, Injectable } from '@angular/core';
import { proxy } from 'comlink';
import type { Drawing, StackRequest, TrayRequest } from '@odd-corner/core';
import { defer, Observable } from 'rxjs';
import type {
  FoldingTasks,
  FormAsked,
  FormStepsAsked,
  OpenedPiece,
  PartAsked,
  SceneAsked,
  ShownStep,
  ShownSteps,
  SizeAnswer,
  StepsAsked,
  Tried,
  TrayStack,
} from './folding-tasks';
import { FOLDING_WORKER } from './folding-worker-token';
import type { PaperScene } from '@odd-corner/core';

/** How far a soft piece has opened: steps made, then the piece. */
export interface OpeningState {
  readonly steps: number;
  readonly piece: OpenedPiece | null;
}

/** Asks the folding worker. Nothing is sent before someone subscribes, so a superseded question costs nothing. */
@Injectable({ providedIn: 'root' })
export class Folding {
  private readonly worker = inject(FOLDING_WORKER);

  size(request: TrayRequest): Observable<SizeAnswer> {
    return defer(() => this.worker.size(request));
  }

  stack(asked: StackRequest): Observable<TrayStack> {
    return defer(() => this.worker.stack(asked));
  }

  scene(asked: SceneAsked): Observable<PaperScene> {
    return defer(() => this.worker.scene(asked));
  }

  steps(asked: StepsAsked): Observable<ShownStep[]> {
    return defer(() => this.worker.steps(asked));
  }

  card(formId: string): Observable<Drawing> {
    return defer(() => this.worker.card(formId));
  }

  tried(asked: FormAsked): Observable<Tried> {
    return defer(() => this.worker.tried(asked));
  }

  formSteps(asked: FormStepsAsked): Observable<ShownSteps> {
    return defer(() => this.worker.formSteps(asked));
  }

  /** Steps made so far, then the opened piece; who stops listening stops the work. */
  opened(asked: FormAsked): Observable<OpeningState> {
    return new Observable<OpeningState>((told) => {
      let wanted = true;
      void this.worker
        .opened(
          asked,
          proxy((steps: number) => told.next({ steps, piece: null })),
          proxy(() => Promise.resolve(wanted)),
        )
        .then(
          (piece) => {
            if (piece) told.next({ steps: 0, piece });
            told.complete();
          },
          (error: unknown) => told.error(error),
        );
      return () => (wanted = false);
    });
  }

  part(asked: PartAsked): Observable<ReturnType<FoldingTasks['part']>> {
    return defer(() => this.worker.part(asked));
  }
}
