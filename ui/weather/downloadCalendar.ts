import type { CoreErrorData } from '@core/ground/errors';
import { saveFile } from '@ui/server/saveFile';

export interface CalendarSlot {
  uid: string;
  from: number;
  to: number;
  title: string;
  description: string;
  location: string;
}

/** Has slots written as a calendar file and hands it to the browser. @throws Error with words for people */
export async function downloadCalendar(name: string, events: CalendarSlot[]): Promise<void> {
  const response = await fetch('/api/calendar', {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ name, events }),
  }).catch(() => {
    throw new Error('The connection was lost. Try again.');
  });
  if (!response.ok) {
    const { error } = (await response.json()) as { error: CoreErrorData };
    throw new Error(`${error.message} ${error.hint}`);
  }
  saveFile(await response.blob(), `${name}.ics`);
}
