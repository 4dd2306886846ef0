import type { DestroyRef } from '@angular/core';

/** Keeps the screen from going dark while the page is in view, where the browser can. */
export function keepAwake(gone: DestroyRef): void {
  if (!('wakeLock' in navigator)) return;
  let lock: WakeLockSentinel | null = null;
  const ask = (): void => {
    if (!document.hidden)
      navigator.wakeLock.request('screen').then(
        (got) => (lock = got),
        () => undefined,
      );
  };
  ask();
  document.addEventListener('visibilitychange', ask);
  gone.onDestroy(() => {
    document.removeEventListener('visibilitychange', ask);
    void lock?.release();
  });
}
