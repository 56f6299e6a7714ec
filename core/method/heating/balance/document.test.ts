import fc from 'fast-check';
import { CoreError } from '../../../ground/errors';
import { adviseBalance } from './advise';
import { balanceAnswer, balanceStateFrom } from './document';

const DOCUMENT = {
  target_drop_k: 12,
  tolerance_k: 2,
  source: { flow_c_set: 60 },
  emitters: [{ id: 'r1', order: 1, rated_w: 1200, exponent: 1.3, turns: 0.75, turns_open: 4, sticks: false }],
  turned: [{ walk: 1, t_s: 330, emitter: 'r1', from: 1, to: 0.75 }],
  readings: [{ walk: 1, t_s: 660, emitter: 'r1', turns: 0.75, flow_c: 57.8, return_c: 49.2, room_c: 19.6, settled_s: 330 }],
};

const refusal = (change: object): string => {
  try {
    balanceStateFrom({ ...structuredClone(DOCUMENT), ...change });
  } catch (error) {
    if (error instanceof CoreError) return `${error.code}: ${error.message}`;
  }
  return 'taken';
};
const emitter = DOCUMENT.emitters[0]!;
const reading = DOCUMENT.readings[0]!;

test('a document becomes a state in words of our own', () => {
  const state = balanceStateFrom(DOCUMENT);
  expect(state).toMatchObject({ targetK: 12, toleranceK: 2, flowSetC: 60 });
  expect(state.emitters[0]).toEqual({
    id: 'r1',
    order: 1,
    ratedW: 1200,
    exponent: 1.3,
    turns: 0.75,
    turnsOpen: 4,
    sticks: false,
    tail: null,
    tapedWalk: null,
    withoutTape: false,
    headOn: false,
  });
  const tailed = { ...DOCUMENT.emitters[0]!, tail: 'bare', taped_walk: 3, head: 'on' };
  expect(balanceStateFrom({ ...DOCUMENT, emitters: [tailed] }).emitters[0]).toMatchObject({
    tail: 'bare',
    tapedWalk: 3,
    withoutTape: false,
    headOn: true,
  });
  expect(state.turned[0]).toEqual({ walk: 1, atS: 330, emitterId: 'r1', from: 1, to: 0.75 });
  expect(state.readings[0]).toEqual({
    walk: 1,
    atS: 660,
    emitterId: 'r1',
    turns: 0.75,
    flowC: 57.8,
    returnC: 49.2,
    roomC: 19.6,
    settledS: 330,
  });
});

test.each<[string, object, string]>([
  ['no emitters', { emitters: [] }, 'bad_input: emitters: '],
  ['a valve beyond its stop', { emitters: [{ ...emitter, turns: 4.5 }] }, 'bad_input: emitters.0.turns: stands beyond its stop.'],
  ['two of one name', { emitters: [emitter, emitter] }, 'bad_input: emitters: two have the same id.'],
  ['a tolerance as large as the target', { tolerance_k: 12 }, 'bad_input: tolerance_k: must be below the target.'],
  [
    'a reading of nobody',
    { readings: [{ ...reading, emitter: 'r9' }] },
    'bad_input: readings.0.emitter: names "r9", which is no emitter.',
  ],
  [
    'readings out of order',
    { readings: [reading, { ...reading, t_s: 10 }] },
    'bad_input: readings.1.t_s: is earlier than the one before: oldest first.',
  ],
  [
    'a turn beyond the stop',
    { turned: [{ walk: 1, t_s: 330, emitter: 'r1', from: 1, to: 5 }] },
    'bad_input: turned.0: goes beyond the stop of its valve.',
  ],
  [
    'a reading beyond the stop',
    { readings: [{ ...reading, turns: 5 }] },
    'bad_input: readings.0.turns: lies beyond the stop of its valve.',
  ],
  ['an impossible temperature', { readings: [{ ...reading, flow_c: 900 }] }, 'bad_input: readings.0.flow_c: '],
  ['a waiting time below nothing', { readings: [{ ...reading, settled_s: -1 }] }, 'bad_input: readings.0.settled_s: '],
])('%s is refused with its place', (_, change, words) => {
  expect(refusal(change).startsWith(words)).toBe(true);
});

