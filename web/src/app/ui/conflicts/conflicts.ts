import { inject, Injectable, Injector } from '@angular/core';
import { catchError, EMPTY, from, type Observable, of, switchMap, throwError } from 'rxjs';
import { ApiFailure } from '../../data/api';
import type { Difference, Kept } from './conflict-dialog';

/** One thing that can be said of a row: its name, and what it is. */
export interface Fact {
  readonly name: string;
  readonly text: string;
}

/** A write over a row that was seen in some version. */
export interface Rewrite<T> {
  /** What is being changed, for the dialog's title. */
  readonly title: string;
  readonly seen: T;
  /** Writes over that version. */
  readonly put: (seen: T) => Observable<T>;
  /** What the maker wants it to be. */
  readonly mine: readonly Fact[];
  readonly facts: (row: T) => readonly Fact[];
}

/** When somebody else was quicker, both versions are shown, and the maker chooses which is kept. */
@Injectable({ providedIn: 'root' })
export class Conflicts {
  private readonly injector = inject(Injector);

  /** @returns what is stored now: the maker's version or the other one; nothing when neither was chosen */
  write<T>(rewrite: Rewrite<T>): Observable<T> {
    return rewrite.put(rewrite.seen).pipe(
      catchError((error: unknown) => {
        if (!(error instanceof ApiFailure) || error.status !== 409 || error.current === undefined)
          return throwError(() => error);
        const current = error.current as T;
        const differences = differencesOf(rewrite.mine, rewrite.facts(current));
        // Both want the same: then it is as the maker wants it.
        if (!differences.length) return of(current);
        return this.ask(rewrite.title, differences).pipe(
          switchMap((kept) =>
            kept === 'mine' ? this.write({ ...rewrite, seen: current }) : kept === 'theirs' ? of(current) : EMPTY,
          ),
        );
      }),
    );
  }

  private ask(title: string, differences: readonly Difference[]): Observable<Kept | null> {
    // It is rarely needed, and the first screen waits for what it brings.
    return from(import('./conflict-dialog')).pipe(
      switchMap(({ openConflict }) => openConflict(this.injector, { title, differences })),
    );
  }
}

function differencesOf(mine: readonly Fact[], theirs: readonly Fact[]): readonly Difference[] {
  return mine.flatMap(({ name, text }) => {
    const now = theirs.find((fact) => fact.name === name)?.text ?? '';
    return now === text ? [] : [{ name, mine: text, theirs: now }];
  });
}
