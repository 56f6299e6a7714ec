import { ID, visitDocument } from '@core/testing/visit';
import { afterRedo, afterUndo, EMPTY_HISTORY, reversed, rowIdsIn, withoutRows, withStep, type Step } from './history';

const region = visitDocument().rows.region[ID.sound]!.value;
const step = (label: string): Step => ({
  label,
  changes: [{ entity: 'region', rowId: ID.sound, before: null, after: region }],
});

test('undo and redo walk back and forth; a new step forgets what was undone', () => {
  let history = withStep(withStep(EMPTY_HISTORY, step('one')), step('two'));
  history = afterUndo(history);
  expect([history.done.length, history.undone.length]).toEqual([1, 1]);
  expect(afterRedo(history).done.map((s) => s.label)).toEqual(['one', 'two']);
  expect(withStep(history, step('three'))).toMatchObject({ undone: [] });
  expect(rowIdsIn(history)).toEqual([ID.sound, ID.sound]);
});

test('steps over rows that were changed as a whole are dropped, others stay', () => {
  const other: Step = { label: 'other', changes: [{ entity: 'region', rowId: 'far', before: null, after: region }] };
  const history = afterUndo(withStep(withStep(withStep(EMPTY_HISTORY, step('one')), other), step('two')));
  const left = withoutRows(history, new Set([ID.sound]));
  expect(left.done.map(({ label }) => label)).toEqual(['other']);
  expect(left.undone).toEqual([]);
});

test('a reversed step undoes its changes from the last to the first', () => {
  const both: Step = {
    label: 'x',
    changes: [
      { entity: 'region', rowId: 'a', before: null, after: region },
      { entity: 'region', rowId: 'b', before: region, after: null },
    ],
  };
  expect(reversed(both).changes.map(({ rowId, before, after }) => [rowId, before, after])).toEqual([
    ['b', null, region],
    ['a', region, null],
  ]);
  expect(reversed(reversed(both))).toEqual(both);
});

test('is not kept without end', () => {
  let history = EMPTY_HISTORY;
  for (let i = 0; i < 300; i += 1) history = withStep(history, step(String(i)));
  expect(history.done).toHaveLength(200);
  expect(history.done.at(-1)!.label).toBe('299');
});
