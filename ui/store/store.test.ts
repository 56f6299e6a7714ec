import fc from 'fast-check';
import { ID, visitDocument } from '@core/testing/visit';
import type { CoreError } from '@core/ground/errors';
import type { Row, Values } from '@core/model/entities';
import { rowIn, withRows } from './held';
import { RowStore } from './rowStore';
import { ALL_SAVED, saveWords, type Saving } from './saving';
import { TestServer } from './testServer';

const region = visitDocument().rows.region[ID.sound]!.value;
const named = (name: string): Values['region'] => ({ ...region, name });
const row = (id: string, name: string, version = 1): Row<'region'> => ({ id, version, value: named(name) });
const nameOf = (store: RowStore<{ rows: { region: Record<string, Row<'region'>> } }>, id: string) =>
  (rowIn(store.document, 'region', id)?.value as Values['region'] | undefined)?.name;
const refusal = { code: 'bad_input', message: 'name must not be empty.', where: {}, hint: '' };

let server: TestServer;
beforeEach(() => {
  server = new TestServer();
  server.start();
});
afterEach(() => server.stop());

/** A page that holds these rows, as they are stored. */
function pageWith(...rows: Row<'region'>[]) {
  for (const one of rows) server.put('region', one);
  const store = new RowStore({ rows: { region: Object.fromEntries(rows.map((one) => [one.id, one])) } }, 'undo');
  const told = { refused: [] as CoreError[], travelled: [] as string[], saving: [] as Saving[] };
  store.listen({ onRefused: (error) => told.refused.push(error), onTravel: (label) => told.travelled.push(label) });
  store.state.subscribe(({ saving }) => told.saving.push(saving));
  const put = (id: string, name: string | null) =>
    store.edit('edit', [{ entity: 'region', rowId: id, value: name === null ? null : named(name) }]);
  return { store, told, put };
}

const storedName = (id: string) => (server.rows.get(id)?.row.value as Values['region'] | undefined)?.name;

describe('what is held', () => {
  test('changes without touching what was there, and kinds that do not change stay the same', () => {
    const before = visitDocument();
    const copy = JSON.stringify(before);
    const after = withRows(before, [
      { entity: 'region', rowId: ID.sound, row: row(ID.sound, 'new', 7) },
      { entity: 'region', rowId: 'made', row: row('made', 'made') },
      { entity: 'finding', rowId: ID.finding, row: null },
    ]);
    expect(after.rows.region[ID.sound]).toMatchObject({ version: 7, value: { name: 'new' } });
    expect(after.rows.region['made']).toBeDefined();
    expect(after.rows.finding).toEqual({});
    expect(after.rows.frame).toBe(before.rows.frame);
    expect(JSON.stringify(before)).toBe(copy);
    expect(withRows(before, [])).toBe(before);
  });
});

describe('a step', () => {
  test('is one command over all its rows, shown at once', async () => {
    const { store } = pageWith(row('a', 'one'), row('b', 'two'));
    store.edit('both', [
      { entity: 'region', rowId: 'a', value: named('A') },
      { entity: 'region', rowId: 'b', value: null },
      { entity: 'region', rowId: 'c', value: named('C') },
    ]);
    expect([nameOf(store, 'a'), nameOf(store, 'b'), nameOf(store, 'c')]).toEqual(['A', undefined, 'C']);
    await store.idle();
    expect(server.sent).toHaveLength(1);
    expect(server.sent[0]!.changes.map(({ action, version }) => [action, version])).toEqual([
      ['put', 1],
      ['remove', 1],
      ['put', 0],
    ]);
  });

  test('names each row once: the last value, and undo to the first', async () => {
    const { store } = pageWith(row('a', 'one'));
    store.edit('twice', [
      { entity: 'region', rowId: 'a', value: named('two') },
      { entity: 'region', rowId: 'a', value: named('three') },
    ]);
    await store.idle();
    expect(server.sent[0]!.changes).toHaveLength(1);
    store.undo();
    expect(nameOf(store, 'a')).toBe('one');
  });

  test('that changes nothing is none', () => {
    const { store, put } = pageWith(row('a', 'one'));
    put('a', 'one');
    expect(store.state.getState()).toMatchObject({ saving: ALL_SAVED, history: { done: [] } });
    expect(server.sent).toEqual([]);
  });

  test('over the rows of one that still waits replaces it; the versions follow each other', async () => {
    const { store, put } = pageWith(row('a', 'one', 3));
    put('a', 'two');
    for (const name of ['b', 'c', 'd']) put('a', name);
    await store.idle();
    expect(server.sent.map(({ changes }) => changes[0])).toMatchObject([
      { version: 3, value: { name: 'two' } },
      { version: 4, value: { name: 'd' } },
    ]);
  });

  test('that takes away what was never stored asks nobody', async () => {
    const { store, put } = pageWith();
    server.failures = [{ status: 400, body: { error: refusal } }];
    put('new', 'x');
    await store.idle();
    const { store: other } = pageWith();
    other.edit('gone', [{ entity: 'region', rowId: 'never', value: null, before: named('x') }]);
    await other.idle();
    expect(server.sent).toHaveLength(1);
  });
});

