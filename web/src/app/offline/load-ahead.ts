import { Injectable } from '@angular/core';
import type { PreloadingStrategy, Route } from '@angular/router';
import { EMPTY, type Observable, switchMap, timer } from 'rxjs';
import { canWorkOffline } from './can-work-offline';

/** The page that is open comes first. */
const AFTER_MS = 4000;

/**
 * Loads all places ahead where the page cannot be kept by the browser: an open page goes on when the server is gone. Where it
 * is kept whole, that has been done already.
 */
@Injectable({ providedIn: 'root' })
export class LoadAhead implements PreloadingStrategy {
  preload(_: Route, load: () => Observable<unknown>): Observable<unknown> {
    return canWorkOffline() ? EMPTY : timer(AFTER_MS).pipe(switchMap(load));
  }
}
