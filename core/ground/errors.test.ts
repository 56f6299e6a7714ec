import type * as Errors from './errors';
import { CoreError, requireRange } from './errors';
import { errorOf } from '../testing/material';

describe('CoreError', () => {
  const error = new CoreError('ragged', 'Line 3 has 2 cells.', { line: 3, column: 3 }, 'Export it again.');

  test('crosses as data and comes back whole', () => {
    const back = CoreError.fromJSON(JSON.parse(JSON.stringify(error)));
    expect(back).toBeInstanceOf(CoreError);
    expect(back.toJSON()).toEqual({
      code: 'ragged',
      message: 'Line 3 has 2 cells.',
      where: { line: 3, column: 3 },
      hint: 'Export it again.',
    });
  });

  test('names its file without losing its place', () => {
    expect(error.inFile('a.csv').where).toEqual({ file: 'a.csv', line: 3, column: 3 });
  });
});

describe('requireRange', () => {
  test('takes the ends', () => {
    expect(() => requireRange('x', 0, 0, 1)).not.toThrow();
    expect(() => requireRange('x', 1, 0, 1)).not.toThrow();
  });

  test.each([-0.001, 1.001, NaN, Infinity, -Infinity])('refuses %p with argument, value and range', (value) => {
    const thrown = errorOf(() => requireRange('humidity', value, 0, 1)) as CoreError;
    expect(thrown.code).toBe('out_of_range');
    expect(thrown.where).toEqual({ argument: 'humidity', value: String(value), range: '0 … 1' });
  });
});

test('an error of another bundle’s class is one all the same, and nothing else is', () => {
  jest.isolateModules(() => {
    const { CoreError: Other } = jest.requireActual<typeof Errors>('./errors');
    expect(Other).not.toBe(CoreError);
    expect(new Other('not_found', 'x') instanceof CoreError).toBe(true);
    expect(new CoreError('not_found', 'x') instanceof Other).toBe(true);
  });
  for (const thing of [null, undefined, 'x', {}, new Error('x'), { code: 'not_found' }])
    expect((thing as unknown) instanceof CoreError).toBe(false);
});
