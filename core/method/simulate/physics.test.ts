import { saturationPressure } from '../../ground/saturation';
import { wetBulbFromHumidity } from '../../ground/wetBulb';
import { regionStatistics } from '../frame/statistics';
import { spansOf } from '../frame/region';
import { CALM, FAULTLESS, PATTERN_CAMERA, patternScene } from '../../testing/patterns';
import { airThrough, pressureInward, windPressure } from './airflow';
import { dryingTemperature } from './drying';
import { houseScene, type SimulatedSurface } from '../../work/practice/houseScene';
import { linesMean, waveMean } from './patternMeans';
import { apparentField, opticalField } from './renderScene';
import type { Feature, Scene } from './scene';
import { outerSide } from './sceneWeather';
import { emissivityAt, fresnelEmissivity } from './slantEmissivity';

const HEATED = { insideC: 20, outsideC: 0 };
const COOLED = { insideC: 24, outsideC: 36 };
const facade = { azimuth: 180, mass: 'brick', kind: 'facade' } as const;

/** Black, even and level, so that apparent temperatures are those of the surface. */
const plain = (features: Feature[], change: Partial<Scene> = {}) =>
  patternScene({ features, change: { emissivity: 1, stratification: 0, ...change } });
/** What the last feature changes, K; strongest with its sign. */
function change(scene: Scene): number {
  const [present, absent] = [apparentField(scene, scene.features), apparentField(scene, scene.features.slice(0, -1))];
  return present.reduce((most, value, i) => (Math.abs(value - absent[i]!) > Math.abs(most) ? value - absent[i]! : most), 0);
}
const meanOf = (values: Float32Array, x: number, y: number, width: number, height: number) =>
  regionStatistics(values, PATTERN_CAMERA.width, spansOf({ kind: 'box', x, y, width, height }, 80, 60))!.mean;

describe('air through cracks', () => {
  const at = (bottomM: number, climate = HEATED, windPa = 0) => ({
    ...climate,
    height: 2.4,
    draught: { bottomM, upright: false, windPa },
  });

  test('stack pressure is that of the two columns of air', () => {
    // 353 kg/m³K over the absolute temperature is air's density (ideal gas at 101 325 Pa).
    const weight = (celsius: number) => (353 / (celsius + 273.15)) * 9.81;
    const expected = 2 * (weight(0) - weight(20));
    expect(pressureInward(at(-2), 0) / expected).toBeGreaterThan(0.9);
    expect(pressureInward(at(-2), 0) / expected).toBeLessThan(1.1);
  });

  test('in below the neutral plane and out above it; the other way round while the house is cooled', () => {
    expect(airThrough(at(-2), 0)).toBeGreaterThan(0.5);
    expect(airThrough(at(2), 0)).toBeLessThan(-0.5);
    expect(airThrough(at(0), 0)).toBeCloseTo(0, 9);
    expect(airThrough(at(-2, COOLED), 0)).toBeLessThan(0);
    expect(airThrough(at(2, COOLED), 0)).toBeGreaterThan(0);
  });

  test('wind presses on the side that it blows on and draws on the other, with the square of its speed', () => {
    expect(windPressure(5, 200, 180)).toBeGreaterThan(0);
    expect(windPressure(5, 200, 0)).toBeLessThan(0);
    expect(windPressure(10, 200, 180)).toBeCloseTo(4 * windPressure(5, 200, 180), 9);
    // A stagnation pressure of 15 Pa at 5 m/s, sheltered to 0.36 of it, coefficient below 0.8.
    expect(windPressure(5, 200, 180)).toBeLessThan(0.8 * 0.36 * 15);
    expect([windPressure(5, null, 180), windPressure(5, 200, null)]).toEqual([0, 0]);
  });

  test.each([
    ['ground floor, heated, inside', 'inside', -2.6, HEATED, -1],
    ['top floor, heated, outside', 'outside', 1.5, HEATED, 1],
    ['top floor, cooled, inside', 'inside', 1.5, COOLED, 1],
    ['ground floor, cooled, outside', 'outside', -2.6, COOLED, -1],
  ] as const)('a crack on the %s shows where air comes out', (_where, side, bottomM, climate, sign) => {
    const crack: Feature = { kind: 'leak', x: 1.6, y: 1.2, direction: 80, reach: 0.5, strength: 0.4 };
    const seen = change(plain([crack], { side, ...climate, draught: { bottomM, upright: true, windPa: 0 } }));
    const other = change(
      plain([crack], {
        side: side === 'inside' ? 'outside' : 'inside',
        ...climate,
        draught: { bottomM, upright: true, windPa: 0 },
      }),
    );
    expect(Math.sign(seen)).toBe(sign);
    expect(Math.abs(seen)).toBeGreaterThan(0.5);
    // From the side that air leaves, only a thin place is seen.
    expect(Math.abs(other)).toBeLessThan(0.12 * 0.4 * Math.abs(climate.insideC - climate.outsideC));
  });

  test('wind turns a leeward crack of the ground floor round', () => {
    const crack: Feature = { kind: 'leak', x: 1.6, y: 1.2, direction: 80, reach: 0.5, strength: 0.4 };
    const inside = (windPa: number) => change(plain([crack], { draught: { bottomM: -2.6, upright: true, windPa } }));
    expect(Math.abs(inside(windPressure(9, 0, 180)))).toBeLessThan(0.3 * Math.abs(inside(0)));
  });
});