test('an answer is written in the words of the document, rounded to hundredths', () => {
  expect(
    balanceAnswer({
      done: false,
      tape: ['r1'],
      end: null,
      left: [],
      untaped: [],
      moves: [{ emitterId: 'r1', toTurns: 0.625, expectDropK: 11.2345, uncertaintyK: 1.5 }],
      waitS: 300,
      read: ['r1'],
      drops: [{ emitterId: 'r1', dropK: null, uncertaintyK: null, state: 'cold' }],
      cannot: [{ emitterId: 'r1', why: 'ends-swapped' }],
    }),
  ).toEqual({
    done: false,
    tape: ['r1'],
    end: null,
    left: [],
    moves: [{ emitter: 'r1', to_turns: 0.625, expect_drop_k: 11.23, uncertainty_k: 1.5 }],
    wait_s: 300,
    read: ['r1'],
    drops: [{ emitter: 'r1', drop_k: null, uncertainty_k: null, state: 'cold' }],
    cannot: [{ emitter: 'r1', why: 'ends-swapped' }],
  });
});

describe('whatever comes', () => {
  const read = (document: unknown): 'read' | 'refused' => {
    try {
      balanceStateFrom(document);
      return 'read';
    } catch (error) {
      if (error instanceof CoreError && error.code === 'bad_input') return 'refused';
      throw error;
    }
  };

  test('ends in a state or a refusal', () => {
    fc.assert(fc.property(fc.anything(), (anything) => expect(read(anything)).toBe('refused')));
    fc.assert(
      fc.property(fc.constantFrom(...Object.keys(DOCUMENT)), fc.jsonValue(), (key, value) => {
        expect(['read', 'refused']).toContain(read({ ...structuredClone(DOCUMENT), [key]: value }));
      }),
    );
  });

  test('what is read is answered by the rules: eighths within the stop, one state for every emitter, nothing to do when done', () => {
    const kelvin = fc.double({ min: 15, max: 80, noNaN: true });
    const eighth = fc.integer({ min: 0, max: 32 }).map((k) => k / 8);
    const one = fc.record({ turns: eighth, sticks: fc.boolean(), rated_w: fc.option(fc.integer({ min: 100, max: 4000 })) });
    fc.assert(
      fc.property(fc.array(fc.tuple(one, kelvin, kelvin), { minLength: 1, maxLength: 4 }), (rows) => {
        const emitters = rows.map(([{ turns, sticks, rated_w }], i) => ({
          ...emitter,
          id: `r${i}`,
          order: i + 1,
          turns,
          sticks,
          rated_w,
        }));
        const readings = rows.map(([{ turns }, flow_c, return_c], i) => ({
          ...reading,
          emitter: `r${i}`,
          turns,
          flow_c,
          return_c,
          t_s: 700 + i,
        }));
        const {
          done,
          moves,
          read: next,
          drops,
        } = adviseBalance(balanceStateFrom({ ...DOCUMENT, turned: [], emitters, readings }));
        expect(drops.map(({ emitterId }) => emitterId).sort()).toEqual(emitters.map(({ id }) => id).sort());
        for (const { emitterId, toTurns, expectDropK, uncertaintyK } of moves) {
          const of = emitters.find(({ id }) => id === emitterId)!;
          expect(of.sticks).toBe(false);
          expect(toTurns * 8).toBe(Math.round(toTurns * 8));
          expect(toTurns).toBeGreaterThanOrEqual(0);
          expect(toTurns).toBeLessThanOrEqual(4);
          expect(Number.isFinite(expectDropK + uncertaintyK)).toBe(true);
        }
        if (done) expect([moves, next]).toEqual([[], []]);
        else expect(moves.length + next.length).toBeGreaterThan(0);
      }),
      { numRuns: 40 },
    );
  });
});
