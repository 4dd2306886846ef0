import { HttpClient, HttpErrorResponse } from '@angular/common/http';
import { inject, Injectable } from '@angular/core';
import {
  type Answer,
  type Body,
  type BrokenRow,
  type Issue,
  type Listed,
  problem,
  type Query,
  type RouteName,
  routes,
  ROWS,
} from '@odd-corner/contract';
import { catchError, EMPTY, expand, from, map, type Observable, reduce, throwError } from 'rxjs';
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
  readonly query?: Query<N>;
  /** For routes that take a file, as it is. */
  readonly file?: Blob;
}

/** Routes that answer a list in parts. */
export type ListRoute = 'papers' | 'things' | 'hands' | 'jobs' | 'log' | 'trials' | 'cuttingPlans';

/** All rows of a list, and those that cannot be read. */
export type Whole<T> = Pick<Listed<T>, 'rows' | 'broken'>;

/** A row of a list. */
export type RowOf<N extends ListRoute> = Answer<N>['rows'][number];

/** The only way to the server: every answer is parsed by the schema that the server was written against. */
@Injectable({ providedIn: 'root' })
export class Api {
  private readonly http = inject(HttpClient);

  /** @returns one answer; errors with {@link ApiFailure} */
  call<N extends RouteName>(name: N, { id, body, query, file }: Sent<N> = {}): Observable<Answer<N>> {
    const { method, path, answer } = routes[name];
    const parse = (raw: unknown): Answer<N> => (answer as unknown as z.ZodType<Answer<N>>).parse(raw);
    // A write that was begun is finished even when the page is left.
    return this.http
      .request(method, path.replace(':id', encodeURIComponent(id ?? '')), {
        body: file ?? body,
        params: paramsOf(query as object | undefined),
        // A browser keeps only short ones alive.
        keepalive: method !== 'GET' && !file,
      })
      .pipe(
        map(parse),
        catchError((error: unknown) => throwError(() => toFailure(error, parse))),
      );
  }

  /** A file that a route makes. @returns one answer; errors with {@link ApiFailure} */
  file<N extends RouteName>(name: N, { id, query }: Pick<Sent<N>, 'id' | 'query'>): Observable<Blob> {
    const { path } = routes[name];
    const asked = { params: paramsOf(query as object | undefined), responseType: 'blob' } as const;
    return this.http.get(path.replace(':id', encodeURIComponent(id ?? '')), asked).pipe(
      catchError((error: unknown) => from(readRefusal(error))),
      map((answer) => {
        if (answer instanceof Error) throw answer;
        return answer;
      }),
    );
  }

  /** A whole list, part after part. */
  all<N extends ListRoute>(name: N, query?: Query<N>): Observable<Whole<RowOf<N>>> {
    const part = (cursor?: string): Observable<Listed<RowOf<N>>> =>
      this.call(name, { query: { ...(query as object | undefined), limit: ROWS.most, cursor } as Query<N> });
    return part().pipe(
      expand(({ next }) => (next === null ? EMPTY : part(next))),
      reduce(
        (all: Whole<RowOf<N>>, { rows, broken }) => ({
          rows: [...all.rows, ...rows],
          broken: [...all.broken, ...broken],
        }),
        { rows: [], broken: [] as BrokenRow[] },
      ),
    );
  }
}

/** What follows the question mark: what is not asked is left out. */
const paramsOf = (query: object | undefined): Record<string, string> =>
  Object.fromEntries(
    Object.entries(query ?? {}).flatMap(([name, value]) => (value === undefined ? [] : [[name, String(value)]])),
  );

/** What a server says that was asked for a file comes as one too. */
async function readRefusal(error: unknown): Promise<Error> {
  if (!(error instanceof HttpErrorResponse) || !(error.error instanceof Blob)) return toFailure(error, (raw) => raw);
  const text = await error.error.text();
  let said: unknown = null;
  try {
    said = JSON.parse(text);
  } catch {
    // It is told by its number alone.
  }
  return toFailure(new HttpErrorResponse({ status: error.status, error: said }), (raw) => raw);
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
      ? 'The workshop’s server is not answering. Is it still running?'
      : `The server answered ${error.status}.`,
  );
}

/** Words for the maker, whatever went wrong. */
export function failureText(error: unknown): string {
  return error instanceof Error ? error.message : String(error);
}
