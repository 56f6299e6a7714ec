import { combustionOf, FUEL_FACTS, FUELS } from './combustion';
import { cardLines, rateVerdict } from '../../work/heating/cardVerdict';
import type { FireRate } from '../../model/boilerCardRow';

const rate = (change: Partial<FireRate> = {}): FireRate => ({
  name: 'High fire',
  page: 'p. 31',
  o2LowPct: null,
  o2HighPct: null,
  co2LowPct: null,
  co2HighPct: null,
  coMostPpm: null,
  coAirFree: true,
  flueMostC: null,
  efficiencyLeastPct: null,
  o2Pct: null,
  co2Pct: null,
  coPpm: null,
  flueC: null,
  airC: null,
  ...change,
});

describe('flue gas', () => {
  // Cases of an independent program: simplified balance of dry gas with 20.9 % of oxygen in air.
  test.each([
    ['natural-gas', 3.5, 12, 9.74066985645933, 1.2011494252873562, 20.114942528735625, 14.413793103448276],
    ['natural-gas', 4.5, 40, 9.180861244019138, 1.274390243902439, 27.439024390243905, 50.97560975609756],
    ['propane', 5, 60, 10.42248803827751, 1.3144654088050314, 31.446540880503136, 78.8679245283019],
    ['oil', 3, 25, 13.189473684210526, 1.1675977653631284, 16.75977653631284, 29.189944134078214],
    ['pellets', 8, 180, 12.529665071770337, 1.62015503875969, 62.01550387596899, 291.62790697674416],
    ['natural-gas', 0, 900, 11.7, 1, 0, 900],
    ['natural-gas', 15, 30, 3.3028708133971283, 3.542372881355933, 254.2372881355933, 106.271186440678],
    ['oil', 6.2, 0, 10.831578947368422, 1.4217687074829932, 42.17687074829932, 0],
  ] as const)('%s at %s %% O₂', (fuel, o2, co, co2, lambda, excess, airFree) => {
    const found = combustionOf(fuel, o2, co);
    const close = (value: number | null, wanted: number) =>
      expect(Math.abs(value! - wanted)).toBeLessThanOrEqual(1e-5 * Math.max(1, Math.abs(wanted)));
    close(found.co2Pct, co2);
    close(found.lambda, lambda);
    close(found.excessAirPct, excess);
    close(found.coAirFreePpm, airFree);
  });

  test('without a product of combustion nothing is computed', () => {
    expect(combustionOf('propane', 20.9, 5)).toEqual({
      co2Pct: 0,
      lambda: null,
      excessAirPct: null,
      coAirFreePpm: null,
      coRatio: null,
      efficiencyPct: null,
      condensing: null,
    });
  });

  test('the loss grows with excess air and flue gas, by the rule of Siegert', () => {
    const at = (o2: number, flueC: number) => combustionOf('natural-gas', o2, null, { flueC, airC: 20 }).efficiencyPct!;
    // (60 − 20) · (0.65 / (21 − 4.5) + 0.009) = 1.936 %
    expect(at(4.5, 60)).toBeCloseTo(98.064, 3);
    expect(at(4.5, 180)).toBeLessThan(at(4.5, 60));
    expect(at(9, 180)).toBeLessThan(at(4.5, 180));
    expect(combustionOf('pellets', 8, null, { flueC: 150, airC: 20 }).efficiencyPct).toBeNull();
    expect(combustionOf('oil', 8, null, { flueC: null, airC: 20 }).efficiencyPct).toBeNull();
  });

  test('below its dew point flue gas condenses: the efficiency lies between that of dry gas and of gas that leaves saturated', () => {
    const at = (flueC: number, fuel: 'natural-gas' | 'oil' | 'pellets' = 'natural-gas') =>
      combustionOf(fuel, 4.5, null, { flueC, airC: 20 });
    // Methane with λ = 1.274: 2 of 13.13 volumes are water, 15.4 kPa, saturated at 54.5 °C.
    const { condensing, efficiencyPct } = at(40);
    expect(condensing!.dewC).toBeCloseTo(54.5, 0);
    // At 40 °C (7.38 kPa) 0.875 of 2 volumes are still vapour.
    expect(condensing!.mostPct - efficiencyPct!).toBeCloseTo(10.9 * (1 - 0.875 / 2), 0);
    expect(at(30).condensing!.mostPct).toBeGreaterThan(condensing!.mostPct);
    expect(at(60).condensing).toBeNull();
    expect(at(45, 'oil').condensing!.dewC).toBeLessThan(condensing!.dewC);
    expect(at(40, 'pellets').condensing).toBeNull();
  });

  test('more oxygen is always more air, less carbon dioxide', () => {
    for (const fuel of FUELS) {
      const found = [0, 3, 6, 12, 18].map((o2) => combustionOf(fuel, o2, 10));
      found.slice(1).forEach((one, k) => {
        expect(one.lambda!).toBeGreaterThan(found[k]!.lambda!);
        expect(one.co2Pct).toBeLessThan(found[k]!.co2Pct);
      });
      expect(found[0]!.co2Pct).toBeCloseTo(FUEL_FACTS[fuel].co2MaxPct, 9);
    }
  });

  test('readings that cannot be are refused', () => {
    expect(() => combustionOf('oil', -1, null)).toThrow(expect.objectContaining({ code: 'out_of_range' }));
    expect(() => combustionOf('oil', 101, null)).toThrow(expect.objectContaining({ code: 'out_of_range' }));
    expect(() => combustionOf('oil', 5, -2)).toThrow(expect.objectContaining({ code: 'out_of_range' }));
  });
});

