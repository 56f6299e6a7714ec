import { FAULTLESS, SHELTERED } from '../../testing/patterns';
import { spansOf } from '../frame/region';
import { regionStatistics } from '../frame/statistics';
import { estimateNoise } from '../../ground/noise';
import { renderPhoto } from './renderPhoto';
import { faultsOf } from './faultsOf';
import { poseFor } from './pinhole';
import { renderScene } from './renderScene';
import type { Feature, Scene } from './scene';
import type { SceneCamera } from './surface';

const CAMERA: SceneCamera = {
  width: 160,
  height: 120,
  noise: 0,
  uniformity: 0,
  own: FAULTLESS,
  blur: 0,
  fieldDeg: 50,
  minDistance: 0.3,
};

/** A surface that fills the picture: 50 pixels a metre. */
const scene = (features: Feature[], changes: Partial<Scene> = {}): Scene => ({
  seed: 1,
  camera: CAMERA,
  width: 3.2,
  height: 2.4,
  pose: poseFor(3.2, { x: 1.6, y: 1.2 }, CAMERA),
  humidityPct: 50,
  ...SHELTERED,
  side: 'inside',
  insideC: 20,
  outsideC: 0,
  factor: 0.9,
  emissivity: 1,
  reflectedC: 20,
  stratification: 0,
  paint: [220, 210, 200],
  features,
  ...changes,
});

const meanOf = (values: Float32Array, x: number, y: number, size = 6) =>
  regionStatistics(values, 160, spansOf({ kind: 'box', x, y, width: size, height: size }, 160, 120))!.mean;

describe('a rendered scene', () => {
  test('a sound wall has the temperature that its factor says', () => {
    const wall = scene([]);
    expect(meanOf(renderScene(wall).values, 70, 50)).toBeCloseTo(18, 3);
    expect(faultsOf(wall)).toEqual([]);
  });

  test('is the same every time, and another with another seed', () => {
    const noisy = scene([], { camera: { ...CAMERA, noise: 0.05, uniformity: 0.1, blur: 0.7 } });
    expect(renderScene(noisy).values).toEqual(renderScene(noisy).values);
    expect(renderScene({ ...noisy, seed: 2 }).values).not.toEqual(renderScene(noisy).values);
  });

  test('has the noise that its camera has at 30 °C', () => {
    const noisy = scene([], { camera: { ...CAMERA, noise: 0.08 }, insideC: 30, outsideC: 30 });
    expect(Math.abs(estimateNoise(renderScene(noisy)) / 0.08 - 1)).toBeLessThan(0.05);
  });

  test('a bare bay is colder by its strength times the difference, with straight sides and a mask that fits', () => {
    const seen = scene([{ kind: 'bay', x: 1, y: 0.6, width: 0.6, height: 1, strength: 0.15 }]);
    const [frame, truth] = [renderScene(seen), faultsOf(seen)];
    expect(meanOf(frame.values, 60, 50) - meanOf(frame.values, 10, 50)).toBeCloseTo(-3, 2);
    expect(truth).toHaveLength(1);
    expect(truth[0]!.cause).toBe('missing-insulation');
    expect(truth[0]!.contrast).toBeCloseTo(-3, 0);
    expect(truth[0]!.area / (0.6 * 50 * 50)).toBeCloseTo(1, 1);
  });

  test('a leak is coldest at the crack and fades along its way', () => {
    const seen = scene([{ kind: 'leak', x: 1.6, y: 0.8, direction: 90, reach: 0.6, strength: 0.4 }]);
    const [frame, truth] = [renderScene(seen), faultsOf(seen)];
    const near = meanOf(frame.values, 78, 41, 4);
    const far = meanOf(frame.values, 78, 70, 4);
    expect(near).toBeLessThan(far);
    expect(far).toBeLessThan(18.01);
    expect(truth[0]!.cause).toBe('air-leak');
  });

  test('a radiator is warm and warms the wall above it, not below', () => {
    const seen = scene([{ kind: 'radiator', x: 1, y: 1.4, width: 1, height: 0.5, flowC: 50, returnC: 40 }]);
    const [frame, truth] = [renderScene(seen), faultsOf(seen)];
    expect(meanOf(frame.values, 70, 80)).toBeGreaterThan(35);
    expect(meanOf(frame.values, 70, 60)).toBeGreaterThan(18.5);
    expect(meanOf(frame.values, 70, 110)).toBeCloseTo(18, 1);
    expect(truth).toEqual([]);
  });

  test('glass mirrors who stands square before it, and no longer from aside', () => {
    const pane = { kind: 'window' as const, x: 1, y: 0.5, width: 1.2, height: 1.4, paneFactor: 0.6 };
    const from = (aside: number) => {
      const pose = { ...poseFor(3.2, { x: 1.85, y: 1.2 }, CAMERA), aside };
      return renderScene(scene([pane], { pose })).values;
    };
    const [square, aside] = [from(0), from(1.6)];
    expect(meanOf(square, 77, 57) - meanOf(aside, 77, 57)).toBeGreaterThan(1);
  });

  test('contrasts turn round when the house is cooled', () => {
    const bay: Feature = { kind: 'bay', x: 1, y: 0.6, width: 0.6, height: 1, strength: 0.15 };
    const cooled = faultsOf(scene([bay], { insideC: 24, outsideC: 38 }));
    expect(cooled[0]!.contrast).toBeGreaterThan(1.5);
  });

  test('stratification warms the top', () => {
    const frame = renderScene(scene([], { stratification: 2 }));
    expect(meanOf(frame.values, 70, 2) - meanOf(frame.values, 70, 112)).toBeCloseTo(1.83, 1);
  });
});

