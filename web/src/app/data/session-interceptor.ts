import { HttpErrorResponse, type HttpInterceptorFn } from '@angular/common/http';
import { inject } from '@angular/core';
import { PAGE_HEADER, routes } from '@odd-corner/contract';
import { catchError, switchMap, take, throwError } from 'rxjs';
import { PAGE_ID } from './page-id';
import { Session } from './session';

const UNAUTHORIZED = 401;

/**
 * Says which page a change is from. A request that needs the passphrase waits until it was given and is sent again, so that
 * nothing that was entered is lost.
 */
export const sessionInterceptor: HttpInterceptorFn = (request, next) => {
  const session = inject(Session);
  const sent = request.method === 'GET' ? request : request.clone({ setHeaders: { [PAGE_HEADER]: PAGE_ID } });
  return next(sent).pipe(
    catchError((error: unknown) => {
      const asked = error instanceof HttpErrorResponse && error.status === UNAUTHORIZED;
      if (!asked || request.url === routes.signIn.path) return throwError(() => error);
      return session.signedIn.pipe(
        take(1),
        switchMap(() => next(sent)),
      );
    }),
  );
};
