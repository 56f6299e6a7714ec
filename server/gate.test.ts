import { Gate } from './gate';

const later = () => {
  let resolve: () => void = () => undefined;
  const promise = new Promise<void>((done) => (resolve = done));
  return { promise, resolve };
};
const tick = () => new Promise((resolve) => setTimeout(resolve, 0));

test('so many at once, the others in their order', async () => {
  const gate = new Gate(2);
  const doors = Array.from({ length: 5 }, later);
  const entered: number[] = [];
  const all = doors.map(({ promise }, i) =>
    gate.run(async () => {
      entered.push(i);
      await promise;
      return i;
    }),
  );
  await tick();
  expect(entered).toEqual([0, 1]);
  doors[1]!.resolve();
  await tick();
  expect(entered).toEqual([0, 1, 2]);
  for (const door of doors) door.resolve();
  expect(await Promise.all(all)).toEqual([0, 1, 2, 3, 4]);
});

test('what fails inside lets the next one in', async () => {
  const gate = new Gate(1);
  await expect(gate.run(() => Promise.reject(new Error('inside')))).rejects.toThrow('inside');
  expect(await gate.run(async () => 'next')).toBe('next');
});

test('whoever gives up while waiting never goes in, and holds nobody back', async () => {
  const gate = new Gate(1);
  const door = later();
  const first = gate.run(() => door.promise);
  const abort = new AbortController();
  let went = false;
  const given = gate.run(async () => void (went = true), abort.signal);
  const last = gate.run(async () => 'last');
  abort.abort();
  await expect(given).rejects.toMatchObject({ code: 'cancelled' });
  door.resolve();
  await first;
  expect(await last).toBe('last');
  expect(went).toBe(false);
});

test('one that is given up at the moment of its turn passes it on', async () => {
  const gate = new Gate(1);
  const door = later();
  const first = gate.run(() => door.promise);
  const abort = new AbortController();
  const given = gate.run(async () => 'never', abort.signal);
  const last = gate.run(async () => 'last');
  door.resolve();
  abort.abort();
  await expect(given).rejects.toMatchObject({ code: 'cancelled' });
  await first;
  expect(await last).toBe('last');
});