describe('what fails', () => {
  test.each(['offline', 'lost'] as const)('%s: it is sent again by the same name, and carried out once', async (how) => {
    jest.useFakeTimers();
    const { store, put, told } = pageWith(row('a', 'one'));
    server.failures = [how];
    put('a', 'two');
    await jest.advanceTimersByTimeAsync(2500);
    jest.useRealTimers();
    await store.idle();
    expect(server.sent.map(({ id }) => id)).toEqual([server.sent[0]!.id, server.sent[0]!.id]);
    expect(server.rows.get('a')!.row.version).toBe(2);
    expect(told.saving).toContainEqual({ state: 'waiting', unsaved: 1 });
    expect(told.saving.at(-1)).toEqual(ALL_SAVED);
  });

  test.each([500, 503, 507])('with %i is kept, with what waits behind it', async (status) => {
    jest.useFakeTimers();
    const { store, put, told } = pageWith();
    server.failures = [{ status, body: { error: { ...refusal, code: 'busy' } } }];
    put('a', 'one');
    put('b', 'two');
    await jest.advanceTimersByTimeAsync(2500);
    jest.useRealTimers();
    await store.idle();
    expect(server.sent.map(({ changes }) => changes[0]!.rowId)).toEqual(['a', 'a', 'b']);
    expect(told.saving).toContainEqual({ state: 'waiting', unsaved: 2 });
    expect(told.refused).toEqual([]);
  });

  test('for good is told, goes back to what is stored, and does not hold up the rest', async () => {
    const { store, put, told } = pageWith(row('a', 'one'));
    server.failures = [{ status: 400, body: { error: refusal } }];
    put('a', '');
    put('b', 'two');
    put('c', 'three');
    await store.idle();
    expect(told.refused.map(({ code }) => code)).toEqual(['bad_input']);
    expect([nameOf(store, 'a'), storedName('b'), storedName('c')]).toEqual(['one', 'two', 'three']);
  });

  test('for good leaves what was typed again since', async () => {
    const { store, put } = pageWith(row('a', 'one'));
    server.failures = [{ status: 400, body: { error: refusal } }];
    put('a', '');
    put('a', 'two');
    await store.idle();
    expect([nameOf(store, 'a'), storedName('a')]).toEqual(['two', 'two']);
  });

  test('is said in words', () => {
    expect(saveWords({ state: 'waiting', unsaved: 1 })).toBe('1 change waits, trying again');
    expect(saveWords({ state: 'waiting', unsaved: 3 })).toBe('3 changes wait, trying again');
    expect(saveWords({ state: 'asking', unsaved: 2 })).toBe('2 changes wait for your answer');
    expect(saveWords(ALL_SAVED)).toBe('Saved');
  });
});

