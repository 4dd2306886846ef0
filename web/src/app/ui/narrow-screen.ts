import { BreakpointObserver } from '@angular/cdk/layout';
import { inject, type Signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { map } from 'rxjs';

/** As wide as a phone is held upright, and a little more. */
const NARROW = '(max-width: 640px)';

/** Whether the screen is narrow now; follows turning and resizing for as long as its component lives. */
export function narrowScreen(): Signal<boolean> {
  const screen = inject(BreakpointObserver);
  return toSignal(screen.observe(NARROW).pipe(map(({ matches }) => matches)), {
    initialValue: screen.isMatched(NARROW),
  });
}
