import { ID, visitDocument } from '@core/testing/visit';
import type { CoreError } from '@core/errors';
import type { RegionValue, VisitEntity } from '@core/visit/rows';
import { documentReducer } from './documentReducer';
import { afterRedo, afterUndo, EMPTY_HISTORY, reversed, withoutRows, withStep, type Step } from './history';
import { saveWords, savingOf } from './saveWords';
import { Saver, type Conflict, type Saving } from './saver';

const region = visitDocument().rows.region[ID.sound]!.value;

describe('history', () => {
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
});

describe('the document', () => {
  test('sets and removes rows without touching the old document', () => {
    const before = visitDocument();
    const copy = JSON.stringify(before);
    const renamed = documentReducer(before, {
      kind: 'set',
      entity: 'region',
      rowId: ID.sound,
      value: { ...region, name: 'new' },
    });
    expect((renamed.rows.region[ID.sound]!.value as RegionValue).name).toBe('new');
    expect(renamed.rows.region[ID.sound]!.version).toBe(1);
    const removed = documentReducer(renamed, { kind: 'set', entity: 'region', rowId: ID.sound, value: null });
    expect(removed.rows.region[ID.sound]).toBeUndefined();
    expect(JSON.stringify(before)).toBe(copy);
  });

  test('takes versions and stored rows', () => {
    const before = visitDocument();
    expect(
      documentReducer(before, { kind: 'version', entity: 'region', rowId: ID.sound, version: 7 }).rows.region[ID.sound]!.version,
    ).toBe(7);
    expect(documentReducer(before, { kind: 'version', entity: 'region', rowId: 'gone', version: 7 })).toBe(before);
    const stored = documentReducer(before, { kind: 'stored', entity: 'region', rowId: ID.sound, row: null });
    expect(stored.rows.region[ID.sound]).toBeUndefined();
  });
});

describe('saving', () => {
  interface Sent {
    action: string;
    rowId: string;
    version: number;
    value?: RegionValue;
    id: string;
  }
  const sent: Sent[] = [];
  let answers: ((command: Sent) => { status: number; body: unknown } | 'offline')[] = [];
  const realFetch = globalThis.fetch;

  beforeEach(() => {
    sent.length = 0;
    answers = [];
    globalThis.fetch = (async (address: string, init: { body: string }) => {
      if (address === '/api/health') return { ok: true } as Response;
      const command = JSON.parse(init.body) as Sent;
      sent.push(command);
      const answer = (answers.shift() ?? ((c: Sent) => ({ status: 200, body: { version: c.version + 1 } })))(command);
      if (answer === 'offline') throw new TypeError('offline');
      return { ok: answer.status === 200, status: answer.status, json: async () => answer.body } as Response;
    }) as typeof fetch;
  });
  afterAll(() => {
    globalThis.fetch = realFetch;
  });

  function saver(versions: [string, number][] = []) {
    const made = new Saver<VisitEntity>(new Map(versions));
    const seen = { states: [] as Saving[], conflicts: [] as Conflict<VisitEntity>[], refused: [] as CoreError[] };
    made.listen({
      onSaving: (saving) => seen.states.push(saving),
      onVersion: () => undefined,
      onConflict: (conflict) => seen.conflicts.push(conflict),
      onRefused: (error) => seen.refused.push(error),
    });
    return { made, seen };
  }

  test('sends changes in order, each with the version that the last one left', async () => {
    const { made, seen } = saver([['a', 3]]);
    made.save('region', 'a', region);
    await made.idle();
    made.save('region', 'a', { ...region, name: 'again' });
    await made.idle();
    expect(sent.map(({ version }) => version)).toEqual([3, 4]);
    expect(made.versionOf('a')).toBe(5);
    expect(seen.states.at(-1)).toEqual({ state: 'saved', unsaved: 0 });
  });

  test('changes of one row that still waits become one', async () => {
    const { made } = saver();
    made.save('region', 'a', region);
    for (const name of ['b', 'c', 'd']) made.save('region', 'a', { ...region, name });
    await made.idle();
    expect(sent.map(({ value }) => value!.name)).toEqual([region.name, 'd']);
  });

  test('a row that was never stored is not removed at the server', async () => {
    const { made } = saver();
    made.save('region', 'new', null);
    await made.idle();
    expect(sent).toEqual([]);
  });

  test('a lost connection is tried again with the same command, so that it is carried out once', async () => {
    jest.useFakeTimers();
    const { made, seen } = saver();
    answers = [() => 'offline'];
    made.save('region', 'a', region);
    await jest.advanceTimersByTimeAsync(2500);
    jest.useRealTimers();
    await made.idle();
    expect(sent).toHaveLength(2);
    expect(sent[0]!.id).toBe(sent[1]!.id);
    expect(seen.states).toContainEqual({ state: 'waiting', unsaved: 1 });
    expect(seen.states.at(-1)).toEqual({ state: 'saved', unsaved: 0 });
  });

  test('a stale change brings both values, and is sent again only against the stored version', async () => {
    const { made, seen } = saver([['a', 1]]);
    const stored = { id: 'a', version: 5, value: { ...region, name: 'theirs' } };
    answers = [() => ({ status: 409, body: { error: { code: 'stale', message: 'm', where: {}, hint: '' }, stored } })];
    made.save('region', 'a', { ...region, name: 'mine' });
    await made.idle();
    expect(seen.conflicts).toEqual([{ entity: 'region', rowId: 'a', yours: { ...region, name: 'mine' }, stored }]);
    made.know('a', 5);
    made.save('region', 'a', { ...region, name: 'mine' });
    await made.idle();
    expect(sent.at(-1)!.version).toBe(5);
  });

  test('a refusal is told and does not hold up the rest', async () => {
    const { made, seen } = saver();
    answers = [
      () => ({ status: 400, body: { error: { code: 'bad_input', message: 'name must not be empty.', where: {}, hint: '' } } }),
    ];
    made.save('region', 'a', { ...region, name: '' });
    made.save('region', 'b', region);
    await made.idle();
    expect(seen.refused.map((error) => error.code)).toEqual(['bad_input']);
    expect(made.versionOf('b')).toBe(1);
  });

  test.each([500, 503, 507])(
    'what fails with %i is kept and sent again by the same name, with what waits behind it',
    async (status) => {
      answers = [() => ({ status, body: { error: { code: 'busy', message: '', where: {}, hint: '' } } })];
      const { made, seen } = saver();
      made.save('region', 'a', region);
      made.save('region', 'b', region);
      await made.idle();
      expect(sent.map(({ rowId }) => rowId)).toEqual(['a', 'a', 'b']);
      expect(sent[0]!.id).toBe(sent[1]!.id);
      expect(seen.states).toContainEqual({ state: 'waiting', unsaved: 2 });
      expect(seen.refused).toEqual([]);
    },
    10_000,
  );

  test('what waits is said in words, also of several places at once', () => {
    expect(saveWords({ state: 'waiting', unsaved: 1 })).toBe('1 change waits, trying again');
    const both = savingOf([
      { state: 'saving', unsaved: 1 },
      { state: 'waiting', unsaved: 2 },
      { state: 'saved', unsaved: 0 },
    ]);
    expect(both).toEqual({ state: 'waiting', unsaved: 3 });
    expect(saveWords(both)).toBe('3 changes wait, trying again');
    expect(saveWords(savingOf([]))).toBe('Saved');
  });
});
