import { inject, Injectable, signal } from '@angular/core';
import type { FormGroup } from '@angular/forms';
import { catchError, defer, EMPTY, finalize, type Observable } from 'rxjs';
import { ApiFailure } from '../../data/api';
import { UndoBar } from '../undo/undo-bar';
import { land, type PlaceOf } from './schema-form';

/** Sends what a form holds, once at a time. What the server refuses lands beside its field; the form stays as it was typed. */
@Injectable()
export class Sending {
  private readonly undo = inject(UndoBar);
  readonly now = signal(false);

  /**
   * @param placeOf where in the form a part of the draft stands, when it has another place there
   * @returns the answer, or nothing when it failed: that has been told then
   */
  send<T>(
    request: Observable<T>,
    { form, placeOf }: { readonly form: FormGroup; readonly placeOf?: PlaceOf },
  ): Observable<T> {
    return defer(() => {
      this.now.set(true);
      return request;
    }).pipe(
      catchError((error: unknown) => {
        const issues = error instanceof ApiFailure ? error.issues : [];
        if (!issues.length || land(form, issues, placeOf).length) this.undo.failed(error);
        return EMPTY;
      }),
      finalize(() => this.now.set(false)),
    );
  }
}
