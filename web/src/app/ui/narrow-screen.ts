import { DestroyRef, inject, type Signal, signal } from '@angular/core';

/** As wide as a phone is held upright, and a little more. */
const NARROW = '(max-width: 640px)';

/** Whether the screen is narrow now; follows turning and resizing for as long as whoever asks is there. */
export function narrowScreen(): Signal<boolean> {
  // Tests run without a screen.
  if (typeof matchMedia !== 'function') return signal(false);
  const query = matchMedia(NARROW);
  const narrow = signal(query.matches);
  const changed = (): void => narrow.set(query.matches);
  query.addEventListener('change', changed);
  inject(DestroyRef).onDestroy(() => query.removeEventListener('change', changed));
  return narrow.asReadonly();
}