describe('a conflict', () => {
  async function conflicting() {
    const page = pageWith(row('a', 'one'), row('b', 'two'), row('c', 'three'));
    server.put('region', row('a', 'theirs', 5));
    server.rows.delete('b');
    page.store.edit('all', [
      { entity: 'region', rowId: 'a', value: named('mine') },
      { entity: 'region', rowId: 'b', value: named('mine too') },
      { entity: 'region', rowId: 'c', value: named('nobody else') },
    ]);
    page.put('d', 'later');
    await new Promise((resolve) => setTimeout(resolve, 20));
    return page;
  }

  test('brings all rows of the step together, writes nothing, and holds up what comes after', async () => {
    const { store } = await conflicting();
    const { conflict, saving } = store.state.getState();
    expect(conflict!.stale).toEqual([
      { entity: 'region', rowId: 'a', stored: row('a', 'theirs', 5) },
      { entity: 'region', rowId: 'b', stored: null },
    ]);
    expect(saving).toEqual({ state: 'asking', unsaved: 2 });
    expect([storedName('c'), storedName('d')]).toEqual(['three', undefined]);
  });

  test('is answered row by row; the rest of the step goes along', async () => {
    const { store } = await conflicting();
    store.settle({ a: 'stored', b: 'mine' });
    await store.idle();
    expect([nameOf(store, 'a'), nameOf(store, 'b'), nameOf(store, 'c')]).toEqual(['theirs', 'mine too', 'nobody else']);
    expect([storedName('a'), storedName('b'), storedName('c'), storedName('d')]).toEqual([
      'theirs',
      'mine too',
      'nobody else',
      'later',
    ]);
  });

  test('over what both say alike is none', async () => {
    const { store, put } = pageWith(row('a', 'one'));
    server.put('region', row('a', 'same', 2));
    put('a', 'same');
    await store.idle();
    expect(store.state.getState().conflict).toBeNull();
    expect(server.rows.get('a')!.row.version).toBe(2);
    put('a', 'next');
    await store.idle();
    expect(storedName('a')).toBe('next');
    // Nobody else changed it in between: undo asks nothing.
    store.undo();
    expect(store.state.getState().conflict).toBeNull();
    await store.idle();
    expect(storedName('a')).toBe('same');
  });

  test('settled over a row that was changed again meanwhile leaves what is newest', async () => {
    const { store, put } = pageWith(row('a', 'one'));
    server.put('region', row('a', 'theirs', 3));
    put('a', 'mine');
    put('a', 'newest');
    await new Promise((resolve) => setTimeout(resolve, 20));
    expect(store.state.getState().conflict!.changes[0]).toMatchObject({ value: { name: 'mine' } });
    store.settle({ a: 'mine' });
    expect(nameOf(store, 'a')).toBe('newest');
    await store.idle();
    expect([nameOf(store, 'a'), storedName('a')]).toEqual(['newest', 'newest']);
  });

  test('a second one waits for the first to be answered', async () => {
    const { store, put } = pageWith(row('a', 'one'), row('b', 'two'));
    server.put('region', row('a', 'x', 4));
    server.put('region', row('b', 'y', 4));
    put('a', 'mine');
    put('b', 'mine');
    await new Promise((resolve) => setTimeout(resolve, 20));
    store.settle({ a: 'mine' });
    await new Promise((resolve) => setTimeout(resolve, 20));
    expect(store.state.getState().conflict!.stale[0]!.rowId).toBe('b');
    store.settle({ b: 'stored' });
    await store.idle();
    expect([storedName('a'), nameOf(store, 'b')]).toEqual(['mine', 'y']);
  });
});

describe('undo', () => {
  test('goes back and forth over whole steps, and says so', async () => {
    const { store, put, told } = pageWith(row('a', 'one'));
    put('a', 'two');
    put('b', 'new');
    store.undo();
    store.undo();
    await store.idle();
    expect([storedName('a'), storedName('b')]).toEqual(['one', undefined]);
    store.redo();
    await store.idle();
    expect(storedName('a')).toBe('two');
    expect(told.travelled).toEqual(['Undone: edit', 'Undone: edit', 'Redone: edit']);
    store.redo();
    store.redo();
    await store.idle();
    expect(storedName('b')).toBe('new');
  });

  test('of what somebody else changed meanwhile is asked first, with both values', async () => {
    const { store, put } = pageWith(row('a', 'one'));
    put('a', 'two');
    await store.idle();
    server.put('region', row('a', 'theirs', 9));
    store.take([{ entity: 'region', rowId: 'a', stored: row('a', 'theirs', 9) }]);
    expect(nameOf(store, 'a')).toBe('theirs');
    store.undo();
    expect(store.state.getState().conflict).toMatchObject({
      changes: [{ value: { name: 'one' } }],
      stale: [{ stored: { version: 9, value: { name: 'theirs' } } }],
    });
    expect(nameOf(store, 'a')).toBe('theirs');
    store.settle({ a: 'mine' });
    await store.idle();
    expect(storedName('a')).toBe('one');
  });

  test('forgets steps over rows that the server changed as a whole', async () => {
    const { store, put } = pageWith(row('a', 'one'), row('b', 'two'));
    put('a', 'x');
    put('b', 'y');
    store.forgetSteps(new Set(['a']));
    expect(store.state.getState().history.done).toHaveLength(1);
  });
});

