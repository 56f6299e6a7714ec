import { estimateNoise } from '../../ground/noise';
import { sightAt } from '../../method/radiometry/optics';
import { bandRadianceSlope } from '../../method/radiometry/planck';
import { cameraValueSchema } from '../../model/cameraRow';
import { CALM, FAULTLESS, PATTERN_CAMERA, patternScene } from '../../testing/patterns';
import { blurAt } from '../../method/simulate/cameraErrors';
import { hiddenIn, houseScene, ownErrors, sceneCamera, type SimulatedSurface } from './houseScene';
import { pinhole, poseFor, unseenPoint } from '../../method/simulate/pinhole';
import { renderScene } from '../../method/simulate/renderScene';
import { driftAfter, shutterAt } from './standInCamera';
import { STAND_IN_CAMERA } from '../../model/standInCamera';
import type { Feature } from '../../method/simulate/scene';
import type { SceneCamera } from '../../method/simulate/surface';

const camera = STAND_IN_CAMERA.value;
const quiet: SceneCamera = { ...PATTERN_CAMERA, noise: 0, uniformity: 0 };
/** A wall of 30 °C among things of 30 °C, where data sheets state noise. */
const bare = (changes: Partial<SceneCamera>) => ({
  ...patternScene({ features: [] }),
  stratification: 0,
  insideC: 30,
  outsideC: 30,
  reflectedC: 30,
  camera: { ...quiet, ...changes },
});
const spread = (values: Float32Array) => Math.max(...values) - Math.min(...values);

test('its data are those of a camera on the shelf', () => expect(cameraValueSchema.safeParse(camera).error).toBeUndefined());

