import type { DestroyRef } from '@angular/core';
import { type AtHand, TableTime } from './table-time';

describe('time at the table', () => {
  let ended: () => void;
  const gone = { onDestroy: (end: () => void) => (ended = end) } as unknown as DestroyRef;
  let at: AtHand | null;
  const hide = (hidden: boolean): void => {
    jest.spyOn(document, 'hidden', 'get').mockReturnValue(hidden);
    document.dispatchEvent(new Event('visibilitychange'));
  };

  beforeEach(() => {
    jest.useFakeTimers();
    at = { copy: 'tray 0', step: 'half' };
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
    at = { copy: 'lid 0', step: 'turn' };
    jest.advanceTimersByTime(5000);
    time.keep();
    expect([time.of('tray 0'), time.of('lid 0'), time.of('lid 1')]).toEqual([42, 5, 0]);
  });

  it('counts for each step as well, but not what lay for long', () => {
    const time = new TableTime(() => at, gone);
    jest.advanceTimersByTime(20_000);
    time.keep();
    at = { copy: 'tray 0', step: 'turn' };
    jest.advanceTimersByTime(3_600_000);
    time.keep();
    jest.advanceTimersByTime(7000);
    time.keep();
    expect(time.stepsOf('tray 0')).toEqual({ half: 20, turn: 7 });
    time.know('tray 0', 0, { turn: 30, corners: 12 });
    expect(time.stepsOf('tray 0')).toEqual({ half: 20, turn: 30, corners: 12 });
    expect(time.stepsOf('lid 0')).toEqual({});
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
