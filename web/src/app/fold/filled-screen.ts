import { DestroyRef, effect, inject, type WritableSignal } from '@angular/core';
import { keptHere } from '../data/device';

/**
 * Whether the table fills the screen: places, title and strip are folded away, and the browser’s own frame where it lets us.
 * Ends when the table is left, or the browser shows its frame again.
 */
export function filledScreen(): WritableSignal<boolean> {
  // Kept on this device: a tablet that stands on the table is filled each time.
  const filled = keptHere('filled', (kept) => kept === true);
  const root = document.documentElement;
  const left = (): void => {
    if (!document.fullscreenElement) filled.set(false);
  };
  document.addEventListener('fullscreenchange', left);
  effect(() => {
    root.classList.toggle('filled', filled());
  });
  inject(DestroyRef).onDestroy(() => {
    document.removeEventListener('fullscreenchange', left);
    root.classList.remove('filled');
    if (document.fullscreenElement) void document.exitFullscreen();
  });
  return filled;
}

/** Fills the screen or shows everything again. A browser fills it only when a hand has just asked for it. */
export function fillScreen(filled: WritableSignal<boolean>): void {
  const now = !filled();
  filled.set(now);
  if (now && document.fullscreenEnabled) document.documentElement.requestFullscreen().catch(() => undefined);
  else if (document.fullscreenElement) void document.exitFullscreen();
}
