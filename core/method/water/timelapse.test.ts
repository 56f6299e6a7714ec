import { CoreError } from '../../ground/errors';
import { normalFrom, seededRandom } from '../../ground/random';
import { errorOf } from '../../testing/material';
import { floorSeries, type FloorOptions } from '../simulate/series/floorSeries';
import { wallPair, rendered } from '../simulate/series/wallPair';
import { isDisturbed } from './stack';
import { timelapse, type Told } from './timelapse';

const TOLD: Told = { intervalS: 90, sign: 'warmer', coverMm: 40, waterC: 45, onMin: null };
const QUICK: FloorOptions = { columns: 120, frames: 16, coverMm: 40, source: { x: 70, y: 40 } };

describe('a leak under a floor', () => {
  const series = floorSeries(1, { ...QUICK, lean: 0.2 });
  const found = timelapse(series.frames, TOLD);

  test('is found where the water comes out, within the circle that is stated', () => {
    expect(found.source).toMatchObject({ kind: 'point', inside: true, line: null, direction: null });
    const { x, y, radius } = found.source!;
    expect(Math.hypot(x! - 70, y! - 40)).toBeLessThan(radius!);
    expect(radius).toBeLessThan(5);
    expect(found.confidence).toBeGreaterThan(0.8);
    expect(found).toMatchObject({ enough: true, moreMinutes: null, dropped: [], inOrder: true });
  });

  test('its frames grow, its fastest rise and its beginning are stated', () => {
    const contrasts = found.frames.map(({ contrast }) => contrast);
    expect(contrasts.at(-1)).toBeGreaterThan(0.3);
    expect(contrasts[0]).toBe(0);
    expect([...contrasts].sort((a, b) => a - b)).toEqual(contrasts);
    expect(found.slopeMax).toBeGreaterThan(0.02);
    expect(Math.abs(timelapse(series.frames, { ...TOLD, onMin: 3.3 }).onset! - 200)).toBeLessThan(90);
  });

  test('in any order of the frames, which is said', () => {
    const turned = timelapse([...series.frames].reverse(), TOLD);
    expect(turned.inOrder).toBe(false);
    expect(turned.frames.map(({ name }) => name)).toEqual(series.frames.map(({ name }) => name));
    expect(turned.source!.x).toBeCloseTo(found.source!.x!, 6);
  });

  test('with frames of something else among them, which are dropped', () => {
    const [wall] = rendered(wallPair(2, { columns: [120, 120] }));
    const strange = [...series.frames];
    strange.splice(3, 1, { ...strange[3]!, frame: { width: 120, height: 90, values: wall.values } });
    strange.splice(7, 1, { ...strange[7]!, frame: { width: 60, height: 45, values: new Float32Array(60 * 45).fill(18) } });
    const kept = timelapse(strange, TOLD);
    expect(kept.dropped).toEqual([strange[3]!, strange[7]!].map(({ name }) => ({ name, reason: 'foreign' })));
    expect(Math.hypot(kept.source!.x! - 70, kept.source!.y! - 40)).toBeLessThan(kept.source!.radius!);
  });

  test('from cold water the other way round', () => {
    const cold = floorSeries(4, { ...QUICK, driveK: -12, frames: 22 });
    expect(timelapse(cold.frames, { ...TOLD, sign: 'colder', waterC: 8 }).source).toMatchObject({ kind: 'point', inside: true });
    expect(timelapse(cold.frames, TOLD).source).toBeNull();
  });

  test('beside the view: which way', () => {
    const beside = floorSeries(3, { ...QUICK, source: { x: -4, y: 44 }, frames: 22 });
    const { source } = timelapse(beside.frames, TOLD);
    expect(source).toMatchObject({ inside: false, x: null, y: null, radius: null });
    expect(Math.abs(source!.direction! - 180)).toBeLessThan(30);
  });
});

test('a leak that rises by kelvins in twenty minutes, with a tap that nobody timed or with one that was', () => {
  const strong = floorSeries(12, { frames: 20, intervalS: 60, onS: 150, driveK: 34, poolMm: 95, lean: 0.4, coverMm: 43 });
  for (const onMin of [null, 2.5]) {
    const { source, frames } = timelapse(strong.frames, { intervalS: 60, sign: 'warmer', coverMm: 43, waterC: 52, onMin });
    expect(frames.at(-1)!.contrast).toBeGreaterThan(2);
    expect(Math.hypot(source!.x! - 90, source!.y! - 55)).toBeLessThan(Math.min(source!.radius!, 2));
  }
});

test('circles that are stated for nine of ten hold leaks of drawn floors, and are not bloated', () => {
  const drawn = Array.from({ length: 8 }, (_, k) => {
    const random = seededRandom(500 + k);
    const between = (low: number, high: number) => low + (high - low) * random();
    const coverMm = between(42, 60);
    const at = { x: between(40, 80), y: between(30, 60) };
    const { frames } = floorSeries(50 + k, {
      columns: 120,
      frames: 18,
      intervalS: 75,
      onS: between(60, 240),
      driveK: between(20, 34),
      poolMm: between(65, 105),
      lean: between(0, 0.6),
      noise: between(0.03, 0.06),
      coverMm,
      source: at,
    });
    const { source } = timelapse(frames, { ...TOLD, intervalS: 75, coverMm: coverMm * between(0.9, 1.1), waterC: 50 });
    const off = Math.hypot(source!.x! - at.x, source!.y! - at.y);
    return { off, share: off / source!.radius! };
  });
  const middle = (values: number[]) => values.sort((a, b) => a - b)[values.length >> 1]!;
  expect(drawn.filter(({ share }) => share <= 1).length).toBeGreaterThanOrEqual(7);
  expect(middle(drawn.map(({ share }) => share))).toBeGreaterThan(0.15);
  expect(middle(drawn.map(({ off }) => off))).toBeLessThan(1.2);
});