describe('what its data say is what its frames show', () => {
  test('noise', () => {
    for (const noise of [0.03, 0.1]) {
      const frame = renderScene(bare({ noise, width: 160, height: 120, blur: 0 }));
      expect(estimateNoise(frame) / noise).toBeGreaterThan(0.93);
      expect(estimateNoise(frame) / noise).toBeLessThan(1.07);
    }
  });

  test('two pictures in a row differ by the noise of both and nothing else', () => {
    const [a, b] = [1, 2].map((seed) => renderScene({ ...bare({ noise: 0.05, width: 160, height: 120 }), seed }).values);
    const differences = a!.map((value, i) => value - b![i]!);
    const mean = differences.reduce((sum, value) => sum + value, 0) / differences.length;
    const sd = Math.sqrt(differences.reduce((sum, value) => sum + (value - mean) ** 2, 0) / differences.length);
    expect(mean).toBeCloseTo(0, 2);
    expect(sd).toBeCloseTo(0.05 * Math.SQRT2, 2);
  });

  test('evenness: a flat wall is uneven by the stated rms, the same in every picture, and by nothing without', () => {
    expect(spread(renderScene(bare({ uniformity: 0 })).values)).toBeLessThan(0.001);
    const [a, b] = [1, 2].map((seed) => renderScene({ ...bare({ uniformity: 0.1 }), seed }).values);
    const mean = a!.reduce((sum, value) => sum + value, 0) / a!.length;
    expect(Math.sqrt(a!.reduce((sum, value) => sum + (value - mean) ** 2, 0) / a!.length)).toBeCloseTo(0.1, 3);
    expect(a).toEqual(b);
    const other = renderScene(bare({ uniformity: 0.1, own: { ...FAULTLESS, seed: 2 } })).values;
    expect(other).not.toEqual(a);
  });

  test('offset and slope are the camera’s own, for good: so much at its shutter’s temperature, more away from it', () => {
    const own = { ...FAULTLESS, offset: 0.8, gain: 0.02 };
    const at = (celsius: number, camera: Partial<SceneCamera>) =>
      renderScene({ ...bare(camera), insideC: celsius, outsideC: celsius, reflectedC: celsius }).values[0]!;
    for (const celsius of [25, 60, -5])
      expect(at(celsius, { own }) - at(celsius, {})).toBeCloseTo(0.8 + 0.02 * (celsius - 25), 3);
  });

  test('noise grows in the cold, as a kelvin is less radiance there', () => {
    const ratio = (celsius: number) => {
      const scene = {
        ...bare({ noise: 0.05, width: 160, height: 120, blur: 0 }),
        insideC: celsius,
        outsideC: celsius,
        reflectedC: celsius,
      };
      return estimateNoise(renderScene(scene)) / 0.05;
    };
    // Slope of Planck's law over 7.5 … 14 µm, by the exact series.
    const slope = (celsius: number) => bandRadianceSlope(celsius + 273.15);
    for (const celsius of [30, 0, -20]) expect(ratio(celsius)).toBeCloseTo(slope(30) / slope(celsius), 1);
    expect(ratio(-20)).toBeGreaterThan(1.6);
  });

  test('a few dead pixels stand in the same places in every picture', () => {
    const dead = (seed: number) => {
      const { values } = renderScene({ ...bare({ own: { ...FAULTLESS, dead: 0.002 } }), seed });
      return [...values].flatMap((value, i) => (Math.abs(value - 30) > 1 ? [i] : []));
    };
    expect(dead(1).length).toBeGreaterThan(7);
    expect(dead(1).length).toBeLessThanOrEqual(10);
    expect(dead(2)).toEqual(dead(1));
  });

  test('a camera from the shelf errs as its data sheet allows', () => {
    const draws = Array.from({ length: 400 }, (_, i) => ownErrors(`camera ${i}`, { calibrationK: 1, gain: 0.01 }));
    const rms = (values: number[]) => Math.sqrt(values.reduce((sum, value) => sum + value * value, 0) / values.length);
    expect(rms(draws.map(({ offset }) => offset))).toBeGreaterThan(0.85);
    expect(rms(draws.map(({ offset }) => offset))).toBeLessThan(1.05);
    expect(rms(draws.map(({ gain }) => gain))).toBeLessThan(0.0105);
    expect(ownErrors('one', { calibrationK: 1, gain: 0.01 })).toEqual(ownErrors('one', { calibrationK: 1, gain: 0.01 }));
  });

  test('drift moves every pixel alike', () => {
    const [still, moved] = [renderScene(bare({})).values, renderScene(bare({}), 0.8).values];
    for (const i of [0, 17, still.length - 1]) expect(moved[i]! - still[i]!).toBeCloseTo(0.8, 4);
  });

  test('a spot of the honest size keeps its value, one of a third of a pixel is lost in what is round it', () => {
    const distance = 2;
    const sight = sightAt({ columns: quiet.width, rows: quiet.height, fieldDeg: quiet.fieldDeg }, distance);
    const contrastOf = (size: number) => {
      const middle = { x: 1.6, y: 1.2 };
      const feature = {
        kind: 'film' as const,
        x: middle.x - size / 2,
        y: middle.y - size / 2,
        width: size,
        height: size,
        metalC: 5,
      };
      const scene = {
        ...bare({ width: 81, height: 61 }),
        humidityPct: 90,
        features: [feature],
        pose: { aim: middle, distance, aside: 0 },
      };
      const { values } = renderScene(scene);
      return values[30 * 81 + 40]! - values[0]!;
    };
    const whole = contrastOf(20 * sight.pixel);
    expect(contrastOf(5 * sight.pixel) / whole).toBeGreaterThan(0.9);
    expect(contrastOf(sight.smallest) / whole).toBeGreaterThan(0.75);
    expect(contrastOf(sight.pixel / 3) / whole).toBeLessThan(0.5);
  });

  test('nearer than its shortest distance it is not sharp, the nearer the less', () => {
    expect(blurAt(quiet, 2)).toBe(quiet.blur);
    expect(blurAt(quiet, quiet.minDistance)).toBe(quiet.blur);
    expect(blurAt(quiet, quiet.minDistance / 2)).toBeGreaterThan(blurAt(quiet, quiet.minDistance * 0.9));
    const edge = { kind: 'bay' as const, x: 1.6, y: 0, width: 1, height: 2.4, strength: 0.15 };
    const steepest = (distance: number) => {
      const scene = { ...bare({}), outsideC: 10, features: [edge], pose: { aim: { x: 1.6, y: 1.2 }, distance, aside: 0 } };
      const { values } = renderScene(scene);
      return Math.max(...[...values.slice(1, 80)].map((value, i) => Math.abs(value - values[i]!)));
    };
    // The same edge, sharp and unsharp: the soft rim of the bay itself is wider in pixels from near, so compare blurs only.
    expect(steepest(0.3)).toBeGreaterThan(1.5 * steepest(0.1));
  });
});

