import { DestroyRef, effect, inject, signal, type WritableSignal } from '@angular/core';

/** Kept on this device: a tablet that stands on the table is filled each time. */
const KEPT = 'odd-corner.filled';

const kept = (): boolean => {
  try {
    return localStorage.getItem(KEPT) === 'yes';
  } catch {
    return false;
  }
};

/**
 * Whether the table fills the screen: places, title and strip are folded away, and the browser’s own frame where it lets us.
 * Ends when the table is left, or the browser shows its frame again.
 */
export function filledScreen(): WritableSignal<boolean> {
  const filled = signal(kept());
  const root = document.documentElement;
  const left = (): void => {
    if (!document.fullscreenElement) filled.set(false);
  };
  document.addEventListener('fullscreenchange', left);
  effect(() => {
    const now = filled();
    root.classList.toggle('filled', now);
    try {
      localStorage.setItem(KEPT, now ? 'yes' : 'no');
    } catch {
      // It is asked for again next time.
    }
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
