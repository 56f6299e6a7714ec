import { CoreError } from '../../ground/errors';
import { STAND_IN_CAMERA } from '../../model/standInCamera';
import { bathTemperature, offeredCorrection, pressureFromAltitude, readingOnWater } from './checks';
import { corrected } from './correction';
import { backProblems, outProblems } from './handover';
import { type CameraCheck, cameraValueSchema } from '../../model/cameraRow';
import { handoverValueSchema } from '../../model/handoverRow';

describe('checks in ice and boiling water', () => {
  test('pressure and boiling point fall with altitude', () => {
    expect(pressureFromAltitude(0)).toBeCloseTo(101_325, 6);
    // ISO 2533 tables: 89 874.6 Pa at 1000 m, 79 495 Pa at 2000 m.
    expect(pressureFromAltitude(1000)).toBeCloseTo(89_874.6, -1);
    expect(pressureFromAltitude(2000)).toBeCloseTo(79_495, -1);
    expect(bathTemperature('boiling', 101_325)).toBeCloseTo(99.97, 1);
    expect(bathTemperature('boiling', pressureFromAltitude(2000))).toBeCloseTo(93.3, 0);
    expect(bathTemperature('ice', 80_000)).toBe(0);
  });

  test('places that are none are refused', () => {
    for (const altitude of [-500, 6000, NaN]) expect(() => pressureFromAltitude(altitude)).toThrow(CoreError);
    for (const pressure of [0, 1013, 200_000, NaN]) expect(() => bathTemperature('boiling', pressure)).toThrow(CoreError);
  });

  const day = 86_400_000;
  const check = (at: number, bath: CameraCheck['bath'], readC: number, expectedC: number): CameraCheck => ({
    at,
    bath,
    readC,
    expectedC,
  });

  test('the latest pair gives an offset where buildings are read, older ones do not', () => {
    const checks = [check(0, 'ice', 5, 0), check(9 * day, 'ice', 0.4, 0), check(9 * day + 1, 'boiling', 99.4, 99.8)];
    const offer = offeredCorrection(checks)!;
    expect(offer.checks).toBe(2);
    expect(offer.slope).toBeCloseTo(0.8 / 99, 9);
    expect(offer.offsetK).toBeCloseTo(-0.4 + (17.6 / 99) * 0.8, 9);
    for (const { readC, expectedC } of checks.slice(1)) expect(corrected(readC, offer)).toBeCloseTo(expectedC, 9);
  });

  test('one bath alone says what it says; none says nothing', () => {
    expect(offeredCorrection([check(0, 'ice', 0.7, 0)])).toMatchObject({ offsetK: -0.7, slope: 0 });
    expect(offeredCorrection([check(0, 'boiling', 98.9, 99.9)])!.offsetK).toBeCloseTo(1, 9);
    expect(offeredCorrection([])).toBeNull();
  });

  test('water emits 0.96: a camera that is set to 1 reads the room in it, one that is set to 0.96 does not', () => {
    // 4 % of the difference in radiance between 20 and 0 °C, over its slope there: some 0.9 K.
    expect(readingOnWater(0, 1, 20)).toBeGreaterThan(0.8);
    expect(readingOnWater(0, 1, 20)).toBeLessThan(1);
    expect(readingOnWater(0, 0.96, 20)).toBeCloseTo(0, 5);
    expect(readingOnWater(100, 1, 20)).toBeLessThan(98);
    expect(() => readingOnWater(0, 0, 20)).toThrow(CoreError);
    expect(() => readingOnWater(0, 1, 200)).toThrow(CoreError);
  });

  test('a camera with an offset and a slope of its own is put right by its two baths', () => {
    const reads = (truth: number) => truth + 0.7 + 0.015 * (truth - 25);
    const checks = (['ice', 'boiling'] as const).map((bath, i) => {
      const expected = readingOnWater(bathTemperature(bath, 101_325), 1, 21);
      return check(i, bath, reads(expected), expected);
    });
    const offer = offeredCorrection(checks)!;
    for (const truth of [-5, 18, 60]) expect(corrected(reads(truth), offer)).toBeCloseTo(truth, 6);
  });
});

describe('handing a camera out', () => {
  const camera = { ...STAND_IN_CAMERA.value, parts: ['Camera', 'Charger'], trained: [{ who: 'Ines', at: 0 }] };
  const out = { at: 0, parts: ['Camera', 'Charger'], chargePct: 100, cardEmpty: true, note: '' };

  test('all is well', () => {
    expect(cameraValueSchema.safeParse(camera).success).toBe(true);
    expect(outProblems(camera, { who: ' ines ', out })).toEqual([]);
    expect(backProblems({ out, back: { ...out, at: 1 } })).toEqual([]);
    expect(backProblems({ out, back: null })).toEqual([]);
  });

  test('untrained, incomplete, with pictures, half charged', () => {
    expect(outProblems(camera, { who: 'Tam', out: { ...out, parts: ['Camera'], chargePct: 40, cardEmpty: false } })).toEqual([
      'Tam was not shown how to use this camera yet.',
      'Charger is not with it.',
      'The card still holds pictures of the last home.',
      'Charged to 40 % only.',
    ]);
  });

  test('what did not come back is only what went out', () => {
    const back = { ...out, parts: ['Camera'], cardEmpty: false };
    expect(backProblems({ out, back })).toEqual([
      'Charger did not come back.',
      'The card still holds their pictures: copy them, then clear it.',
    ]);
    expect(backProblems({ out: { ...out, parts: ['Camera'] }, back: { ...back, cardEmpty: true } })).toEqual([]);
  });

  test('a charge is a share', () => {
    const value = { loanId: STAND_IN_CAMERA.id, cameraId: STAND_IN_CAMERA.id, who: 'Ines', out, back: null };
    expect(handoverValueSchema.safeParse(value).success).toBe(true);
    expect(handoverValueSchema.safeParse({ ...value, out: { ...out, chargePct: 140 } }).success).toBe(false);
  });
});
