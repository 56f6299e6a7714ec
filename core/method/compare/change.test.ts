import { correctValues, radianceLine } from '../radiometry/measurement';
import type { Frame } from '../frame/frame';
import type { Scene } from '../simulate/scene';
import { rendered, wallPair, type WallPairOptions } from '../simulate/series/wallPair';
import { steady } from '../../testing/histories';
import { changesOf, type Change, type Look, type Place } from './change';

const LIGHT = { wall: 'light', work: null } as const;

function lookOf(frame: Frame, { insideC, outsideC, emissivity, reflectedC }: Scene): Look {
  const values = new Float32Array(frame.values.length);
  correctValues(
    frame.values,
    radianceLine(frame.basis, { emissivity, reflected: reflectedC, air: insideC, transmittance: 1 }),
    values,
  );
  return {
    surface: { width: frame.width, height: frame.height, values },
    side: 'inside',
    insideC,
    outsideC,
    spaceC: null,
    emissivity,
    history: steady({ insideC, outsideC }),
  };
}

const rowsFrom = ({ x, y, width, height }: Record<'x' | 'y' | 'width' | 'height', number>) =>
  Array.from({ length: height }, (_, row) => ({ y: y + row, from: x, to: x + width - 1 }));

function compared(seed: number, options: WallPairOptions = {}, place: Partial<Place> = {}): { truth: number; change: Change }[] {
  const pair = wallPair(seed, options);
  const [before, after] = rendered(pair);
  const places = pair.places.map(({ name, ...box }): Place => ({
    name,
    spans: rowsFrom(box),
    cut: false,
    surface: 'not-said',
    ...place,
  }));
  const changes = changesOf(lookOf(before, pair.before), lookOf(after, pair.after), pair.transform, places, LIGHT);
  return changes.map((change, i) => ({ truth: pair.places[i]!.change, change }));
}

const verdicts = (all: { change: Change }[]) => all.map(({ change }) => change.verdict);
const whys = (all: { change: Change }[]) => all.map(({ change }) => change.why);

test('a bay that was filled is better, one that was left is the same, whatever the weather', () => {
  for (const seed of [1, 2, 3, 4])
    expect(verdicts(compared(seed, { outsideC: [seed - 3, 9 - seed] }))).toEqual(['better', 'same']);
});

test('the change of the factor holds within a tenth of it and its interval', () => {
  const all = [1, 2, 3, 4].flatMap((seed) => compared(seed));
  for (const { truth, change } of all)
    expect(Math.abs(change.change! - truth)).toBeLessThan(3 * change.uncertainty! + 0.1 * truth);
  expect(Math.max(...all.map(({ change }) => change.uncertainty!))).toBeLessThan(0.015);
});

test('in summer the other way round', () => {
  expect(verdicts(compared(3, { outsideC: [33, 36] }))).toEqual(['better', 'same']);
});

test('temperatures and factors are stated as they were', () => {
  const [{ change } = { change: null }] = compared(2);
  const { beforeC, factorBefore } = change!;
  // 20 °C inside, 0 °C outside.
  expect(factorBefore).toBeCloseTo(beforeC! / 20, 6);
});

describe('nothing is claimed', () => {
  test('of a place whose readings the earlier frame lacks; a few lost pixels do no harm', () => {
    const pair = wallPair(2);
    const [before, after] = rendered(pair);
    const { x, y, width } = pair.places[0]!;
    const place: Place = { name: 'filled bay', spans: rowsFrom(pair.places[0]!), cut: false, surface: 'not-said' };
    const without = (rows: number, every: number) => {
      const values = before.values.slice();
      for (let v = y; v < y + rows; v += 1) for (let u = x; u < x + width; u += every) values[v * before.width + u] = NaN;
      return changesOf(lookOf({ ...before, values }, pair.before), lookOf(after, pair.after), pair.transform, [place], LIGHT)[0]!;
    };
    expect(without(10, 1)).toMatchObject({ beforeC: null, factorBefore: null, verdict: 'cannot-say', why: 'not-in-view' });
    const [whole, holed] = [without(0, 1), without(1, 4)];
    expect(holed.verdict).toBe('better');
    expect(Math.abs(holed.change! - whole.change!)).toBeLessThan(0.1 * whole.uncertainty!);
  });

  test('of a surface that was changed itself', () => {
    const all = compared(1, {}, { surface: 'changed' });
    expect(verdicts(all)).toEqual(['cannot-say', 'cannot-say']);
    expect(whys(all)).toEqual(['surface-changed', 'surface-changed']);
    expect(all[0]!.change.change).toBeNull();
  });

  test('of a place that the later frame does not show whole', () => {
    expect(whys(compared(1, {}, { cut: true }))).toEqual(['not-in-view', 'not-in-view']);
    const beyond = [{ y: 0, from: 0, to: 4 }];
    const pair = wallPair(3);
    const [before, after] = rendered(pair);
    const moved = [...pair.transform];
    moved[2] = moved[2]! - 40;
    const [one] = changesOf(
      lookOf(before, pair.before),
      lookOf(after, pair.after),
      moved,
      [{ name: 'beyond', spans: beyond, cut: false, surface: 'not-said' }],
      LIGHT,
    );
    expect(one).toMatchObject({ verdict: 'cannot-say', why: 'not-in-view', afterC: null, factorAfter: null });
  });

  test('with less than 5 K between inside and outside', () => {
    expect(whys(compared(2, { outsideC: [2, 16] }))).toEqual(['too-little-drive', 'too-little-drive']);
  });

  test('of a face that no wall shows in such air: frames from inside that are said to be from outside', () => {
    const pair = wallPair(2);
    const [before, after] = rendered(pair);
    const { name, x, y, width, height } = pair.places[0]!;
    const spans = Array.from({ length: height }, (_, row) => ({ y: y + row, from: x, to: x + width - 1 }));
    const outside = (look: Look): Look => ({ ...look, side: 'outside' });
    const [one] = changesOf(
      outside(lookOf(before, pair.before)),
      outside(lookOf(after, pair.after)),
      pair.transform,
      [{ name, spans, cut: false, surface: 'not-said' }],
      LIGHT,
    );
    expect(one).toMatchObject({ verdict: 'cannot-say', why: 'no-such-wall', change: null, uncertainty: null });
  });

  test('between winter and summer', () => {
    expect(whys(compared(2, { outsideC: [2, 34] }))).toEqual(['opposite-drive', 'opposite-drive']);
  });
});
