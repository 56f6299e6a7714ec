import { CoreError } from '@core/ground/errors';
import { calendarFile } from './calendar';

const event = {
  uid: 'a@glow-den',
  from: Date.UTC(2027, 1, 11, 20),
  to: Date.UTC(2027, 1, 11, 23),
  title: 'Thermal survey: Old Kiln Row; No. 2, left',
  description: 'Line one\nBEGIN:VEVENT',
  location: '2 Old Kiln Row, Tilebury',
};

/** Lines as a reader of the format sees them, folded ones joined. */
const lines = (text: string) => text.replace(/\r\n[ \t]/g, '').split('\r\n');

test('a slot is an event in UTC', () => {
  const text = lines(calendarFile([event]));
  expect(text[0]).toBe('BEGIN:VCALENDAR');
  expect(text).toContain('DTSTART:20270211T200000Z');
  expect(text).toContain('DTEND:20270211T230000Z');
  expect(text).toContain('UID:a@glow-den');
});

test('typed text stays text: separators are escaped and line ends cannot begin an event', () => {
  const text = lines(calendarFile([event]));
  expect(text).toContain('SUMMARY:Thermal survey: Old Kiln Row\\; No. 2\\, left');
  expect(text.filter((line) => line === 'BEGIN:VEVENT')).toHaveLength(1);
});

test('several events are several events', () => {
  expect(lines(calendarFile([event, { ...event, uid: 'b@glow-den' }])).filter((line) => line === 'BEGIN:VEVENT')).toHaveLength(2);
});

test('times that are none are refused', () => {
  expect(() => calendarFile([{ ...event, from: NaN }])).toThrow(CoreError);
});
