import { effect, signal, type WritableSignal } from '@angular/core';

/** Something that is kept on this device; where it keeps nothing, it lasts as long as the page. To be made where effects may be. */
export function keptHere<T>(key: string, read: (kept: unknown) => T): WritableSignal<T> {
  const name = `odd-corner.${key}`;
  const before = (): unknown => {
    try {
      return JSON.parse(localStorage.getItem(name) ?? 'null');
    } catch {
      return null;
    }
  };
  const value = signal(read(before()));
  effect(() => {
    const now = JSON.stringify(value());
    try {
      localStorage.setItem(name, now);
    } catch {
      // It is asked for again next time.
    }
  });
  return value;
}
