import type { Codec } from './codec';

const DAY = /^(\d{4})-(\d{2})-(\d{2})$/;
const CLOCK = /^(\d{1,2})(?::(\d{2}))?$/;

const two = (n: number): string => `${n}`.padStart(2, '0');

/** A day of the calendar, as `2026-11-29`. */
export const day: Codec<string> = {
  read: (text) => {
    const [, year, month, date] = DAY.exec(text.trim()) ?? [];
    const at = new Date(Number(year), Number(month) - 1, Number(date));
    return year && at.getMonth() === Number(month) - 1
      ? { value: text.trim() }
      : { why: 'Write a day as year-month-day, for example 2026-03-14.' };
  },
  write: (value) => value,
};

/** The day of a moment, by the clock here. */
export function dayOf(moment: string | number): string {
  const at = new Date(moment);
  return `${at.getFullYear()}-${two(at.getMonth() + 1)}-${two(at.getDate())}`;
}

/** A time of the day, in minutes after midnight, as `19:30`. */
export const clock: Codec<number> = {
  read: (text) => {
    const [, hours, minutes = '0'] = CLOCK.exec(text.trim()) ?? [];
    return hours !== undefined && Number(hours) < 24 && Number(minutes) < 60
      ? { value: 60 * Number(hours) + Number(minutes) }
      : { why: 'Write a time as hours and minutes, for example 19:30.' };
  },
  write: (value) => `${two(Math.floor(value / 60))}:${two(value % 60)}`,
};
