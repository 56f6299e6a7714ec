import { leverWords, valveOf, valveWords, zonesOf } from './closedPipe';
import type { ToldPipe } from './toldPipe';

const pipe = (change: Partial<ToldPipe> = {}): ToldPipe => ({
  visitId: '0192f0a0-0000-7000-8000-000000000001',
  name: 'Behind the valve',
  question: 'valve',
  material: 'copper',
  outerMm: 22,
  wallMm: 0.9,
  laggingMm: 0,
  airC: 20,
  orientation: 'level',
  closedAt: null,
  hotC: 58,
  points: [],
  zones: [],
  extent: null,
  waterC: 59,
  surfaceC: null,
  hoursYear: 5000,
  pricePerKwh: null,
  assumed: [],
  ...change,
});
const shown = (celsius: number) => `${celsius.toFixed(1)} °C`;
const words = (of: ToldPipe) => valveWords(valveOf(of), shown);
const at = (minutes: number | null, celsius: readonly number[], taped = true) =>
  celsius.map((one, k) => ({ m: 0.5 + k, celsius: one, taped, minutes }));

describe('a closed valve', () => {
  test('asks for what is missing, one thing after the other', () => {
    expect(words(pipe({ orientation: null }))).toContain('level or rises');
    expect(words(pipe({ waterC: null }))).toContain('water before the valve');
    expect(words(pipe({ hotC: null }))).toContain('while it is open and hot');
    expect(words(pipe())).toContain('minutes since it closed');
    // A reading of which nobody knows when it was tells nothing.
    expect(valveOf(pipe({ points: at(null, [50, 49, 48]) })).kind).toBe('missing');
    expect(words(pipe({ hotC: 24, points: at(10, [23]) }))).toContain('less than 8 K warmer');
  });

  test('that is warm ten minutes after closing is not called leaky: it is told when to read again', () => {
    expect(words(pipe({ points: at(10, [51, 51, 51]) }))).toMatch(
      /^After 10 min a full closed pipe would read about 4\d\.\d °C at 2\.5 m; it reads 51\.0 °C\. .*Read the same places again \d+ min after closing\.$/,
    );
  });

  test('that is cold after two hours holds; one that is hot then lets by, with litres and their range', () => {
    expect(words(pipe({ points: at(180, [22.5, 22.2, 22.1]) }))).toContain('the valve holds (less than');
    expect(words(pipe({ points: at(180, [57, 56, 55]) }))).toMatch(
      /water passes the valve, about [\d.]+ l\/h \(95 %: [\d.]+ … [\d.]+\)\.$/,
    );
  });

  test('in a pipe that rises that is said', () =>
    expect(words(pipe({ orientation: 'rising', points: at(180, [57, 56, 55]) }))).toContain('circulates in itself'));

  test('whose pipe is bare metal decides nothing on readings that show the room', () =>
    expect(valveOf(pipe({ points: at(60, [34, 33, 33], false) }))).toMatchObject({
      kind: 'judged',
      judged: { verdict: 'cannot-say' },
    }));

  test('with warmth from the far end is told apart, and says nothing of the valve', () => {
    const far = pipe({ points: at(60, [25, 35, 45]) });
    expect(valveOf(far).kind).toBe('far-end');
    expect(words(far)).toContain('far end');
  });

  test('that nothing explains is said to be odd', () =>
    expect(words(pipe({ points: at(60, [90, 90, 89]) }))).toContain('Neither a tight valve nor one that passes'));
});

test('zones are judged as closed valves are, each with what is missing', () => {
  const zones = [
    { name: 'Upstairs', onC: 55, offC: 53, minutes: 120 },
    { name: 'Downstairs', onC: 55, offC: 27, minutes: 120 },
    { name: 'Hall', onC: 55, offC: 50.5, minutes: 5 },
    { name: 'Cellar', onC: 55, offC: null },
  ];
  const says = zonesOf(pipe({ question: 'zones', waterC: 55, zones })).map(({ says: one }) =>
    one.kind === 'judged' ? one.judged.verdict : one.kind,
  );
  expect(says).toEqual(['passes', 'holds', 'cannot-say', 'missing']);
  // Nobody read the water before the valves: nothing is assumed of it.
  expect(zonesOf(pipe({ zones, waterC: null }))[0]!.says).toMatchObject({ kind: 'missing' });
  expect(zonesOf(pipe({ zones, orientation: null }))[0]!.says).toMatchObject({ kind: 'missing' });
  expect(zonesOf(pipe({ zones: [{ ...zones[0]!, onC: null }] }))[0]!.says).toMatchObject({ kind: 'missing' });
});

test('a lever is tried both ways: slack is driven open already', () => {
  expect(leverWords({ leverOn: 'slack', leverOff: null })).toBe('');
  expect(leverWords({ leverOn: 'slack', leverOff: 'resists' })).toContain('drives the valve');
  expect(leverWords({ leverOn: 'slack', leverOff: 'slack' })).toContain('stands driven open');
  expect(leverWords({ leverOn: 'resists', leverOff: 'resists' })).toContain('never driven open');
  expect(leverWords({ leverOn: 'resists', leverOff: 'slack' })).toContain('another valve');
});