describe('corners', () => {
  /**
   * Outer corner of a wall of 0.25 m brick (0.75 W/mK) by finite differences in two dimensions, films 15 and 7.7 W/m²K:
   * excess of the outer face over the air as a share of that of the flat wall, by the distance from the corner.
   */
  function cornerShares(distances: readonly number[]): number[] {
    const [step, size, thick, conductivity, outer, inner] = [0.025, 40, 10, 0.75, 15, 7.7];
    const film = (h: number) => 1 / (1 / h + step / 2 / conductivity);
    const t = new Float64Array(size * size);
    const isWall = (i: number, j: number) => i < thick || j < thick;
    for (let round = 0; round < 6000; round += 1) {
      for (let i = 0; i < size; i += 1) {
        for (let j = 0; j < size; j += 1) {
          if (!isWall(i, j)) continue;
          let [sum, weight] = [0, 0];
          for (const [a, b] of [
            [i + 1, j],
            [i - 1, j],
            [i, j + 1],
            [i, j - 1],
          ] as const) {
            if (a >= size || b >= size) continue;
            const out = a < 0 || b < 0;
            const g = out ? film(outer) * step : isWall(a, b) ? conductivity : film(inner) * step;
            sum += g * (out ? 0 : isWall(a, b) ? t[a * size + b]! : 1);
            weight += g;
          }
          const next = sum / weight;
          t[i * size + j] = t[i * size + j]! + 1.8 * (next - t[i * size + j]!);
        }
      }
    }
    const face = (i: number) => t[i * size]! * (film(outer) / outer);
    return distances.map((d) => face(Math.floor(d / step)) / face(size - 1));
  }

  test('an outer corner is colder than its wall outdoors, as conduction in two dimensions says', () => {
    const corner: Feature = { kind: 'edge', at: 'left', inset: 0, strength: 0.05, reach: 0.35 };
    const wall = plain([corner], { side: 'outside', camera: { ...PATTERN_CAMERA, own: FAULTLESS } });
    const field = apparentField(wall, wall.features);
    const [flat] = [field[30 * 80 + 75]!];
    // Middles of pixels of 4 cm.
    const distances = [0.1, 0.22, 0.42];
    const shares = distances.map((d) => field[30 * 80 + Math.floor(d / 0.04)]! / flat);
    cornerShares(distances).forEach((expected, i) => expect(Math.abs(shares[i]! - expected)).toBeLessThan(0.12));
    expect(shares[0]!).toBeLessThan(0.6);
  });

  test('inside, the same corner is colder by a share of its wall’s own drop; while cooled it is warmer', () => {
    const corner: Feature = { kind: 'edge', at: 'left', inset: 0, strength: 0.1, reach: 0.35 };
    expect(change(plain([corner]))).toBeLessThan(-1);
    expect(change(plain([corner], COOLED))).toBeGreaterThan(0.6);
  });
});

describe('what dries', () => {
  test('is as cold as heat and vapour allow, by bisection on the balance', () => {
    const vapour = 0.5 * saturationPressure(20);
    for (const wetness of [0.3, 1]) {
      // Convection 3, radiation 5.1, wall 1 W/m²K; evaporation by Lewis: h/(ρ cp) · L · Δρ of vapour with Le^⅔ = 0.9.
      const evaporation = (t: number) =>
        (wetness * (3 / (1.2 * 1006)) * 2.45e6 * (saturationPressure(t) - vapour)) / (461.5 * 293) / 0.9;
      let [low, high] = [5, 18];
      while (high - low > 1e-6) {
        const middle = (low + high) / 2;
        if (9.1 * (18 - middle) > evaporation(middle)) low = middle;
        else high = middle;
      }
      expect(dryingTemperature(18, vapour, wetness)).toBeCloseTo(low, 1);
    }
  });

  test('is never colder than the wet bulb, dries nothing into saturated air, and dries faster in dry air', () => {
    for (const humidity of [0.2, 0.5, 0.8]) {
      const vapour = humidity * saturationPressure(20);
      expect(dryingTemperature(19, vapour, 1)).toBeGreaterThan(wetBulbFromHumidity(20, humidity));
    }
    expect(dryingTemperature(10, saturationPressure(12), 1)).toBe(10);
    expect(dryingTemperature(18, 400, 1)).toBeLessThan(dryingTemperature(18, 1200, 1));
  });
});

