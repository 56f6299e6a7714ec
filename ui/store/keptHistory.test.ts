import { keep, readKept, type KeptHistory } from './keptHistory';

/** A tab's storage that holds so many characters. */
function storageOf(room: number) {
  const kept = new Map<string, string>();
  return {
    kept,
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => {
      if (value.length > room) throw new DOMException('full', 'QuotaExceededError');
      kept.set(key, value);
    },
    removeItem: (key: string) => kept.delete(key),
  };
}

function inTab(storage: object | undefined): void {
  Object.defineProperty(globalThis, 'sessionStorage', { configurable: true, value: storage });
}

const steps = (count: number): KeptHistory => ({
  done: Array.from({ length: count }, (_, i) => ({ label: `step ${i}`, changes: [] })),
  undone: [],
  versions: { a: 3 },
});

afterEach(() => inTab(undefined));

test('what was kept comes back', () => {
  inTab(storageOf(10_000));
  keep('k', steps(3));
  expect(readKept('k')).toEqual(steps(3));
  expect(readKept('other')).toBeNull();
});

test('where room is short, the newest steps are kept', () => {
  inTab(storageOf(400));
  keep('k', steps(40));
  const kept = readKept('k')!;
  expect(kept.done.length).toBeGreaterThan(3);
  expect(kept.done.length).toBeLessThan(40);
  expect(kept.done.at(-1)!.label).toBe('step 39');
});

test('where there is no room at all, what was kept before goes: it would lead back to something else', () => {
  const storage = storageOf(10_000);
  inTab(storage);
  keep('k', steps(2));
  inTab({ ...storage, setItem: storageOf(0).setItem });
  keep('k', steps(3));
  expect(readKept('k')).toBeNull();
});

test.each(['{', '"text"', '{"done":3}', '{"done":[],"undone":[]}', 'null'])('%s is not taken for a history', (text) => {
  const storage = storageOf(1000);
  storage.kept.set('k', text);
  inTab(storage);
  expect(readKept('k')).toBeNull();
});

test('a browser that keeps nothing does no harm', () => {
  const refuses = () => {
    throw new DOMException('denied', 'SecurityError');
  };
  inTab({ getItem: refuses, setItem: refuses, removeItem: refuses });
  expect(() => keep('k', steps(1))).not.toThrow();
  expect(readKept('k')).toBeNull();
});
