import { wetBulbFromHumidity } from '../../ground/wetBulb';
import { APPARENT } from '../../ground/basis';
import { PATTERNS, PATTERN_CAMERA, patternScene } from '../../testing/patterns';
import { faultsOf } from './faultsOf';
import { kindOf } from './features/registry';
import { renderPhoto } from './renderPhoto';
import { apparentField, renderScene } from './renderScene';

test('the table is all there', () => expect(PATTERNS).toHaveLength(30));

describe.each(PATTERNS.map((one) => [one.pattern, one] as const))('%s', (_name, pattern) => {
  const scene = patternScene(pattern);
  const last = pattern.features.at(-1)!;
  const without = { ...scene, features: pattern.features.slice(0, -1) };

  test('shows with its sign, and has its cause', () => {
    expect(kindOf(last).fault?.(last) ?? null).toBe(pattern.cause);
    const [present, absent] = [apparentField(scene, scene.features), apparentField(scene, without.features)];
    let strongest = 0;
    present.forEach((value, i) => {
      if (Math.abs(value - absent[i]!) > Math.abs(strongest)) strongest = value - absent[i]!;
    });
    expect(Math.abs(strongest)).toBeGreaterThan(0.4);
    if (pattern.sign !== null) expect(Math.sign(strongest)).toBe(pattern.sign);
  });

  test('is a frame like any other: finite, of the camera’s size, the same every time', () => {
    const frame = renderScene(scene);
    expect(frame).toMatchObject({ width: PATTERN_CAMERA.width, height: PATTERN_CAMERA.height, basis: APPARENT });
    expect(frame.values.every((value) => value > -60 && value < 90)).toBe(true);
    expect(Buffer.compare(Buffer.from(renderScene(scene).values.buffer), Buffer.from(frame.values.buffer))).toBe(0);
    expect(renderPhoto(scene, 80)).toMatchObject({ width: 80, height: 60 });
  });

  test('truth names it once, where it is', () => {
    const found = faultsOf(scene).filter(({ cause }) => cause === pattern.cause);
    expect(found).toHaveLength(pattern.cause === null ? 0 : 1);
    for (const { area, mask } of found) {
      expect(area).toBeGreaterThan(0);
      expect(mask.reduce((sum, { from, to }) => sum + to - from + 1, 0)).toBe(area);
    }
  });

  test('never changes anything beyond its bounds', () => {
    const bounds = kindOf(last).bounds?.(last);
    if (!bounds) return;
    const paint = kindOf(last).heat(last, scene);
    let furthest = 0;
    for (let x = -1; x <= 4.2; x += 0.05) {
      for (let y = -1; y <= 3.4; y += 0.05) {
        if (x >= bounds.x && x <= bounds.x + bounds.width && y >= bounds.y && y <= bounds.y + bounds.height) continue;
        const point = { temperature: 18, emissivity: 0.95, reflected: 20 };
        paint({ x, y, wide: 0.01, high: 0.01, cos: 1 }, point);
        furthest = Math.max(furthest, Math.abs(point.temperature - 18), Math.abs(point.emissivity - 0.95));
      }
    }
    expect(furthest).toBeLessThan(0.05);
  });
});

test('what dries is colder than the wall round it, and warmer than the wet bulb: radiation and the wall bring heat', () => {
  const damp = PATTERNS.find(({ cause }) => cause === 'moisture')!;
  const field = apparentField(patternScene({ ...damp, change: { emissivity: 1, stratification: 0 } }), damp.features);
  expect(Math.min(...field)).toBeGreaterThan(wetBulbFromHumidity(20, 0.5) + 0.5);
  expect(Math.min(...field)).toBeLessThan(18 - 2);
});

test('drops are there only below the dew point: above it the metal mirrors the room', () => {
  const film = PATTERNS.find(({ cause }) => cause === 'condensation')!;
  const middle = (humidityPct: number) =>
    apparentField(patternScene({ ...film, change: { humidityPct } }), film.features)[30 * 80 + 36]!;
  expect(middle(60)).toBeLessThan(11);
  expect(middle(20)).toBeGreaterThan(15);
});
