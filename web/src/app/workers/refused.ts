import { catchError, of, type OperatorFunction, throwError } from 'rxjs';
import { WorkerGone } from './folding-line';

/** What cannot be folded is told by a value in its place; that the worker has gone is no such thing, and may be tried again. */
export function refused<T, R>(told: (error: unknown) => R): OperatorFunction<T, T | R> {
  return catchError((error: unknown) => (error instanceof WorkerGone ? throwError(() => error) : of(told(error))));
}