describe('what comes from elsewhere', () => {
  test('is taken in, but for rows that wait to be stored here', async () => {
    const { store, put } = pageWith(row('a', 'one'), row('b', 'two'));
    put('a', 'mine');
    store.take([
      { entity: 'region', rowId: 'a', stored: row('a', 'theirs', 4) },
      { entity: 'region', rowId: 'b', stored: null },
      { entity: 'region', rowId: 'c', stored: row('c', 'made') },
    ]);
    expect([nameOf(store, 'a'), nameOf(store, 'b'), nameOf(store, 'c')]).toEqual(['mine', undefined, 'made']);
    await store.idle();
  });
});

test('however two pages change the same rows, in the end both and the server agree', async () => {
  const action = fc.record({
    page: fc.nat(1),
    kind: fc.constantFrom('put', 'remove', 'undo', 'redo', 'wait', 'take'),
    id: fc.constantFrom('a', 'b', 'c'),
    name: fc.constantFrom('x', 'y', 'z'),
    fails: fc.constantFrom(null, null, null, 'lost' as const),
  });
  const quiet = (store: RowStore<never> | ReturnType<typeof pageWith>['store']) => store.state.getState();
  await fc.assert(
    fc.asyncProperty(
      fc.array(action, { maxLength: 25 }),
      fc.constantFrom('mine' as const, 'stored' as const),
      async (all, choice) => {
        server.stop();
        server = new TestServer();
        server.start();
        jest.useFakeTimers();
        const start = [row('a', 'one'), row('b', 'two')];
        const pages = [pageWith(...start), pageWith(...start)];
        const current = () =>
          ['a', 'b', 'c'].map((rowId) => ({
            entity: 'region' as const,
            rowId,
            stored: (server.rows.get(rowId)?.row as Row<'region'> | undefined) ?? null,
          }));
        const settleAll = async () => {
          for (let i = 0; i < 40; i += 1) {
            await jest.advanceTimersByTimeAsync(2500);
            for (const { store } of pages) {
              const { conflict } = quiet(store);
              if (conflict) store.settle(Object.fromEntries(conflict.stale.map(({ rowId }) => [rowId, choice])));
            }
            if (pages.every(({ store }) => quiet(store).saving.state === 'saved')) return;
          }
        };
        for (const { page, kind, id, name, fails } of all) {
          const { store, put } = pages[page]!;
          if (fails) server.failures.push(fails);
          if (kind === 'put') put(id, name);
          if (kind === 'remove' && rowIn(store.document, 'region', id)) put(id, null);
          if (kind === 'undo' && !quiet(store).conflict) store.undo();
          if (kind === 'redo' && !quiet(store).conflict) store.redo();
          if (kind === 'wait') await settleAll();
          if (kind === 'take' && quiet(store).saving.state === 'saved') store.take(current());
        }
        await settleAll();
        jest.useRealTimers();
        const stored = Object.fromEntries([...server.rows].map(([id]) => [id, storedName(id)]));
        for (const { store } of pages) {
          expect(quiet(store).saving).toEqual(ALL_SAVED);
          store.take(current());
          const shown = Object.fromEntries(Object.keys(store.document.rows.region).map((id) => [id, nameOf(store, id)]));
          expect(shown).toEqual(stored);
        }
      },
    ),
    { numRuns: 400 },
  );
}, 60_000);
