import { IDENTITY_LINE } from '../radiometry/measurement';
import { gradeOpening } from '../building/openingSeal';
import { profileOf } from './profile';

const frameOf = (width: number, height: number, at: (x: number, y: number) => number) => ({
  width,
  height,
  values: Float32Array.from({ length: width * height }, (_, i) => at(i % width, Math.floor(i / width))),
});

describe('a profile', () => {
  test('runs along a line, one reading a pixel', () => {
    const points = profileOf(
      frameOf(20, 10, (x) => x),
      { kind: 'line', x1: 2, y1: 5, x2: 12, y2: 5 },
      IDENTITY_LINE,
    );
    expect(points.map(({ celsius }) => celsius)).toEqual([2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12]);
    expect(points.at(-1)).toMatchObject({ along: 10, x: 12, y: 5 });
  });

  test('runs round an area and back to its start', () => {
    const points = profileOf(
      frameOf(20, 20, (x, y) => x + 100 * y),
      {
        kind: 'poly',
        points: [
          [2, 2],
          [12, 2],
          [12, 8],
          [2, 8],
        ],
      },
      IDENTITY_LINE,
    );
    expect(points.at(-1)!.along).toBe(32);
    expect(points.at(-1)!.celsius).toBe(points[0]!.celsius);
  });

  test('stays in the frame where a line leaves it', () => {
    const points = profileOf(
      frameOf(10, 10, (x) => x),
      { kind: 'line', x1: 5, y1: 5, x2: 30, y2: 5 },
      IDENTITY_LINE,
    );
    expect(points.at(-1)!.celsius).toBe(9);
  });
});

describe('round an opening', () => {
  // Sound wall of 18 °C; the lower edge, a third of the way round, is cold.
  const profile = Array.from({ length: 121 }, (_, i) => ({ along: i, x: i, y: 0, celsius: i >= 40 && i < 80 ? 11 : 17.2 }));

  test('with inside and outside known, edges are graded by their share and added up', () => {
    const seal = gradeOpening(profile, 18, 20, 'inside');
    expect(seal.thresholds).toEqual({ slight: 3, bad: 6 });
    expect(seal.lengths).toEqual({ sound: 80, slight: 0, bad: 40 });
    expect(seal.grade).toBe('bad');
    expect(seal.runs.map(({ grade, worst }) => [grade, Math.round(worst)])).toEqual([
      ['sound', -1],
      ['bad', -7],
      ['sound', -1],
    ]);
  });

  test('without them kelvin decide', () => {
    expect(gradeOpening(profile, 18, null, 'inside').thresholds).toEqual({ slight: 1.5, bad: 3 });
    expect(gradeOpening(profile, 18.9, null, 'inside').lengths.slight).toBe(80);
  });

  test('outdoors the same leak shows by a third, and the other way round', () => {
    expect(gradeOpening(profile, 18, -20, 'outside').thresholds).toEqual({
      slight: expect.closeTo(1, 9),
      bad: expect.closeTo(2, 9),
    });
    expect(gradeOpening(profile, 18, null, 'outside').thresholds).toEqual({ slight: 0.5, bad: 1 });
    // A door of a heated house: 1.4 K over its wall outdoors is a slight leak, 2.4 K a bad one.
    const warmBy = (kelvin: number) => profile.map((point, i) => ({ ...point, celsius: i >= 40 && i < 80 ? 5 + kelvin : 5.2 }));
    expect(gradeOpening(warmBy(1.4), 5, -20, 'outside').grade).toBe('slight');
    expect(gradeOpening(warmBy(2.4), 5, -20, 'outside').grade).toBe('bad');
  });

  test('in a cooled house leaks show warm', () => {
    const warm = profile.map((point) => ({ ...point, celsius: 36 - point.celsius }));
    expect(gradeOpening(warm, 18, -15, 'inside').grade).toBe('bad');
    expect(gradeOpening(warm, 18, 15, 'inside').grade).toBe('sound');
  });

  test('a single bad place does not make the whole opening bad', () => {
    const mostly = profile.map((point, i) => ({ ...point, celsius: i === 50 ? 5 : 17.5 }));
    const seal = gradeOpening(mostly, 18, 20, 'inside');
    expect(seal.lengths.bad).toBe(1);
    expect(seal.grade).toBe('sound');
  });
});
