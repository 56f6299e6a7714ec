import fc from 'fast-check';
import { CoreError } from '../../ground/errors';
import { normalFrom, seededRandom } from '../../ground/random';
import type { FaceBox } from './faceBox';
import { facePattern, findFace, ZONE_COLUMNS, ZONE_ROWS } from './pattern';
import { patternAdvice } from './patternAdvice';

const WIDTH = 160;
const HEIGHT = 120;
const BOX: FaceBox = { x: 30, y: 40, width: 100, height: 56 };
const AIR = 19;
const FLOW = 60;
const OPTIONS = { airC: AIR, flowC: FLOW, returnC: null, minutesOn: null };

/** A face before a wall: share of the flow's excess by place on it (0 … 1 from its upper left), with noise and a mixed rim. */
function frame(share: (u: number, v: number) => number, seed = 1) {
  const normal = normalFrom(seededRandom(seed));
  const values = new Float32Array(WIDTH * HEIGHT);
  for (let y = 0; y < HEIGHT; y += 1) {
    for (let x = 0; x < WIDTH; x += 1) {
      const [u, v] = [(x + 0.5 - BOX.x) / BOX.width, (y + 0.5 - BOX.y) / BOX.height];
      const on = u > 0 && u < 1 && v > 0 && v < 1;
      const rim = x === BOX.x || y === BOX.y || x === BOX.x + BOX.width - 1 || y === BOX.y + BOX.height - 1;
      values[y * WIDTH + x] = AIR + (on ? (rim ? 0.6 : 1) * share(u, v) * (FLOW - AIR) : -0.5) + 0.08 * normal();
    }
  }
  return { width: WIDTH, height: HEIGHT, values };
}

const step = (x: number, at: number, soft: number) => 1 / (1 + Math.exp(-(x - at) / soft));
const warm = (_u: number, v: number) => 0.85 - 0.08 * v;
const FACES = {
  even: warm,
  'cold-top': (u: number, v: number) => 0.1 + (warm(u, v) - 0.1) * step(v, 0.3, 0.02),
  'cold-bottom': (u: number, v: number) => warm(u, v) - 0.55 * Math.exp(-(((u - 0.5) / 0.33) ** 4)) * step(v, 0.62, 0.05),
  'cold-whole': () => 0.06,
  'still-warming': (u: number, v: number) => 0.07 + (warm(u, v) - 0.07) * step(u, 0.55, 0.04),
  hidden: (u: number, v: number) => (u > 0.35 && u < 0.65 && v < 0.8 ? 0.18 : warm(u, v)),
} as const;

describe('the face of an emitter', () => {
  test.each(Object.entries(FACES))('%s', (pattern, share) => {
    for (const seed of [1, 2, 3]) {
      const found = facePattern(frame(share, seed), BOX, OPTIONS);
      expect(found.pattern).toBe(pattern);
      let cold = 0;
      for (let k = 0; k < 10_000; k += 1) cold += share(((k % 100) + 0.5) / 100, (Math.floor(k / 100) + 0.5) / 100) < 0.5 ? 1 : 0;
      expect(Math.abs(found.coldShare - cold / 10_000)).toBeLessThan(0.04);
    }
  });

  test('mirrored it is the same', () => {
    for (const [pattern, share] of Object.entries(FACES))
      expect(
        facePattern(
          frame((u, v) => share(1 - u, v)),
          BOX,
          OPTIONS,
        ).pattern,
      ).toBe(pattern);
  });

  test('its zones are means of the parts of its box, from the upper left', () => {
    const { zones, meanC } = facePattern(
      frame((_, v) => v),
      BOX,
      OPTIONS,
    );
    expect(zones).toHaveLength(ZONE_ROWS);
    zones.forEach((row) => expect(row).toHaveLength(ZONE_COLUMNS));
    expect(zones[5]![3]! - zones[0]![3]!).toBeGreaterThan(25);
    expect(meanC).toBeCloseTo(AIR + 0.5 * (FLOW - AIR), 0);
  });

  test('soon after the heat came on cold is no fault', () => {
    expect(facePattern(frame(FACES['cold-whole']), BOX, { ...OPTIONS, minutesOn: 3 }).pattern).toBe('still-warming');
    expect(facePattern(frame(FACES['cold-whole']), BOX, { ...OPTIONS, minutesOn: 30 }).pattern).toBe('cold-whole');
    expect(facePattern(frame(FACES['cold-top']), BOX, { ...OPTIONS, minutesOn: 3 }).pattern).toBe('cold-top');
  });

  test('joints of a baseboard are no fault', () => {
    const jointed = (u: number, v: number) => (Math.abs((u * 5) % 1) < 0.03 ? 0.35 : warm(u, v));
    expect(facePattern(frame(jointed), BOX, OPTIONS).pattern).toBe('even');
  });

  test('a flow that is hardly warmer than the room tells nothing', () => {
    expect(facePattern(frame(warm), BOX, { ...OPTIONS, flowC: AIR + 6 }).pattern).toBe('unclear');
  });

  test('the cold share stays between 0 and 1 and grows with what is asked of the flow', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.05, max: 0.95, noNaN: true }), fc.integer({ min: 30, max: 80 }), (at, flowC) => {
        const one = frame((u, v) => (v < at ? 0.1 : warm(u, v)));
        const now = facePattern(one, BOX, { ...OPTIONS, flowC }).coldShare;
        const more = facePattern(one, BOX, { ...OPTIONS, flowC: flowC + 10 }).coldShare;
        expect(now).toBeGreaterThanOrEqual(0);
        expect(more).toBeLessThanOrEqual(1);
        expect(more).toBeGreaterThanOrEqual(now);
      }),
    );
  });

  const refusal = (run: () => unknown) => {
    try {
      run();
    } catch (error) {
      if (error instanceof CoreError) return error.code;
    }
    return null;
  };

  test('refuses a box beyond the frame, one too small, one without readings, and a flow that is no warmer than the room', () => {
    const one = frame(warm);
    expect(refusal(() => facePattern(one, { ...BOX, width: 200 }, OPTIONS))).toBe('bad_region');
    expect(refusal(() => facePattern(one, { ...BOX, height: 5 }, OPTIONS))).toBe('bad_region');
    expect(refusal(() => facePattern({ ...one, values: one.values.map(() => NaN) }, BOX, OPTIONS))).toBe('bad_region');
    expect(refusal(() => facePattern(one, BOX, { ...OPTIONS, flowC: AIR }))).toBe('out_of_range');
  });
});

describe('finding the face', () => {
  test('by itself where it is the one large warm rectangle', () => {
    const found = findFace(frame(warm), AIR)!;
    for (const side of ['x', 'y', 'width', 'height'] as const) expect(Math.abs(found[side] - BOX[side])).toBeLessThanOrEqual(1);
  });

  test('not in a frame without one, nor between two', () => {
    expect(
      findFace(
        frame(() => 0.02),
        AIR,
      ),
    ).toBeNull();
    expect(
      findFace(
        frame((u) => (u < 0.3 || u > 0.7 ? 0.85 : 0)),
        AIR,
      ),
    ).toBeNull();
  });
});

test('every pattern has a next step, and what opens hot water has its caution first', () => {
  for (const pattern of Object.keys(FACES) as (keyof typeof FACES)[])
    expect(patternAdvice(pattern, 20).length).toBeGreaterThan(0);
  expect(patternAdvice('cold-top', 20)[0]).toContain('scalds');
  expect(patternAdvice('cold-whole', null).at(-1)).toContain('Note when the heat came on');
  expect(patternAdvice('cold-whole', 20).at(-1)).not.toContain('Note when');
});
