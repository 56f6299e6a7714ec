import { saturationPressure } from '../../ground/saturation';
import { normalFrom, seededRandom } from '../../ground/random';
import { uncertain } from '../../method/radiometry/quantity';
import { ID, visitDocument, wallPixels } from '../../testing/visit';
import { commonOf } from './common';
import { moistureOf } from './moisture';
import { moistureWords } from './moistureWords';
import { readingOf } from './readings';
import { settingsRow } from './settingsInForce';

/** A reading of so many degrees, its camera known to 0.3 K. */
function readingAt(celsius: number, u = 0.3) {
  const reading = readingOf(visitDocument(), ID.suspect, wallPixels());
  return { ...reading, mean: uncertain(celsius, { name: 'level', part: 'calibration', u }) };
}
const of = (celsius: number, change: (document: ReturnType<typeof visitDocument>) => void = () => undefined, u?: number) => {
  const document = structuredClone(visitDocument());
  change(document);
  return moistureOf(document, ID.frame, readingAt(celsius, u));
};

describe('humidity at the surface now', () => {
  test('follows from air and surface, with an interval that is undecided near its limit', () => {
    // 20 °C, 50 %: 9.3 °C is wet, 12.6 °C is at 80 %.
    const value = (0.5 * saturationPressure(20)) / saturationPressure(16.5);
    expect(of(16.5)!.humidity).toMatchObject({ value: expect.closeTo(value, 6), against: 'below', wet: 'below' });
    expect(of(12.6)!.humidity).toMatchObject({ value: expect.closeTo(0.8, 2), against: 'undecided' });
    expect(of(8)!.humidity).toMatchObject({ against: 'above', wet: 'undecided' });
    expect(of(4)!.humidity!.wet).toBe('above');
  });

  test('its interval holds what errors of camera, air and hygrometer make of it in 95 of 100 cases', () => {
    const normal = normalFrom(seededRandom(11));
    const { interval } = of(13)!.humidity!;
    const N = 4000;
    let held = 0;
    for (let i = 0; i < N; i += 1) {
      const [surface, air, humidity] = [13 + 0.3 * normal(), 20 + normal(), 0.5 + 0.03 * normal()];
      const truth = (humidity * saturationPressure(air)) / saturationPressure(surface);
      if (truth >= interval[0] && truth <= interval[1]) held += 1;
    }
    expect(held / N).toBeGreaterThan(0.93);
    expect(held / N).toBeLessThan(0.98);
  });

  test('is not stated without humidity, or of a frame outdoors', () => {
    expect(of(12, ({ rows }) => (rows.conditions[ID.conditions]!.value.humidityPct = null))!.humidity).toBeNull();
    expect(of(12, ({ rows }) => (rows.frame[ID.frame]!.value.side = 'outside'))).toBeNull();
  });
});

describe('the temperature factor', () => {
  test('is held against the limit of the visit, with what is not known of it', () => {
    // 20 inside, 2 outside: 12 °C is a factor of 0.56, 17 °C of 0.83.
    expect(of(12)!.factor).toMatchObject({ value: expect.closeTo(10 / 18, 6), limit: 0.7, against: 'below' });
    expect(of(18)!.factor).toMatchObject({ against: 'above' });
    expect(of(15)!.factor).toMatchObject({ against: 'undecided' });
    expect(of(15, ({ rows }) => (rows.visit[ID.visit]!.value.mouldFactor = 0.5))!.factor).toMatchObject({ against: 'above' });
  });

  test('says why it is not stated', () => {
    const why = (insideC: number | null, outsideC: number | null) =>
      of(15, ({ rows }) => Object.assign(rows.conditions[ID.conditions]!.value, { insideC, outsideC }))!.factor;
    expect(why(20, 12)).toEqual({ why: 'too-mild' });
    expect(why(24, 35)).toEqual({ why: 'cooled' });
    expect(why(20, null)).toEqual({ why: 'unknown' });
    expect(of(15, undefined, Infinity)!.factor).toBeNull();
  });
});

test('words promise no more than the numbers hold', () => {
  const words = (celsius: number) => moistureWords(of(celsius)!).map(({ value }) => value);
  expect(words(12.6)).toEqual([
    expect.stringMatching(/^80 % \(\d\d … \d\d\): 80 % lies within what is not known: undecided/),
    expect.stringMatching(/^0\.59 \(0\.\d\d … 0\.\d\d\) against 0\.70: below the limit: mould is likely in the long run/),
  ]);
  expect(words(5)[0]).toMatch(/^100 % .*below the dew point, water comes out of the air here$/);
  expect(words(19)[1]).toMatch(/above the limit: no mould in the long run/);
});

describe('what a difference takes as common', () => {
  const common = (document = structuredClone(visitDocument())) => {
    const [a, b] = [ID.suspect, ID.sound].map(
      (id) => [id, readingOf(document, id, wallPixels())] as [string, ReturnType<typeof readingOf>],
    );
    return commonOf(document, a!, b!);
  };

  test('one camera and one room; emissivity only of one surface or one material', () => {
    const document = structuredClone(visitDocument());
    document.rows.frame[ID.frame]!.value.surfaceId = null;
    expect(common(document)).toEqual({ emissivity: 'own', reflected: true, camera: true });
    for (const id of [ID.suspect, ID.sound]) {
      const row = structuredClone(settingsRow(document, ID.visit) ?? Object.values(document.rows.settings)[0]!);
      document.rows.settings = {
        ...document.rows.settings,
        [`s ${id}`]: {
          ...row,
          id: `s ${id}`,
          value: { ...row.value, level: 'region', ownerId: id, emissivity: null, material: 'plaster' },
        },
      };
    }
    expect(common(document).emissivity).toBe('material');
  });
});
