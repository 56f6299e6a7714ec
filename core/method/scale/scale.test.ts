import { APPARENT } from '../../ground/basis';
import { IDENTITY_LINE, radianceLine, throughLine } from '../radiometry/measurement';
import { COLOUR_MAP_NAMES, COLOUR_MAPS, colourAt, lightness } from './colourMaps';
import { colourFrame } from './colourFrame';
import { temperatureHistogram } from './histogram';
import { againstScale, isNarrow, LEAST_SPAN_K, orderedScale, steadyScale, steadySpanSchema, type Scale } from './scale';
import type { Span } from '../frame/region';

const channels = (pixel: number) => [pixel & 255, (pixel >> 8) & 255, (pixel >> 16) & 255, pixel >>> 24];

function colours(values: number[], low: number, high: number, line = IDENTITY_LINE, width = values.length): number[][] {
  const out = new Uint32Array(values.length);
  colourFrame(Float32Array.from(values), width, line, { low, high, map: 'hearth' }, out);
  return Array.from(out, channels);
}

describe('colour maps', () => {
  test.each(COLOUR_MAP_NAMES)('%s goes one way in lightness', (name) => {
    const steps = Array.from({ length: 256 }, (_, i) => lightness(colourAt(name, i / 255)));
    const rises = (from: number, to: number) => steps.slice(from + 1, to).every((value, i) => value >= steps[from + i]! - 0.35);
    const falls = (from: number, to: number) => steps.slice(from + 1, to).every((value, i) => value <= steps[from + i]! + 0.35);
    const { kind } = COLOUR_MAPS[name];
    if (kind === 'rising') expect(rises(0, 256)).toBe(true);
    if (kind === 'falling') expect(falls(0, 256)).toBe(true);
    if (kind === 'diverging') expect(rises(0, 128) && falls(128, 256)).toBe(true);
    expect(Math.max(...steps) - Math.min(...steps)).toBeGreaterThan(60);
  });

  test('hold at their ends', () => {
    for (const name of COLOUR_MAP_NAMES) {
      expect(colourAt(name, -3)).toEqual(colourAt(name, 0));
      expect(colourAt(name, 7)).toEqual(colourAt(name, 1));
    }
  });

  test('lightness of black and white', () => {
    expect(lightness([0, 0, 0])).toBeCloseTo(0, 6);
    expect(lightness([255, 255, 255])).toBeCloseTo(100, 3);
  });
});

describe('colouring a frame', () => {
  test('every temperature gets the colour of its place in the span', () => {
    const values = Array.from({ length: 400 }, (_, i) => 10 + i / 50);
    colours(values, 10, 18).forEach(([r, g, b, a], i) => {
      const wanted = colourAt('hearth', (values[i]! - 10) / 8);
      expect(Math.max(Math.abs(r! - wanted[0]), Math.abs(g! - wanted[1]), Math.abs(b! - wanted[2]))).toBeLessThanOrEqual(4);
      expect(a).toBe(255);
    });
  });

  test('both ends belong to the colours', () => {
    const [low, high] = colours([10, 18], 10, 18);
    expect(low!.slice(0, 3)).toEqual(colourAt('hearth', 0));
    expect(high!.slice(0, 3)).toEqual(colourAt('hearth', 1));
  });

  test('settings shift the colours with the temperatures', () => {
    const line = radianceLine(APPARENT, { emissivity: 0.7, reflected: 20, air: 20, transmittance: 1 });
    const stored = [11, 13, 15];
    const objects = stored.map((value) => throughLine(value, line));
    const [shifted, plain] = [colours(stored, 5, 20, line), colours(objects, 5, 20)];
    shifted.forEach((pixel, i) =>
      pixel.forEach((channel, c) => expect(Math.abs(channel - plain[i]![c]!)).toBeLessThanOrEqual(2)),
    );
  });

  test('beyond the ends there are stripes in two neutral tones, and they are in no map', () => {
    const size = 42;
    for (const value of [-50, 90]) {
      const tones = new Set(
        colours(
          Array.from({ length: size * size }, () => value),
          10,
          18,
          IDENTITY_LINE,
          size,
        ).map(String),
      );
      expect(tones.size).toBe(2);
      const inMap = new Set(Array.from({ length: 1000 }, (_, i) => String([...colourAt('hearth', i / 999), 255])));
      for (const tone of tones) expect(inMap.has(tone)).toBe(false);
    }
  });

  test('no reading is flat grey', () => {
    const [missing, fine] = colours([NaN, 14], 10, 18);
    expect(missing).toEqual([128, 128, 128, 255]);
    expect(fine).not.toEqual(missing);
  });
});

