import { inject, Injectable } from '@angular/core';
import { proxy } from 'comlink';
import type {
  Blame,
  Confidence,
  Drawing,
  EntryJudged,
  FormAnswered,
  ForetoldSizes,
  Held,
  Looking,
  Make,
  MarksWanted,
  RulerId,
  SheetSize,
  ShownUnit,
  SizedForm,
  SizeSum,
  Squaring,
} from '@odd-corner/core';
import { defer, Observable } from 'rxjs';
import type { AnswersAsked, PictureAsked, ReplaysAsked, SheetChance } from './answer-tasks';
import type { FacesShown } from './face-tasks';
import type { FormAsked } from './fold-piece';
import type { EntryMarks, FoldingOrder, OthersAsked, PieceState, MakeAsked, SizedAsked, WholeMake } from './make-tasks';
import type { FreeAsked, FreeWay, MarksShown } from './mark-tasks';
import type { OpenedPiece, ShownStep, ShownSteps, Tried } from './folding-tasks';
import type { Attempt } from './attempt';
import type { FormStepsAsked } from './marked-piece';
import type { StatesBefore } from './slip-tasks';
import { FOLDING_WORKER, PICTURE_WORKER } from './folding-worker-token';

/** How far a soft piece has opened: steps made, then the piece. */
export interface OpeningState {
  readonly steps: number;
  readonly piece: OpenedPiece | null;
}

/** How much of a search for marks is done, then what it found. */
export interface FreeState {
  readonly share: number;
  readonly ways: readonly FreeWay[] | null;
}

/** Work that reports progress, and stops when nobody listens any more. */
function told<T>(work: (tell: (value: T) => void, wanted: () => Promise<boolean>) => Promise<void>): Observable<T> {
  return new Observable<T>((listener) => {
    let wanted = true;
    work(
      proxy((value: T) => listener.next(value)),
      proxy(() => Promise.resolve(wanted)),
    ).then(
      () => listener.complete(),
      (error: unknown) => listener.error(error),
    );
    return () => (wanted = false);
  });
}

/** Asks the folding worker. Nothing is sent before someone subscribes, so a superseded question costs nothing. */
@Injectable({ providedIn: 'root' })
export class Folding {
  private readonly worker = inject(FOLDING_WORKER);
  private readonly drawer = inject(PICTURE_WORKER);

  /** Learns all forms in its idle time, where many are about to be asked for, so that they are answered sooner. */
  learnAhead(): void {
    this.worker.warmUp().catch(() => undefined);
  }

  sized(asked: SizedAsked): Observable<Attempt<SizedForm>> {
    return defer(() => this.worker.sized(asked));
  }

  judged(asked: MakeAsked): Observable<Attempt<readonly EntryJudged[]>> {
    return defer(() => this.worker.judged(asked));
  }

  whole(asked: OthersAsked): Observable<Attempt<WholeMake>> {
    return defer(() => this.worker.whole(asked));
  }

  pieceStates(asked: MakeAsked): Observable<readonly PieceState[]> {
    return defer(() => this.worker.pieceStates(asked));
  }

  order(make: Make, marks?: EntryMarks): Observable<Attempt<FoldingOrder>> {
    return defer(() => this.worker.order(make, marks));
  }

  marks(asked: FormAsked, wanted: MarksWanted, unit: ShownUnit): Observable<Attempt<MarksShown>> {
    return defer(() => this.worker.marks(asked, wanted, unit));
  }

  /** How much has been looked at, then the ways; who stops listening stops the work. */
  freeWays(asked: FreeAsked): Observable<FreeState> {
    return told((tell, wanted) =>
      this.worker
        .freeWays(
          asked,
          proxy((share: number) => tell({ share, ways: null })),
          wanted,
        )
        .then((ways) => {
          if (ways) tell({ share: 1, ways });
        }),
    );
  }

  card(formId: string): Observable<Drawing> {
    return defer(() => this.drawer.card(formId));
  }

  tried(asked: FormAsked): Observable<Tried> {
    return defer(() => this.worker.tried(asked));
  }

  sums(asked: FormAsked): Observable<readonly SizeSum[]> {
    return defer(() => this.worker.sums(asked));
  }

  squaring(size: SheetSize, how: Squaring, looking: Looking): Observable<readonly ShownStep[]> {
    return defer(() => this.worker.squaring(size, how, looking));
  }

  formSteps(asked: FormStepsAsked): Observable<ShownSteps> {
    return defer(() => this.worker.formSteps(asked));
  }

  /** A step as it moves; null where that is not known. */
  moving(asked: FormStepsAsked, index: number): Observable<readonly Drawing[] | null> {
    return defer(() => this.worker.moving(asked, index));
  }

  /** The states before a step, and those that its usual slips lead to. */
  statesAround(asked: FormStepsAsked, index: number): Observable<StatesBefore> {
    return defer(() => this.worker.statesAround(asked, index));
  }

  /** Which faces of a piece show, and where they lie on its sheet. */
  facesShown(asked: FormAsked, state: 'finished' | 'open', looking: Looking): Observable<Attempt<FacesShown>> {
    return defer(() => this.worker.facesShown(asked, state, looking));
  }

  /** A folded piece as an STL file. */
  solid(asked: FormAsked, state: 'finished' | 'open'): Observable<Attempt<string>> {
    return defer(() => this.worker.solid(asked, state));
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

  /** Forms that answer a purpose as they become known; who stops listening stops the work. */
  answers(asked: AnswersAsked): Observable<FormAnswered> {
    return told((tell, wanted) => this.worker.answers(asked, tell, wanted));
  }

  answerPicture(asked: PictureAsked): Observable<Drawing> {
    return defer(() => this.drawer.answerPicture(asked));
  }

  /** What replays have shown so far, the last being all of them; who stops listening stops the work. */
  replays(asked: ReplaysAsked): Observable<Confidence> {
    return told((tell, wanted) => this.worker.replays(asked, tell, wanted).then(tell));
  }

  /** Chances from the sheets beside an answer's own, one by one; who stops listening stops the work. */
  chances(asked: ReplaysAsked): Observable<SheetChance> {
    return told((tell, wanted) => this.worker.chances(asked, tell, wanted));
  }

  blamed(asked: ReplaysAsked): Observable<readonly Blame[]> {
    return defer(() => this.worker.blamed(asked));
  }

  holds(sheet: SheetSize, thicknessMm: number, ruler: RulerId): Observable<readonly Held[]> {
    return defer(() => this.worker.holds(sheet, thicknessMm, ruler));
  }

  heldPicture(held: Pick<Held, 'formId' | 'sheet' | 'params'>, thicknessMm: number): Observable<Drawing> {
    return defer(() => this.drawer.heldPicture(held, thicknessMm));
  }

  foretold(make: Make, handMm: number): Observable<Attempt<ForetoldSizes>> {
    return defer(() => this.worker.foretold(make, handMm));
  }
}
