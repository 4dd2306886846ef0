import { computed, inject, Injectable, Injector, signal } from '@angular/core';
import type { Access } from '@odd-corner/contract';
import { catchError, defer, EMPTY, type Observable, share, switchMap, tap } from 'rxjs';
import { Api } from './api';

/** Who uses this page, and what it is asked for when the workshop has a passphrase. */
@Injectable({ providedIn: 'root' })
export class Session {
  private readonly injector = inject(Injector);
  private readonly held = signal<Access | null>(null);
  /** As the server last said; everybody is at home until it has. */
  readonly access = computed((): Access => this.held() ?? { role: 'owner', asked: false });
  /** Whether somebody is in who may look. */
  readonly inside = computed(() => (this.held()?.role ?? null) !== null);
  /** Guests fold and tick; what they may not do is not offered. */
  readonly guest = computed(() => this.access().role === 'guest');
  /** Asks for the passphrase, once for all that wait; emits when it was right. */
  // It is rarely needed, and brings its dialog along.
  readonly signedIn: Observable<unknown> = defer(() => import('../sign-in/sign-in')).pipe(
    switchMap(({ askForPassphrase }) => askForPassphrase(this.injector, (passphrase) => this.signIn(passphrase))),
    share(),
  );

  read(): void {
    this.api
      .call('access')
      .pipe(catchError(() => EMPTY))
      .subscribe((access) => this.held.set(access));
  }

  private signIn(passphrase: string): Observable<Access> {
    return this.api.call('signIn', { body: { passphrase } }).pipe(tap((access) => this.held.set(access)));
  }

  /** The page begins anew, so that nothing of the workshop stays in it. */
  signOut(): void {
    this.api.call('signOut').subscribe(() => {
      void forgetAnswers().finally(() => location.reload());
    });
  }

  /** Asked for late: what sends requests asks this for who is signed in. */
  private get api(): Api {
    return this.injector.get(Api);
  }
}

/** What the browser kept of the server's answers, to show it without the server. */
async function forgetAnswers(): Promise<void> {
  if (!('caches' in globalThis)) return;
  const names = await caches.keys();
  await Promise.all(names.filter((name) => name.includes(':data:')).map((name) => caches.delete(name)));
}
