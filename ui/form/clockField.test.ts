import { clockMoment, clockText } from './clockField';

test('a moment is shown by the clock of the zone, and comes back from it', () => {
  const time = Date.UTC(2027, 6, 11, 17, 30);
  expect(clockText(time, 'Europe/London')).toBe('2027-07-11T18:30');
  for (const zone of ['Europe/London', 'Asia/Kolkata', 'America/St_Johns', 'Pacific/Auckland'])
    for (let hour = 0; hour < 24 * 300; hour += 7) {
      const moment = Date.UTC(2027, 0, 1, hour, 15);
      const shown = clockText(moment, zone);
      // In the hour that comes twice, the first is meant.
      expect([moment, moment - 3_600_000]).toContain(clockMoment(shown, zone));
    }
});

test('what is half typed means nothing yet', () => {
  expect(clockMoment('', 'UTC')).toBeNull();
  expect(clockMoment('2027-02-11', 'UTC')).toBeNull();
  expect(clockMoment('2027-13-41T10:00', 'UTC')).toBeNull();
});
