import { markBox, markPath } from './markPath';

const at = { x: 10, y: 20, zoom: 2 };

test('a box runs along the outer edges of its pixels', () => {
  const box = { shape: { kind: 'box' as const, x: 3, y: 4, width: 5, height: 6 } };
  expect(markBox(box, at)).toEqual({ x: 16, y: 28, width: 10, height: 12 });
  expect(markPath(box, at)).toBe('M16 28L26 28L26 40L16 40z');
});

test('a line goes through the middles of its ends and is not closed', () => {
  expect(markPath({ shape: { kind: 'line', x1: 0, y1: 0, x2: 10, y2: 5 } }, at)).toBe('M11 21L31 31');
});

test('a spot is a cross with a gap in its middle', () => {
  expect(markPath({ shape: { kind: 'spot', x: 5, y: 5 } }, at)).toMatch(/^M.*h5.*M.*v5$/);
});

test('what lies beyond a mark is its pixels, and has their bounds', () => {
  const beyond = {
    shape: { kind: 'beyond' as const, side: 'colder' as const, markC: 3 },
    spans: [
      { y: 2, from: 4, to: 6 },
      { y: 3, from: 1, to: 1 },
    ],
  };
  expect(markBox(beyond, at)).toEqual({ x: 12, y: 24, width: 12, height: 4 });
  expect(markPath(beyond, at)).toBe('M18 24h6v2h-6zM12 26h2v2h-2z');
  expect(markBox({ shape: beyond.shape }, at)).toMatchObject({ width: 0, height: 0 });
});
