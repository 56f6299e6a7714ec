import { readWeather } from '@core/method/weather/readWeather';
import { februaryWeek } from '@core/testing/material';
import { decodeWeatherText } from './weatherText';

const utf16 = (text: string, swap: boolean) => {
  const bytes = Buffer.from(`\uFEFF${text}`, 'utf16le');
  return new Uint8Array(swap ? bytes.swap16() : bytes);
};

test.each([
  ['UTF-8', new TextEncoder().encode(februaryWeek)],
  ['UTF-8 with mark', new TextEncoder().encode(`\uFEFF${februaryWeek}`)],
  ['UTF-16 little end first', utf16(februaryWeek, false)],
  ['UTF-16 big end first', utf16(februaryWeek, true)],
])('%s is read', (_, bytes) => {
  expect(readWeather(decodeWeatherText(bytes)).hours).toHaveLength(168);
});

test('what is not UTF-8 is taken for Latin-1', () => {
  expect(decodeWeatherText(Uint8Array.of(0x47, 0xe4, 0x72))).toBe('Gär');
});
