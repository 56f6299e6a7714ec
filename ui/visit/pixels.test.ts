import { PixelStore } from './pixels';

/** What was asked for, answered one by one. */
function fakeFetch() {
  const asked: { url: string; answer(values: number[], ok?: boolean): Promise<void> }[] = [];
  const settle = () => new Promise<void>((resolve) => setTimeout(resolve, 0));
  globalThis.fetch = ((url: string) =>
    new Promise((resolve) => {
      asked.push({
        url,
        answer: async (values, ok = true) => {
          const bytes = Float32Array.from(values).buffer;
          resolve({ ok, status: ok ? 200 : 404, arrayBuffer: async () => bytes } as unknown as Response);
          await settle();
        },
      });
    })) as typeof fetch;
  return asked;
}

const before = globalThis.fetch;
afterEach(() => {
  globalThis.fetch = before;
});

test('pixels are asked for once, by frame and hash, and listeners hear of them', async () => {
  const asked = fakeFetch();
  const store = new PixelStore('pixels');
  store.know({ a: { pixelsSha: '0123456789abcdef0123' } });
  const heard = jest.fn();
  const stop = store.subscribe(heard);
  store.want('a');
  store.want('a');
  expect(asked.map(({ url }) => url)).toEqual(['/api/frames/a/pixels?v=0123456789abcdef']);
  await asked[0]!.answer([1, 2]);
  expect([...store.get('a')!]).toEqual([1, 2]);
  expect(heard).toHaveBeenCalledTimes(1);
  expect(store.snapshot()).toBe(1);
  stop();
});

test('a frame that was turned is fetched again, and what comes late of the old one is dropped', async () => {
  const asked = fakeFetch();
  const store = new PixelStore('thumb');
  store.know({ a: { pixelsSha: 'old' } });
  store.want('a');
  store.know({ a: { pixelsSha: 'new' } });
  expect(asked.map(({ url }) => url)).toEqual(['/api/frames/a/thumb?v=old', '/api/frames/a/thumb?v=new']);
  await asked[0]!.answer([1]);
  expect(store.get('a')).toBeUndefined();
  await asked[1]!.answer([2]);
  expect([...store.get('a')!]).toEqual([2]);
  // The same hash again changes nothing.
  store.know({ a: { pixelsSha: 'new' } });
  expect(asked).toHaveLength(2);
});

test('a frame that cannot be loaded says so and may be wanted again', async () => {
  const asked = fakeFetch();
  const store = new PixelStore('pixels');
  store.want('a');
  await asked[0]!.answer([], false);
  expect(store.problem('a')).toContain('404');
  store.want('a');
  expect(asked).toHaveLength(2);
});

test('what was not looked at for the longest time is let go of, and comes again when it is looked at', async () => {
  const asked = fakeFetch();
  // Room for two frames of two pixels.
  const store = new PixelStore('pixels', 16);
  for (const id of ['a', 'b']) {
    store.want(id);
    await asked.at(-1)!.answer([1, 2]);
  }
  expect(store.get('a')).toBeDefined();
  store.want('c');
  await asked.at(-1)!.answer([3, 4]);
  expect(store.get('c')).toBeDefined();
  expect(store.get('a')).toBeDefined();
  expect(store.get('b')).toBeUndefined();
  await Promise.resolve();
  expect(asked.at(-1)!.url).toContain('/api/frames/b/');
  await asked.at(-1)!.answer([1, 2]);
  expect([...store.get('b')!]).toEqual([1, 2]);
});

test('a frame that is larger than all the room is shown all the same', async () => {
  const asked = fakeFetch();
  const store = new PixelStore('pixels', 4);
  store.want('a');
  await asked[0]!.answer([1, 2, 3]);
  expect(store.get('a')).toHaveLength(3);
});
