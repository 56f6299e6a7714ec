import { plainAlignment, type Alignment } from '../frame/alignment';
import { projected } from '../../ground/homography';
import { normalFrom, seededRandom } from '../../ground/random';
import { renderPhoto } from '../simulate/renderPhoto';
import { wallPair } from '../simulate/series/wallPair';
import type { Place } from './change';
import { inverse } from './maps';
import { differentLooking, type Photo } from './sameLook';

type Colour = readonly [number, number, number];

/** One wall and the photos of two visits, the second in another light. */
function visits(seed: number) {
  const pair = wallPair(seed, { columns: seed % 2 ? [320, 160] : [320, 320] });
  const [first, second] = [renderPhoto(pair.before, 240), renderPhoto(pair.after, 240)];
  const places = pair.places.map(({ name, x, y, width, height }): Place => ({
    name,
    cut: false,
    surface: 'not-said',
    spans: Array.from({ length: height }, (_, k) => ({ y: y + k, from: x, to: x + width - 1 })),
  }));
  const frame = pair.after.camera;
  const back = inverse(pair.transform)!;
  const random = seededRandom(seed);
  const normal = normalFrom(random);
  const light = { gain: 0.6 + 0.8 * random(), across: random() - 0.5, red: 0.9 + 0.2 * random() };
  /** The second photo with one place painted over. */
  const later = (painted: string | null, [red, green, blue]: Colour = [1, 1, 1]): Photo => {
    const place = pair.places.find(({ name }) => name === painted);
    const rgb = second.rgb.map((value, i) => {
      const [x, y] = [Math.floor(i / 3) % second.width, Math.floor(i / 3 / second.width)];
      const scale = frame.width / second.width;
      const [u, v] = projected(back, [(x + 0.5) * scale - 0.5, (y + 0.5) * scale - 0.5]);
      const inside = place && u >= place.x && v >= place.y && u < place.x + place.width && v < place.y + place.height;
      const lit = light.gain * (1 + light.across * (x / second.width - 0.5)) * (i % 3 === 0 ? light.red : 1);
      const paint = inside ? [red, green, blue][i % 3]! : 1;
      return Math.max(0, Math.min(255, Math.round(value * lit * paint + 2 * normal())));
    });
    return { ...second, rgb };
  };
  const over = (photo: Photo, size: { width: number; height: number }, aside = 0) => {
    const [a, b, c, d, e, f] = plainAlignment(size, photo);
    return { photo, frame: { width: size.width, height: size.height }, alignment: [a, b, c + aside, d, e, f] as Alignment };
  };
  return {
    names: places.map(({ name }) => name),
    different: (photo: Photo, aside = 0, of: readonly Place[] = places) => [
      ...differentLooking(over(first, pair.before.camera), over(photo, frame, aside), pair.transform, of),
    ],
    later,
    places,
  };
}

const SEEDS = [1, 2, 3, 4, 5, 6];

test('another light, from another side and of another colour, is no difference', () => {
  for (const seed of SEEDS) {
    const { different, later } = visits(seed);
    expect(different(later(null), seed % 2 ? 0.015 : -0.01)).toEqual([]);
  }
});

test.each([
  ['darker by a quarter', [0.75, 0.75, 0.75]],
  ['yellowed', [1.04, 1, 0.86]],
] as const)('a place that was painted is noticed, and no other one: %s', (_, colour) => {
  for (const seed of SEEDS) {
    const { different, later, names } = visits(seed);
    expect(different(later(names[0]!, colour))).toEqual([names[0]]);
  }
});

test('a place that the later photo does not show, or that is too small, is not said to be different', () => {
  const { different, later, places } = visits(2);
  const dark = later(places[0]!.name, [0.6, 0.6, 0.6]);
  expect(different(dark, 3)).toEqual([]);
  expect(different(dark, 0, [{ ...places[0]!, spans: places[0]!.spans.slice(0, 1) }])).toEqual([]);
});