describe('a boiler card', () => {
  const limits = { o2LowPct: 3, o2HighPct: 5.5, coMostPpm: 50 };

  test('a reading beyond a limit is said, and so is the whole rate', () => {
    const lines = cardLines('natural-gas', rate({ ...limits, o2Pct: 4.5, coPpm: 40 }));
    expect(lines.map(({ name, verdict }) => [name, verdict])).toEqual([
      ['O₂', 'pass'],
      ['CO₂, computed', 'not-judged'],
      ['CO as read', 'not-judged'],
      // 40 ppm as read are 51 ppm without excess air.
      ['CO air-free', 'attention'],
      ['Excess air', 'not-judged'],
    ]);
    expect(rateVerdict('natural-gas', rate({ ...limits, o2Pct: 4.5, coPpm: 40 }), true)).toBe('attention');
    expect(rateVerdict('natural-gas', rate({ ...limits, o2Pct: 4.5, coPpm: 30 }), true)).toBe('pass');
  });

  test('a manual that states CO as read is held against what was read', () => {
    const own = rate({ ...limits, coAirFree: false, o2Pct: 4.5, coPpm: 40 });
    expect(rateVerdict('natural-gas', own, true)).toBe('pass');
  });

  test('nobody unlicensed judges, and nothing is judged without limits', () => {
    expect(rateVerdict('natural-gas', rate({ ...limits, o2Pct: 9 }), false)).toBe('not-judged');
    expect(rateVerdict('natural-gas', rate({ o2Pct: 9, coPpm: 4 }), true)).toBe('not-judged');
  });

  test('a limit without a reading shows as not read', () => {
    const [line] = cardLines('oil', rate({ flueMostC: 180 })).filter(({ name }) => name === 'Flue gas');
    expect(line).toMatchObject({ value: 'not read', limit: 'at most 180 °C', verdict: 'not-judged' });
    const [o2] = cardLines('oil', rate({ o2LowPct: 3, o2HighPct: 6 }));
    expect(o2).toMatchObject({ value: 'not read', limit: '3 … 6 %' });
  });

  test('nothing passes while a limit that was typed has no reading', () => {
    const read = rate({ ...limits, o2Pct: 4.5, coPpm: 30 });
    expect(rateVerdict('natural-gas', read, true)).toBe('pass');
    expect(rateVerdict('natural-gas', { ...read, flueMostC: 180 }, true)).toBe('not-judged');
    expect(rateVerdict('natural-gas', { ...read, flueMostC: 180, flueC: 150 }, true)).toBe('pass');
    // What is beyond its limit is said all the same.
    expect(rateVerdict('natural-gas', { ...read, flueMostC: 180, o2Pct: 9 }, true)).toBe('attention');
  });

  test('a condensing boiler is judged by its range, not by the loss of dry gas', () => {
    const read = (efficiencyLeastPct: number) => rate({ o2Pct: 4.5, flueC: 40, airC: 20, efficiencyLeastPct });
    const line = (least: number) => cardLines('natural-gas', read(least)).find(({ name }) => name.startsWith('Efficiency'))!;
    expect(line(104)).toMatchObject({ value: '99.0 … 105.2 %', verdict: 'not-judged' });
    expect(line(98).verdict).toBe('pass');
    expect(line(107).verdict).toBe('attention');
    expect(rateVerdict('natural-gas', read(104), true)).toBe('not-judged');
  });

  test('a typed CO₂ stands instead of the computed one', () => {
    const lines = cardLines('oil', rate({ o2Pct: 4, co2Pct: 12.1, co2LowPct: 12 }));
    expect(lines.find(({ name }) => name === 'CO₂')).toMatchObject({ value: '12.1 %', verdict: 'pass', limit: 'at least 12 %' });
  });
});
