import { ApplicationRef } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { Timers } from './timers';

describe('timers', () => {
  const made = (): Timers => {
    TestBed.resetTestingModule();
    const timers = TestBed.inject(Timers);
    TestBed.inject(ApplicationRef).tick();
    return timers;
  };
  beforeEach(() => {
    localStorage.clear();
    jest.useFakeTimers({ now: 1_000_000, doNotFake: ['queueMicrotask'] });
  });
  afterEach(() => jest.useRealTimers());

  it('run several at once, keep copies waiting, and end by the clock', () => {
    const timers = made();
    timers.start('White glue: Unit 1', 1, 'unit 0');
    timers.start('Under a book', 2, null);
    TestBed.inject(ApplicationRef).tick();
    expect(timers.all().map(({ seconds }) => seconds)).toEqual([60, 120]);
    expect([...timers.copies()]).toEqual(['unit 0']);
    jest.advanceTimersByTime(61_000);
    expect(timers.all().map(({ seconds }) => seconds)).toEqual([0, 59]);
    expect(timers.copies().size).toBe(0);
    timers.end(timers.all()[0].id);
    expect(timers.all().map(({ name }) => name)).toEqual(['Under a book']);
  });

  it('go on when the page is read anew, by what the clock says then', () => {
    made().start('Paste', 10, 'unit 3');
    TestBed.inject(ApplicationRef).tick();
    jest.setSystemTime(1_000_000 + 240_000);
    const again = made();
    expect(again.all().map(({ name, seconds }) => [name, seconds])).toEqual([['Paste', 360]]);
    expect(again.copies().has('unit 3')).toBe(true);
  });

  it('of a store that holds something else begin empty', () => {
    localStorage.setItem('odd-corner.timers', '[{"id":4}]');
    expect(made().all()).toEqual([]);
  });
});
