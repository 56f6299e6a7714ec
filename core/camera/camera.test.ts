import { CoreError } from '../errors';
import { STAND_IN_CAMERA } from './standInCamera';
import { bathTemperature, offeredOffset, pressureFromAltitude } from './checks';
import { backProblems, outProblems } from './handover';
import { type CameraCheck, cameraValueSchema } from './cameraRow';
import { handoverValueSchema } from './handoverRow';

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
    const { offset, checks: count } = offeredOffset(checks)!;
    expect(count).toBe(2);
    expect(offset).toBeCloseTo(-0.4 + (18 / 99.8) * 0.8, 9);
  });

  test('one bath alone says what it says; none says nothing', () => {
    expect(offeredOffset([check(0, 'ice', 0.7, 0)])!.offset).toBeCloseTo(-0.7, 9);
    expect(offeredOffset([check(0, 'boiling', 98.9, 99.9)])!.offset).toBeCloseTo(1, 9);
    expect(offeredOffset([])).toBeNull();
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
