import { ID, visitDocument, wallPixels } from '../../testing/visit';
import { compareRegions } from './readings';
import { sameHour, sameHourWords } from './sameHour';
import { conditionsOf } from './theVisit';

const asked = (change: (document: ReturnType<typeof visitDocument>) => void = () => undefined) => {
  const document = visitDocument();
  change(document);
  const comparison = compareRegions(document, ID.suspect, ID.sound, wallPixels());
  return { comparison, hour: sameHour(document, ID.suspect, ID.sound, comparison), air: conditionsOf(document)!.value };
};

test('the difference of two factors is their difference in kelvin over that of the air', () => {
  const { comparison, hour, air } = asked();
  const drive = air.insideC! - air.outsideC!;
  expect(hour!.thisFactor).toBeCloseTo((comparison.this.statistics.mean - air.outsideC!) / drive, 5);
  expect(hour!.difference).toBeCloseTo(comparison.difference.value / drive, 5);
  // Not less than the difference alone leaves open, and what two thermometers add to it is a small share of it.
  const least = comparison.difference.uncertainty.total / drive;
  const airs = (Math.SQRT2 * Math.abs(hour!.difference)) / drive;
  expect(hour!.uncertainty).toBeGreaterThan(0.95 * least);
  expect(hour!.uncertainty).toBeLessThan(Math.hypot(least, airs) + 0.002);
});

test('a surface that stays as warm while it is twice as cold outside lacks half as much', () => {
  const { hour, air } = asked();
  const colder = asked((document) => {
    const value = conditionsOf(document)!.value;
    value.outsideC = air.insideC! - 2 * (air.insideC! - air.outsideC!);
  });
  expect(1 - colder.hour!.thisFactor).toBeCloseTo((1 - hour!.thisFactor) / 2, 9);
});

test.each([
  ['the air outside is not known', (d: ReturnType<typeof visitDocument>) => (conditionsOf(d)!.value.outsideC = null)],
  ['it is as warm outside as inside', (d: ReturnType<typeof visitDocument>) => (conditionsOf(d)!.value.outsideC = 18)],
  ['they were seen from outside', (d: ReturnType<typeof visitDocument>) => (d.rows.frame[ID.frame]!.value.side = 'outside')],
  ['one is warmer than the air inside', (d: ReturnType<typeof visitDocument>) => (conditionsOf(d)!.value.insideC = 12)],
])('nothing is said where %s', (_, change) => {
  expect(asked(change).hour).toBeNull();
});

test('words claim no more than is known', () => {
  const one = { thisFactor: 0.71, thatFactor: 0.8, difference: -0.09, uncertainty: 0.01 };
  expect(sameHourWords(one)).toBe('Temperature factor 0.71 against 0.80: 0.090 ± 0.020 lower.');
  expect(sameHourWords({ ...one, difference: 0.09 })).toContain('0.090 ± 0.020 higher');
  expect(sameHourWords({ ...one, uncertainty: 0.06 })).toBe(
    'Temperature factor 0.71 against 0.80: not told apart, 0.090 ± 0.118.',
  );
});