describe('every feature', () => {
  const box = { x: 0.6, y: 0.4, width: 1, height: 1 };
  const features: Feature[] = [
    { kind: 'studs', first: 0.3, spacing: 0.6, width: 0.05, strength: 0.03 },
    { kind: 'bay', ...box, strength: 0.1 },
    { kind: 'window', ...box, paneFactor: 0.6 },
    { kind: 'leak', x: 1, y: 1, direction: 0, reach: 0.4, strength: 0.3 },
    { kind: 'radiator', ...box, flowC: 45, returnC: 35 },
    { kind: 'edge', at: 'ceiling', inset: 0.2, strength: 0.1, reach: 0.4 },
    { kind: 'edge', at: 'floor', inset: 0.2, strength: 0.1, reach: 0.4 },
    { kind: 'edge', at: 'left', inset: 0.2, strength: 0.1, reach: 0.4 },
    { kind: 'edge', at: 'right', inset: 0.2, strength: 0.1, reach: 0.4 },
    { kind: 'panel', look: 'hatch', ...box, change: -0.05, rim: 0.1 },
    { kind: 'panel', look: 'boards', ...box, change: -0.1, rim: 0 },
    { kind: 'door', ...box, factor: 0.7, threshold: 0.2 },
  ];
  const plain = renderScene(scene([])).values;

  test.each(
    features.map(
      (feature) => [`${feature.kind} ${'at' in feature ? feature.at : 'look' in feature ? feature.look : ''}`, feature] as const,
    ),
  )('%s shows in heat, with finite temperatures', (_name, feature) => {
    const frame = renderScene(scene([feature]));
    expect(frame.values.every((value) => value > -30 && value < 90)).toBe(true);
    expect(frame.values.some((value, i) => Math.abs(value - plain[i]!) > 0.3)).toBe(true);
  });

  test('hidden ones are hidden in the photo, the others are seen', () => {
    const bare = renderPhoto(scene([]), 160).rgb;
    for (const feature of features) {
      const same = Buffer.compare(Buffer.from(renderPhoto(scene([feature]), 160).rgb), Buffer.from(bare)) === 0;
      expect(same).toBe(['studs', 'bay', 'leak'].includes(feature.kind));
    }
  });

  test('a photo has the geometry of its frame', () => {
    expect(renderPhoto(scene([]), 320)).toMatchObject({ width: 320, height: 240 });
  });
});