describe('sky, sun and snow', () => {
  test('a wall under a clear sky is colder than the air, under cloud hardly, and mirrors what it faces', () => {
    const [clear, covered] = [0, 100].map((cloudPct) => outerSide(facade, { ...CALM, cloudPct }));
    // Measured on calm clear nights: 2 … 5 K.
    expect(clear!.skyK).toBeGreaterThan(2);
    expect(clear!.skyK).toBeLessThan(5);
    expect(covered!.skyK).toBeLessThan(1);
    expect(clear!.reflectedC).toBeLessThan(covered!.reflectedC - 8);
    const roof = outerSide({ ...facade, kind: 'roof' }, { ...CALM, cloudPct: 0 });
    expect(roof.reflectedC).toBeLessThan(clear!.reflectedC);
    expect(roof.skyK).toBeGreaterThan(clear!.skyK);
  });

  test('wind brings the face to the air: faults show less, and the sky cools less', () => {
    const [calm, windy] = [0, 10].map((windMs) => outerSide(facade, { ...CALM, windMs, cloudPct: 0 }));
    expect(windy!.outerShare).toBeLessThan(calm!.outerShare / 2);
    expect(windy!.skyK).toBeLessThan(calm!.skyK / 2);
    // ISO 6946: 0.04 over 0.13 m²K/W for ordinary wind.
    const ordinary = outerSide(facade, { ...CALM, windMs: 5.5 });
    expect(ordinary.outerShare / (0.04 / 0.13)).toBeGreaterThan(0.85);
    expect(ordinary.outerShare / (0.04 / 0.13)).toBeLessThan(1.35);
  });

  const evening = (day: string) => ({ latitude: 51, longitude: 0, at: Date.parse(`${day}T20:00Z`) });
  const sunOn = (azimuth: number, change: object = {}) =>
    outerSide({ ...facade, azimuth }, { ...CALM, cloudPct: 0, sun: evening('2026-03-20'), ...change }).sunK;

  test('the sun stays in the faces that had it, on days that had it', () => {
    expect(sunOn(225)).toBeGreaterThan(1.5);
    expect(sunOn(225)).toBeGreaterThan(sunOn(90));
    expect(sunOn(0)).toBeLessThan(0.1);
    expect(sunOn(225, { cloudPct: 100 })).toBeLessThan(0.3 * sunOn(225));
    expect(sunOn(225, { sunHours: 30 })).toBeLessThan(0.1);
    expect(sunOn(225, { sun: null })).toBe(0);
    // In June the sun sets behind the north-west: that face has it last.
    expect(sunOn(315, { sun: evening('2026-06-20') })).toBeGreaterThan(sunOn(135, { sun: evening('2026-06-20') }));
  });

  const snowy: Feature = { kind: 'snow', x: 1, y: 0.7, width: 1, height: 0.8, strength: 0.2 };
  const roofAt = (outsideC: number, factor = 0.98, insideC = 20) => {
    const scene = plain([snowy], { side: 'outside', outsideC, insideC, factor });
    return apparentField(scene, scene.features);
  };

  test('snow lies on a cold roof, melts where insulation is missing, and never lies on a warm one', () => {
    const cold = roofAt(-4);
    expect(meanOf(cold, 2, 2, 10, 8)).toBeLessThan(0);
    expect(meanOf(cold, 32, 24, 10, 8)).toBeGreaterThan(meanOf(cold, 2, 2, 10, 8));
    for (const warm of [roofAt(6), roofAt(36, 0.98, 24), roofAt(-2, 0.75)])
      expect(meanOf(warm, 2, 2, 10, 8)).not.toBeCloseTo(0, 1);
    // Without snow the sound roof is as warm as conduction makes it.
    const scene = plain([], { side: 'outside', outsideC: 6, factor: 0.98 });
    expect(meanOf(roofAt(6), 2, 2, 10, 8)).toBeCloseTo(meanOf(apparentField(scene, []), 2, 2, 10, 8), 3);
  });
});

