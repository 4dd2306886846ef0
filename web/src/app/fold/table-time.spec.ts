import type { DestroyRef } from '@angular/core';
import { TableTime } from './table-time';

describe('time at the table', () => {
  let ended: () => void;
  const gone = { onDestroy: (end: () => void) => (ended = end) } as unknown as DestroyRef;
  let at: string | null;
  const hide = (hidden: boolean): void => {
    jest.spyOn(document, 'hidden', 'get').mockReturnValue(hidden);
    document.dispatchEvent(new Event('visibilitychange'));
  };

  beforeEach(() => {
    jest.useFakeTimers();
    at = 'tray 0';
  });
  afterEach(() => {
    ended();
    jest.restoreAllMocks();
    jest.useRealTimers();
  });

  it('counts for the copy that is folded, not while the page is out of view', () => {
    const time = new TableTime(() => at, gone);
    jest.advanceTimersByTime(30_000);
    hide(true);
    jest.advanceTimersByTime(900_000);
    hide(false);
    jest.advanceTimersByTime(12_000);
    time.keep();
    at = 'lid 0';
    jest.advanceTimersByTime(5000);
    time.keep();
    expect([time.of('tray 0'), time.of('lid 0'), time.of('lid 1')]).toEqual([42, 5, 0]);
  });

  it('goes on from what another device knows, and never back', () => {
    const time = new TableTime(() => at, gone);
    time.know('tray 0', 60);
    time.know('tray 0', 20);
    jest.advanceTimersByTime(5000);
    time.keep();
    expect(time.of('tray 0')).toBe(65);
    at = null;
    jest.advanceTimersByTime(5000);
    time.keep();
    expect(time.of('tray 0')).toBe(65);
    time.clear();
    expect(time.of('tray 0')).toBe(0);
  });
});