describe('the shutter', () => {
  test('closes often while the camera warms up, then now and then, for less than a second', () => {
    let correctedAt = 0;
    const closings: number[] = [];
    let shut = 0;
    for (let t = 0; t < 400; t += 0.1) {
      const state = shutterAt(t, correctedAt, true);
      if (state.correctedAt !== correctedAt) closings.push(t);
      correctedAt = state.correctedAt;
      if (state.closed) shut += 0.1;
    }
    const early = closings.filter((t) => t < 120).length;
    expect(early).toBeGreaterThan(closings.filter((t) => t >= 120 && t < 240).length);
    expect(shut / closings.length).toBeLessThan(1);
  });

  test('without it values wander by more than one kelvin, with it by some tenths', () => {
    const wandered = (since: number) =>
      Math.max(...Array.from({ length: 30 }, (_, seed) => Math.abs(driftAfter(since, seed, 0))));
    expect(wandered(0)).toBe(0);
    expect(wandered(25)).toBeLessThan(0.6);
    expect(wandered(600)).toBeGreaterThan(1);
    expect(shutterAt(500, 0, false)).toMatchObject({ closed: false, since: 500, correctedAt: 0 });
  });
});

describe('the pinhole', () => {
  const at = unseenPoint();

  test('square on, the picture is as wide as optics say, with its middle on the aim', () => {
    const pose = poseFor(3, { x: 5, y: 2 }, quiet);
    const { look } = pinhole(pose, quiet, 160, 120);
    look(79.5, 59.5, at);
    expect([at.x, at.y]).toEqual([expect.closeTo(5, 9), expect.closeTo(2, 9)]);
    look(-0.5, 59.5, at);
    expect(at.x).toBeCloseTo(3.5, 9);
    expect(sightAt({ columns: 160, rows: 120, fieldDeg: quiet.fieldDeg }, pose.distance).width).toBeCloseTo(3, 9);
  });

  test('from aside the middle stays, and the far side is farther', () => {
    const { look, foot, slant } = pinhole({ aim: { x: 5, y: 2 }, distance: 2, aside: 1.5 }, quiet, 160, 120);
    look(79.5, 59.5, at);
    expect(at.x).toBeCloseTo(5, 9);
    expect(foot).toEqual({ x: 6.5, y: 2 });
    expect(slant).toBeCloseTo(36.87, 2);
    look(0, 59.5, at);
    const left = 5 - at.x;
    look(159, 59.5, at);
    expect(left).toBeGreaterThan(at.x - 5);
  });

  test('past the plane there is nothing to look at', () => {
    const { look } = pinhole({ aim: { x: 0, y: 0 }, distance: 1, aside: 12 }, { fieldDeg: 90 }, 160, 120);
    expect(look(0, 59, at)).toBe(false);
  });
});

