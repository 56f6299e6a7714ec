import { weatherLines } from './lines';
import { readWeather } from './readWeather';

test('lines by any end', () => expect(weatherLines('a\r\nb\nc\rd')).toEqual(['a', 'b', 'c', 'd']));

test('a line that is no hour by its length is named', () => {
  expect(() => weatherLines(`a\n${'x'.repeat(5000)}\nb`)).toThrow(
    expect.objectContaining({ code: 'malformed', where: { line: 2 } }),
  );
});

test('more lines than eleven years have are refused', () => {
  expect(weatherLines('\n'.repeat(99_999))).toHaveLength(100_000);
  expect(() => weatherLines('\n'.repeat(100_000))).toThrow(expect.objectContaining({ code: 'too_large' }));
});

const HEADER = 'time,temperature_c,cloud_percent,wind_m_s,rain_mm,humidity_percent';
const hour = (h: number, temperature: string) => `2027-02-11T${String(h).padStart(2, '0')}:00Z,${temperature},50,2,0,80`;

test('cells may be quoted; a quote without its end costs its line and no more', () => {
  const quoted = [HEADER, hour(0, '"4.5"'), hour(1, '5')].join('\n');
  expect(readWeather(quoted).hours.map(({ temperatureC }) => temperatureC)).toEqual([4.5, 5]);
  const open = [HEADER, hour(0, '"4.5'), hour(1, '5')].join('\n');
  expect(() => readWeather(open)).toThrow(expect.objectContaining({ where: expect.objectContaining({ line: 2 }) }));
});
