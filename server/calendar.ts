import { createEvents } from 'ics';
import { CoreError } from '@core/ground/errors';

export interface CalendarEvent {
  /** The same event exported again replaces itself. */
  uid: string;
  from: number;
  to: number;
  title: string;
  description: string;
  location: string;
}

/** Events as an iCalendar file, in UTC, so that every calendar shows them by its own clock. @throws CoreError `bad_input` */
export function calendarFile(events: CalendarEvent[]): string {
  const { value, error } = createEvents(
    events.map(({ uid, from, to, title, description, location }) => ({
      uid,
      start: from,
      startInputType: 'utc',
      startOutputType: 'utc',
      end: to,
      endInputType: 'utc',
      endOutputType: 'utc',
      title,
      description,
      location,
      productId: 'glow-den',
      calName: 'Glow Den',
    })),
  );
  if (error || !value)
    throw new CoreError(
      'bad_input',
      `The calendar could not be written: ${error?.message ?? 'no events'}.`,
      {},
      'Check the times.',
    );
  return value;
}