describe('emissivity at an angle', () => {
  test('is Fresnel’s for an insulator: hardly less at 50°, much less beyond 70°', () => {
    // Born & Wolf, n = 1.5: reflectance 0.04, 0.0577, 0.0915, 0.1704 (70°), 0.3878 (80°).
    for (const [degrees, reflectance] of [
      [0, 0.04],
      [50, 0.0577],
      [60, 0.0891],
      [70, 0.171],
      [80, 0.3877],
    ] as const)
      expect(fresnelEmissivity(Math.cos((degrees * Math.PI) / 180))).toBeCloseTo(1 - reflectance, 2);
    expect(emissivityAt(0.95, Math.cos(0.5))).toBeGreaterThan(0.945);
    expect(emissivityAt(0.95, Math.cos((75 * Math.PI) / 180))).toBeLessThan(0.8);
    expect(emissivityAt(0.2, 0.1)).toBe(0.2);
  });

  test('so that a façade seen along itself shows the sky', () => {
    const scene = (aside: number) => ({
      ...plain([], { side: 'outside', emissivity: 0.93, reflectedC: -30 }),
      pose: { aim: { x: 1.6, y: 1.2 }, distance: 0.6, aside },
    });
    const middle = (aside: number) => apparentField(scene(aside), [])[30 * 80 + 40]!;
    expect(middle(0) - middle(2.2)).toBeGreaterThan(2);
  });
});

describe('patterns finer than a pixel', () => {
  test('a mean over a pixel is that of many points in it', () => {
    for (const [x, size] of [
      [0.01, 0.02],
      [0.05, 0.11],
      [-0.3, 0.4],
      [0.1, 0.001],
    ] as const) {
      const points = Array.from({ length: 4000 }, (_, i) => x + ((i + 0.5) / 4000 - 0.5) * size);
      const mean = (of: (at: number) => number) => points.reduce((sum, at) => sum + of(at), 0) / points.length;
      const line = (at: number) => Math.exp(-(((at - Math.round(at / 0.14) * 0.14) / 0.012) ** 2));
      expect(linesMean(x, size, 0.14, 0.012)).toBeCloseTo(mean(line), 3);
      expect(waveMean(x, size, 0.05)).toBeCloseTo(
        mean((at) => Math.cos((2 * Math.PI * at) / 0.05)),
        4,
      );
    }
  });

  test('brick from afar is even, without moiré; from near its joints are seen', () => {
    const spread = (distance: number) => {
      const joints: Feature = { kind: 'net', what: 'mortar', spacing: 0.23, strength: 0.5 };
      const camera = { ...PATTERN_CAMERA, blur: 0.5 };
      const scene = {
        ...plain([joints], { side: 'outside', outerShare: 0.6 }),
        camera,
        pose: { aim: { x: 1.6, y: 1.2 }, distance, aside: 0 },
      };
      const field = opticalField(scene);
      const inner = [...field].filter((_, i) => i % 80 > 5 && i % 80 < 74 && i > 400 && i < 4400);
      return Math.max(...inner) - Math.min(...inner);
    };
    expect(spread(12)).toBeLessThan(0.15 * spread(0.6));
  });
});

test('a house follows its weather: the same wall in calm cloud and in clear wind, in both seasons and from both sides', () => {
  const wall: SimulatedSurface = {
    id: 'w',
    surface: {
      siteId: 's',
      roomId: null,
      name: 'South',
      kind: 'facade',
      azimuth: 180,
      mass: 'brick',
      behind: 'outside',
      widthM: 5,
      heightM: 5,
      openings: [],
      otherSideId: null,
      ordinal: 0,
    },
    room: null,
    described: null,
    emitters: null,
    hidden: [],
    sealed: false,
    storeys: { lowest: 0, count: 2 },
    weather: CALM,
  };
  const pose = { aim: { x: 2.5, y: 2.5 }, distance: 3, aside: 0 };
  const sceneIn = (weather: Partial<SimulatedSurface['weather']>) =>
    houseScene({ ...wall, weather: { ...CALM, ...weather } }, PATTERN_CAMERA, pose, 1);
  const level = (weather: Partial<SimulatedSurface['weather']>) => meanOf(apparentField(sceneIn(weather), []), 30, 25, 20, 10);
  expect(level({ cloudPct: 0 })).toBeLessThan(level({ cloudPct: 100 }) - 1);
  expect(level({ cloudPct: 100 })).toBeGreaterThan(0);
  expect(level({ cloudPct: 100, ...COOLED })).toBeLessThan(36);
  expect(sceneIn({ windMs: 6, windFromDeg: 180 }).draught.windPa).toBeGreaterThan(0);
  expect(sceneIn({}).draught.bottomM).toBeCloseTo(-2.6, 9);
});
