import { CoreError } from '../errors';
import { normalFrom, seededRandom } from '../geometry/random';
import { errorOf } from '../testing/material';
import { floorSeries, type FloorOptions } from '../simulate/series/floorSeries';
import { wallPair, rendered } from '../simulate/series/wallPair';
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

test('a floor without a leak has none', () => {
  const still = floorSeries(9, { ...QUICK, source: null });
  const found = timelapse(still.frames, { ...TOLD, onMin: 3 });
  expect(found).toMatchObject({ source: null, enough: true, confidence: 0 });
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
