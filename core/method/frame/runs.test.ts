import { findRuns, type Numbered } from './runs';

const start = Date.UTC(2027, 1, 11, 19);
const shots = (count: number, gap: (i: number) => number, change: Partial<Numbered> = {}, first = 1): Numbered[] => {
  let at = start;
  return Array.from({ length: count }, (_, i) => {
    at += 1000 * gap(i);
    return {
      id: `${first + i}`,
      fileName: `floor_${String(first + i).padStart(3, '0')}.tif`,
      takenAt: at,
      width: 320,
      height: 240,
      ...change,
    };
  });
};

test('numbers that count up at an even, short pace are a recording', () => {
  const [run, ...more] = findRuns(shots(8, () => 5));
  expect(more).toEqual([]);
  expect(run).toMatchObject({ name: 'floor', intervalS: 5 });
  expect(run!.ids).toHaveLength(8);
});

test('single shots of a round are none, though a card numbers them too', () => {
  expect(findRuns(shots(8, (i) => [40, 12, 90, 8, 33, 61, 14, 25][i]!))).toEqual([]);
  expect(findRuns(shots(8, (i) => (i % 2 === 0 ? 2 : 9)))).toEqual([]);
});

test('another size, a missing number or a long pause ends a run', () => {
  const frames = [...shots(6, () => 2), ...shots(6, () => 2, { width: 160, height: 120 }, 7)];
  expect(findRuns(frames).map(({ ids }) => ids.length)).toEqual([6, 6]);
  expect(findRuns(shots(12, () => 2).filter((_, i) => i !== 6)).map(({ ids }) => ids.length)).toEqual([6, 5]);
  expect(findRuns(shots(12, (i) => (i === 6 ? 600 : 2))).map(({ ids }) => ids.length)).toEqual([6, 6]);
});

test('too few frames, or names without numbers, are none', () => {
  expect(findRuns(shots(4, () => 2))).toEqual([]);
  expect(findRuns(shots(6, () => 2).map((frame) => ({ ...frame, fileName: 'wall.tif' })))).toEqual([]);
});

test('files that all carry one time still count, without a pace', () => {
  expect(findRuns(shots(6, () => 0))[0]).toMatchObject({ intervalS: null });
});
