/** A sitting as a calendar shows it: from and to in ms, and what is done in it. */
export interface CalendarSitting {
  readonly from: number;
  readonly to: number;
  readonly words: string;
}

/** The sittings of a run as an iCalendar file (RFC 5545). The library comes when a calendar is first asked for. */
export async function calendarOf(sittings: readonly CalendarSitting[]): Promise<string> {
  const { default: ical } = await import('ical-generator');
  const calendar = ical({ name: 'Folding', prodId: { company: 'Odd Corner', product: 'Run' } });
  for (const { from, to, words } of sittings)
    calendar.createEvent({
      id: `run-${from}@odd-corner`,
      start: new Date(from),
      end: new Date(to),
      summary: 'Folding',
      description: words,
    });
  return calendar.toString();
}