test('somebody who walks through is taken out of the frame, which is said, and the leak is found all the same', () => {
  const { frames } = floorSeries(1, { ...QUICK, lean: 0.2 });
  const walked = frames.map((one, i) => {
    if (i !== 9) return one;
    const values = one.frame.values.map((value, p) => (p % 120 > 20 && p % 120 < 34 ? value + 8 : value));
    return { ...one, frame: { ...one.frame, values } };
  });
  const { source, frames: kept, dropped } = timelapse(walked, TOLD);
  expect(dropped).toEqual([]);
  expect(kept.filter(isDisturbed).map(({ name }) => name)).toEqual([frames[9]!.name]);
  expect(kept[9]!.disturbed).toBeGreaterThan(0.08);
  expect(Math.hypot(source!.x! - 70, source!.y! - 40)).toBeLessThan(source!.radius!);
});

test('a floor without a leak has none', () => {
  const still = floorSeries(9, { ...QUICK, source: null });
  const found = timelapse(still.frames, { ...TOLD, onMin: 3 });
  expect(found).toMatchObject({ source: null, enough: true, confidence: 0 });
});

describe('what warms by itself is no leak', () => {
  const soft = (d: number) => 1 / (1 + Math.exp(-d));
  const bell = (x: number, y: number, s: number) => Math.exp(-(x * x + y * y) / (2 * s * s));
  const towards = (t: number, tau: number) => 1 - Math.exp(-Math.max(0, t) / tau);
  const things: Record<string, (x: number, y: number, t: number) => number> = {
    'an appliance with edges': (x, y, t) => 3 * soft(8 - Math.abs(x - 70)) * soft(6 - Math.abs(y - 40)) * towards(t - 120, 700),
    'a warm spot without edges': (x, y, t) => 1.5 * bell(x - 70, y - 40, 6) * towards(t - 100, 900),
    'a spot that warms at a steady rate': (x, y, t) => (2 * bell(x - 70, y - 40, 5) * t) / 1800,
    'the sun that moves on': (x, y, t) =>
      2 * soft(12 - Math.abs(x - 60 - 0.01 * t)) * soft(9 - Math.abs(y - 40)) * towards(t + 200, 900),
    'a heating loop': (x, _y, t) => bell(x - 60, 0, 3) * towards(t - 200, 1200),
  };

  test.each(Object.entries(things))('%s', (_name, thing) => {
    const { frames } = floorSeries(31, { ...QUICK, source: null, frames: 18, intervalS: 75 });
    const warmed = frames.map((one, i) => {
      const values = one.frame.values.map((value, p) => value + thing(p % 120, Math.floor(p / 120), 75 * i));
      return { ...one, frame: { ...one.frame, values } };
    });
    const { source, confidence } = timelapse(warmed, { ...TOLD, intervalS: 75 });
    expect(source).toBeNull();
    expect(confidence).toBeLessThan(0.5);
  });
});

test('a series that ends before the floor can show it is told so, with how much longer it takes', () => {
  const short = floorSeries(2, { ...QUICK, frames: 4 });
  const found = timelapse(short.frames, { ...TOLD, onMin: 3.3 });
  expect(found.source).toBeNull();
  expect(found.enough).toBe(false);
  expect(found.moreMinutes).toBeGreaterThan(1);
  expect(found.moreMinutes).toBeLessThan(30);
  expect(found.confidence).toBeLessThan(0.5);
});

test('progress is told, and who throws there stops it', () => {
  const { frames } = floorSeries(5, { ...QUICK, frames: 4 });
  const told: number[] = [];
  timelapse(frames, TOLD, (share) => told.push(share));
  expect([...told].sort((a, b) => a - b)).toEqual(told);
  expect(told.at(-1)).toBe(1);
  const stop = () => {
    throw new CoreError('cancelled', 'Stopped.', {}, '');
  };
  expect((errorOf(() => timelapse(frames, TOLD, stop)) as CoreError).code).toBe('cancelled');
});

describe('is refused', () => {
  const { frames } = floorSeries(6, { ...QUICK, frames: 4 });
  const refused = (given: typeof frames, told: Partial<Told> = {}) =>
    errorOf(() => timelapse(given, { ...TOLD, ...told })) as CoreError;

  test('nothing, one frame, two', () => {
    for (const n of [0, 1, 2]) expect(refused(frames.slice(0, n)).code).toBe('bad_input');
    expect(refused(frames.slice(0, 1)).message).toBe('A series needs three frames or more; there is 1.');
  });

  test('frames between which no time passes', () => {
    expect(refused(frames, { intervalS: 0 })).toMatchObject({
      code: 'bad_input',
      message: 'No time passes from the first frame to the last.',
    });
  });

  test('three frames of three views', () => {
    const wall = rendered(wallPair(1, { columns: [120, 120] }))[0];
    const normal = normalFrom(seededRandom(3));
    const views = [
      frames[0]!.frame,
      wall,
      { width: 120, height: 90, values: Float32Array.from({ length: 120 * 90 }, () => 18 + normal()) },
    ];
    const given = views.map(({ width, height, values }, i) => ({
      name: `view-${i}`,
      clockS: null,
      frame: { width, height, values },
    }));
    expect(refused(given).message).toBe('Fewer than three of the frames show one view.');
  });

  test('frames without a reading', () => {
    const blind = frames.map((one) => ({ ...one, frame: { ...one.frame, values: new Float32Array(120 * 90).fill(NaN) } }));
    expect(refused(blind).code).toBe('bad_input');
  });
});
