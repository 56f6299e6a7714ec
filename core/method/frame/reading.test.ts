import type { CoreError } from '../../ground/errors';
import { cameraErrors, uncertainSettings } from '../../testing/uncertain';
import { normalFrom, seededRandom } from '../../ground/random';
import { errorOf } from '../../testing/material';
import { APPARENT } from '../../ground/basis';
import { estimateNoise } from '../../ground/noise';
import { frameForPhoto } from './pairPhoto';
import { differenceOf, meanUnder, proposedBy, readRegion } from './reading';
import type { Shape } from './region';

/** 18 °C on the left, 13 °C on the right, with noise. */
function halves(noise: number) {
  const normal = normalFrom(seededRandom(5));
  const values = Float32Array.from({ length: 80 * 60 }, (_, i) => (i % 80 < 40 ? 18 : 13) + noise * normal());
  return { width: 80, height: 60, values, basis: APPARENT };
}

const box = (x: number): Shape => ({ kind: 'box', x, y: 10, width: 20, height: 20 });

describe('reading a region', () => {
  const frame = halves(0.05);
  const camera = cameraErrors();
  const read = (id: string, shape: Shape, settings: Parameters<typeof uncertainSettings>[0] = {}, of = frame) =>
    readRegion(of, { id, name: id, shape }, uncertainSettings(settings), camera);
  const left = read('left', box(5));
  const right = read('right', box(55));

  test('gives its mean, and calibration rules its uncertainty', () => {
    expect(left.statistics.mean).toBeCloseTo(18, 1);
    expect(left.uncertainty.total).toBeGreaterThan(1);
    expect(left.uncertainty.total).toBeLessThan(1.05);
  });

  test('in a difference calibration cancels: five kelvin stand out', () => {
    const difference = differenceOf(right, left);
    expect(difference.value).toBeCloseTo(-5, 1);
    expect(difference.uncertainty.total).toBeLessThan(0.25);
    expect(difference.significant).toBe(true);
    expect(differenceOf(left, right).value).toBeCloseTo(-difference.value, 12);
  });

  test('a region against itself differs by nothing', () => {
    const none = differenceOf(left, left);
    expect(none.value).toBe(0);
    expect(none.significant).toBe(false);
  });

  test('lower emissivity makes the cold side colder', () => {
    const colder = read('right', box(55), { emissivity: 0.9 });
    expect(colder.statistics.mean).toBeLessThan(right.statistics.mean);
    expect(
      meanUnder(frame, { name: 'right', shape: box(55) }, { emissivity: 0.9, reflected: 20, air: 20, transmittance: 1 }),
    ).toBe(colder.statistics.mean);
  });

  test('pixels that the settings make impossible are counted; a region of nothing else is refused', () => {
    const mirror = { emissivity: 0.1, reflected: 35 };
    const mixed = { ...frame, values: frame.values.map((v, i) => (i % 80 < 40 ? 60 : v)) };
    const across: Shape = { kind: 'box', x: 30, y: 0, width: 20, height: 10 };
    expect(read('edge', across, mirror, mixed).lost).toBe(100);
    const error = errorOf(() => read('right', box(55), mirror, mixed)) as CoreError;
    expect(error.code).toBe('impossible');
  });
});

describe('what a pair is stated by', () => {
  const normal = normalFrom(seededRandom(9));
  // Sound wall of 18 °C; in the middle a leak of 9 × 9 pixels, 7.8 K colder.
  const values = Float32Array.from({ length: 120 * 90 }, (_, i) => {
    const [x, y] = [i % 120, Math.floor(i / 120)];
    return 18 - (Math.abs(x - 60) < 5 && Math.abs(y - 45) < 5 ? 7.8 : 0) + 0.05 * normal();
  });
  const frame = { width: 120, height: 90, values, basis: APPARENT };
  const read = (id: string, shape: Shape) =>
    readRegion(frame, { id, name: id, shape }, uncertainSettings({ emissivity: 1 }), cameraErrors());
  const whole = read('whole', { kind: 'box', x: 50, y: 35, width: 20, height: 20 });
  const sound = read('sound', { kind: 'box', x: 5, y: 5, width: 30, height: 30 });

  test('the mean of a box over a leak hides it; its coldest part does not, and is proposed', () => {
    expect(differenceOf(whole, sound).value).toBeCloseTo((-7.8 * 81) / 400, 1);
    const coldest = differenceOf(whole, sound, 'coldest');
    expect(coldest.value).toBeCloseTo(-7.9, 1);
    expect(coldest.significant).toBe(true);
    expect(proposedBy(whole, sound)).toBe('coldest');
    expect(proposedBy(sound, whole)).toBe('mean');
    expect(proposedBy(read('tight', { kind: 'box', x: 56, y: 41, width: 9, height: 9 }), sound)).toBe('mean');
  });

  test('a small part rests on few pixels, and its noise is larger', () => {
    const noise = (by: 'mean' | 'coldest') => differenceOf(whole, sound, by).uncertainty.noise;
    expect(noise('coldest')).toBeGreaterThan(3 * noise('mean'));
  });

  test('of sound wall the coldest part lies two standard deviations of the noise below: no finding', () => {
    const other = read('other', { kind: 'box', x: 80, y: 5, width: 30, height: 30 });
    expect(Math.abs(differenceOf(other, sound, 'coldest').value)).toBeLessThan(0.15);
    expect(differenceOf(other, sound, 'coldest').significant).toBe(false);
  });
});

describe('noise from the frame itself', () => {
  test.each([0.02, 0.05, 0.1, 0.3])('%p K is found to 5 %, in spite of an edge', (noise) => {
    expect(Math.abs(estimateNoise(halves(noise)) / noise - 1)).toBeLessThan(0.05);
  });
  test('a frame without noise has none, one with missing pixels still has some', () => {
    expect(estimateNoise(halves(0))).toBe(0);
    const holed = halves(0.1);
    for (let i = 0; i < holed.values.length; i += 37) holed.values[i] = NaN;
    expect(estimateNoise(holed)).toBeCloseTo(0.1, 1);
    expect(estimateNoise({ width: 2, height: 2, values: new Float32Array(4) })).toBe(0);
  });
});

describe('pairing a photo', () => {
  const frames = [
    { id: 'a', fileName: 'Row-0012.tif', takenAt: 1_000_000 },
    { id: 'b', fileName: 'Row-0013.tif', takenAt: 1_060_000 },
  ];
  const photo = (fileName: string, takenAt: number) => frameForPhoto({ id: 'p', fileName, takenAt }, frames);

  test('by name first, whatever the time', () => {
    expect(photo('row-0012.jpg', 9e9)).toBe('a');
    expect(photo('Row-0013-photo.jpg', 0)).toBe('b');
  });
  test('else the nearest within a minute', () => {
    expect(photo('x.jpg', 1_029_000)).toBe('a');
    expect(photo('x.jpg', 1_031_000)).toBe('b');
    expect(photo('x.jpg', 1_121_000)).toBeNull();
    expect(frameForPhoto({ id: 'p', fileName: 'x.jpg', takenAt: 0 }, [])).toBeNull();
  });
});