describe('a simulated house', () => {
  const simulated: SimulatedSurface = {
    id: 'a wall',
    surface: {
      siteId: 's',
      roomId: 'r',
      name: 'Front wall',
      kind: 'wall',
      azimuth: 180,
      mass: 'brick',
      behind: 'outside',
      widthM: 4,
      heightM: 2.4,
      openings: [{ id: '0192f0a0-0000-7000-8000-0000000000a1', kind: 'window', x: 1.4, y: 0.5, width: 1.2, height: 1.1 }],
      otherSideId: null,
      ordinal: 0,
    },
    room: {
      siteId: 's',
      name: 'Room',
      kind: 'living',
      storey: 0,
      plan: { x: 0, y: 0, width: 4, depth: 4 },
      heightM: 2.4,
      heated: null,
      ordinal: 0,
    },
    described: null,
    emitters: null,
    hidden: [],
    sealed: false,
    storeys: { lowest: 0, count: 2 },
    weather: CALM,
  };
  const pose = { aim: { x: 2, y: 1.2 }, distance: 3, aside: 0 };
  const own = sceneCamera(camera, ownErrors('any', camera));
  /** With what chance hides in it. */
  const drawn = (change: Partial<SimulatedSurface>) => {
    const surface = { ...simulated, ...change };
    return { ...surface, hidden: hiddenIn(surface) };
  };
  const kinds = (change: Partial<SimulatedSurface> = {}) =>
    houseScene(drawn(change), own, pose, 1).features.map(({ kind }) => kind);

  test('closing gaps leaves little of the air that came in, and everything else as it was', () => {
    const leak = { kind: 'leak' as const, x: 1.4, y: 1.6, direction: 90, reach: 0.5, strength: 0.4 };
    const bay = { kind: 'bay' as const, x: 0.2, y: 0.2, width: 0.5, height: 1, strength: 0.1 };
    const seen = (sealed: boolean) => houseScene({ ...simulated, described: [leak, bay], sealed }, own, pose, 1).features;
    expect(seen(false)).toEqual([leak, bay]);
    expect(seen(true)).toEqual([{ ...leak, strength: expect.closeTo(0.048, 9) }, bay]);
  });

  test('shows what the house model says, and hides the same things every time', () => {
    expect(kinds()).toEqual(kinds());
    expect(kinds()).toEqual(expect.arrayContaining(['edge', 'window']));
    const all = new Set(Array.from({ length: 60 }, (_, i) => kinds({ id: `wall ${i}` })).flat());
    expect(all.size).toBeGreaterThan(10);
  });

  test('what somebody described is there and nothing else', () => {
    expect(kinds({ described: [{ kind: 'bare', strength: 0.1 }] })).toEqual(['bare']);
  });

  test('what was hidden in an opening goes with it', () => {
    const hidden: Feature[] = [
      { kind: 'window', x: 1.4, y: 0.5, width: 1.2, height: 1.1, paneFactor: 0.64, failed: 'left' },
      { kind: 'ring', look: 'light', x: 0.6, y: 0.6, radius: 0.1, strength: 0.2 },
      { kind: 'ring', look: 'socket', x: 3, y: 2, radius: 0.05, strength: 0.2 },
    ];
    const left = (openings: SimulatedSurface['surface']['openings']) =>
      houseScene({ ...simulated, surface: { ...simulated.surface, openings }, hidden }, own, pose, 1).features.filter((feature) =>
        hidden.includes(feature),
      );
    const light = { id: '0192f0a0-0000-7000-8000-0000000000a2', kind: 'light' as const, x: 0.5, y: 0.5, width: 0.2, height: 0.2 };
    expect(left([...simulated.surface.openings, light])).toHaveLength(3);
    expect(left([])).toEqual([hidden[2]]);
  });

  test('a hidden window takes the place of the one that is seen', () => {
    for (let i = 0; i < 60; i += 1) expect(kinds({ id: `wall ${i}` }).filter((kind) => kind === 'window')).toHaveLength(1);
  });

  test('is the other way round outdoors and in summer', () => {
    const meanOf = (change: Partial<SimulatedSurface>) => {
      const scene = houseScene({ ...simulated, described: [], ...change }, { ...quiet, width: 40, height: 30 }, pose, 1);
      return renderScene(scene).values.reduce((sum, value) => sum + value, 0) / 1200;
    };
    expect(meanOf({})).toBeGreaterThan(16);
    expect(meanOf({ room: null })).toBeLessThan(3);
    expect(meanOf({ weather: { ...CALM, insideC: 24, outsideC: 36 } })).toBeGreaterThan(24);
  });
});