describe('scales', () => {
  test('a steady scale lies around its reference', () => {
    expect(steadyScale(18.7, { belowK: 6, aboveK: 4, colourMap: 'ash', fixed: null, shade: null })).toEqual({
      low: 18.7 - 6,
      high: 18.7 + 4,
      map: 'ash',
    });
  });
  test('ends come in order and never meet', () => {
    expect(orderedScale(20, 10, 'hearth')).toEqual({ low: 10, high: 20, map: 'hearth' });
    const narrow = orderedScale(15, 15, 'hearth');
    expect(narrow.high - narrow.low).toBeCloseTo(LEAST_SPAN_K, 10);
    expect((narrow.high + narrow.low) / 2).toBeCloseTo(15, 10);
  });
  test('under two kelvin is narrow', () => {
    expect(isNarrow(orderedScale(18, 19.9, 'hearth'))).toBe(true);
    expect(isNarrow(orderedScale(18, 20, 'hearth'))).toBe(false);
  });
  test('a span is above zero', () => {
    expect(steadySpanSchema.safeParse({ belowK: 0, aboveK: 6, colourMap: 'hearth', fixed: null, shade: null }).success).toBe(
      false,
    );
    expect(steadySpanSchema.safeParse({ belowK: 6, aboveK: 6, colourMap: 'rainbow', fixed: null, shade: null }).success).toBe(
      false,
    );
  });
});

describe('histogram', () => {
  test('counts what lies between the ends, and nothing else', () => {
    const values = Float32Array.from([9.9, 10.1, 10.2, 12.6, 14.9, 15.1, NaN]);
    expect(Array.from(temperatureHistogram(values, IDENTITY_LINE, 10, 15, 5))).toEqual([2, 0, 1, 0, 1]);
  });
});

describe('steady colours', () => {
  const span = { belowK: 6, aboveK: 4, colourMap: 'hearth' as const, fixed: null, shade: null };

  test('lie around a reference, or between fixed temperatures whatever the reference is', () => {
    expect(steadyScale(18, span)).toEqual({ low: 12, high: 22, map: 'hearth' });
    expect(steadyScale(18, { ...span, fixed: { lowC: 5, highC: 25 } })).toEqual({ low: 5, high: 25, map: 'hearth' });
    expect(steadySpanSchema.safeParse({ ...span, fixed: { lowC: 5, highC: 5.1 } }).success).toBe(false);
  });

  test('against the reference reach as far up as down, in the parting map', () => {
    expect(againstScale(18, span)).toEqual({ low: 12, high: 24, map: 'balance' });
  });
});

describe('what covers colours', () => {
  const values = Float32Array.from({ length: 64 * 4 }, (_, i) => 10 + ((i % 64) * 20) / 63);
  const scale: Scale = { low: 10, high: 30, map: 'ash' };
  const coloured = (more: Partial<Scale>, leftOut: Span[] = []) => {
    const out = new Uint32Array(values.length);
    colourFrame(values, 64, IDENTITY_LINE, { ...scale, ...more }, out, leftOut);
    return out;
  };
  const plain = coloured({});

  test('a shade dims one side of its mark and nothing else', () => {
    const shaded = coloured({ shade: { side: 'colder', celsius: 20 } });
    for (let x = 0; x < 64; x += 1) {
      const changed = shaded[x] !== plain[x];
      if (Math.abs(values[x]! - 20) > 0.05) expect(changed).toBe(values[x]! < 20);
    }
    expect(coloured({ shade: { side: 'warmer', celsius: 20 } })[63]).not.toBe(plain[63]);
  });

  test('the shade keeps the order of lightness', () => {
    const shaded = coloured({ shade: { side: 'colder', celsius: 40 } });
    const light = (pixel: number) => lightness([pixel & 0xff, (pixel >> 8) & 0xff, (pixel >> 16) & 0xff]);
    for (let x = 1; x < 64; x += 1) expect(light(shaded[x]!)).toBeGreaterThanOrEqual(light(shaded[x - 1]!));
  });

  test('what was left out is hatched, and only that', () => {
    const out = coloured({}, [{ y: 1, from: 10, to: 19 }]);
    const changed = [...out].flatMap((pixel, i) => (pixel === plain[i] ? [] : [i]));
    expect(changed).toEqual(Array.from({ length: 10 }, (_, i) => 64 + 10 + i));
  });
});
