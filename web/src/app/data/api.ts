import { HttpClient, HttpErrorResponse } from '@angular/common/http';
import { inject, Injectable } from '@angular/core';
import { type Answer, type Body, type Issue, problem, type RouteName, routes } from '@odd-corner/contract';
import { catchError, map, type Observable, throwError } from 'rxjs';
import type * as z from 'zod';

/** The server refused, or could not be reached. */
export class ApiFailure extends Error {
  override readonly name = 'ApiFailure';
  constructor(
    /** HTTP status, or 0 when the server could not be reached. */
    readonly status: number,
    message: string,
    readonly issues: readonly Issue[] = [],
    /** With 409: the row as it stands now, parsed as the answer would have been. */
    readonly current: unknown = undefined,
  ) {
    super(message);
  }
}

interface Sent<N extends RouteName> {
  readonly id?: string;
  readonly body?: Body<N>;
}

/** The only way to the server: every answer is parsed by the schema that the server was written against. */
@Injectable({ providedIn: 'root' })
export class Api {
  private readonly http = inject(HttpClient);

  /** @returns one answer; errors with {@link ApiFailure} */
  call<N extends RouteName>(name: N, { id, body }: Sent<N> = {}): Observable<Answer<N>> {
    const { method, path, answer } = routes[name];
    const parse = (raw: unknown): Answer<N> => (answer as unknown as z.ZodType<Answer<N>>).parse(raw);
    // A write that was begun is finished even when the page is left.
    return this.http
      .request(method, path.replace(':id', encodeURIComponent(id ?? '')), { body, keepalive: method !== 'GET' })
      .pipe(
        map(parse),
        catchError((error: unknown) => throwError(() => toFailure(error, parse))),
      );
  }
}

function toFailure(error: unknown, parse: (raw: unknown) => unknown): Error {
  if (!(error instanceof HttpErrorResponse)) return error instanceof Error ? error : new Error(String(error));
  const read = problem.safeParse(error.error);
  if (read.success) {
    const { status, detail, title, issues, current } = read.data;
    return new ApiFailure(status, detail ?? title, issues, current === undefined ? undefined : parse(current));
  }
  return new ApiFailure(
    error.status,
    error.status === 0
      ? 'The workshop’s server does not answer. Is it still running?'
      : `The server answered ${error.status}.`,
  );
}

/** Words for the maker, whatever went wrong. */
export function failureText(error: unknown): string {
  return error instanceof Error ? error.message : String(error);
}
