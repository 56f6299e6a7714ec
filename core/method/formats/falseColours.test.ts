import { colourAt, type ColourMapName } from '../scale/colourMaps';
import { normalFrom, seededRandom } from '../../ground/random';
import { looksFalseColoured } from './falseColours';

const SIDE = 96;
const rgbOf = (at: (x: number, y: number) => readonly [number, number, number]) =>
  Uint8Array.from(Array.from({ length: SIDE * SIDE }, (_, i) => at(i % SIDE, Math.floor(i / SIDE))).flat());
const normal = normalFrom(seededRandom(6));
const blurred = (value: number, spread: number) => Math.max(0, Math.min(255, value + spread * normal()));

test.each(['hearth', 'balance'] as ColourMapName[])('a frame in the colours “%s” is recognised, squeezed as JPEG does', (map) => {
  const picture = rgbOf((x, y) => {
    const colour = colourAt(map, 0.5 + 0.45 * Math.sin(x / 17) * Math.cos(y / 23));
    return [blurred(colour[0], 3), blurred(colour[1], 3), blurred(colour[2], 3)];
  });
  expect(looksFalseColoured(picture)).toBe(true);
});

test('a daylight photo with many colours is none', () => {
  const photo = rgbOf((x, y) => [
    blurred(90 + 80 * Math.sin(x / 9), 25),
    blurred(100 + 70 * Math.cos((x + y) / 13), 25),
    blurred(110 + 90 * Math.sin(y / 7), 25),
  ]);
  expect(looksFalseColoured(photo)).toBe(false);
});

test('a grey picture and a wall in lamplight are none', () => {
  expect(looksFalseColoured(rgbOf((x) => [x * 2, x * 2, x * 2]))).toBe(false);
  expect(looksFalseColoured(rgbOf((x) => [200, 150 + (x % 4), 90]))).toBe(false);
});

test('too small a picture says nothing', () => expect(looksFalseColoured(new Uint8Array(30))).toBe(false));
