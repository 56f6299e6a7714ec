import {
  emitterValue,
  FACE,
  heatingVisit,
  MINUTE,
  ON,
  RADIATOR,
  radiatorPixels,
  withFrame,
  withReading,
  withRow,
} from '../../testing/heatingVisit';
import { likeWater, waterOfFace } from './waterOfFace';
import { ID } from '../../testing/visit';
import type { VisitDocument } from '../../model/document';
import { rowIdFrom } from '../../ground/rowId';
import { asFoundAdvice, balanceStateBefore, dropsByWalk, firstTails, lastTails, leftOf, turnWords, walkOf } from './balance';
import { coldSharesOf, framesOfShares, stagesSeen } from './coldShares';
import { doubtsOf } from './doubts';
import { emitterState } from './emitterState';
import { emitterRowOf, emittersOf, inOrder } from './emitters';
import { judgeFace, latestFace, minutesOnAt } from './faces';
import { flowForAll, givenOf } from './givenOf';
import { flushOf, heatingInForce, heatingOf, holdsHeating, ofWalk, roomAirOf, warmingOf } from './heatingOf';
import { spotOf } from './spot';
import { frameNameOf, framesOfEmitter, readingPuts, takeIn, type Put } from './takeIn';
import { allRead, frameOfReading, readingsOf, tailsOf } from './tails';
import { warmingOrder } from './warmingOrder';
import { whyLate } from './whyLate';

const { hall, kitchen, bedroom } = RADIATOR;
const FRAME = '0192f0a0-0000-7000-8000-00000000f001';
const SECOND = '0192f0a0-0000-7000-8000-00000000f002';
const none = () => undefined;

let made = 0;
const newId = () => `0192f0a0-0000-7000-8000-${String((made += 1)).padStart(12, '0')}`;

/** Rows put as a step would. */
const put = (document: VisitDocument, puts: readonly Put[]) =>
  puts.reduce((now, { entity, rowId, value }) => withRow(now, entity, rowId, value as never), document);

const emitter = (document: VisitDocument, id: string = hall) => emittersOf(document).find((one) => one.id === id)!;

const withTurn = (document: VisitDocument, serviceId: string, walk: number, minute: number, from: number, to: number) =>
  withRow(document, 'valveTurn', ofWalk(ID.visit, 'turn', walk, serviceId), {
    visitId: ID.visit,
    serviceId,
    walk,
    at: ON + minute * MINUTE,
    from,
    to,
  });

describe('emitters', () => {
  test('come by storey and room until somebody orders them', () => {
    const document = heatingVisit();
    expect(emittersOf(document).map(({ name }) => name)).toEqual(['Hall', 'Kitchen', 'Bedroom']);
    const puts = inOrder(document, [bedroom, hall, kitchen]).map((one): Put => ({ entity: 'emitter', ...one }));
    expect(emittersOf(put(document, puts)).map(({ name }) => name)).toEqual(['Bedroom', 'Hall', 'Kitchen']);
    expect(inOrder(put(document, puts), [bedroom, hall, kitchen])).toEqual([]);
  });

  test('only what gives the heat of water is one', () => {
    const document = heatingVisit();
    const { roomId } = document.rows.service[hall]!.value;
    const place = { siteId: ID.site, roomId, name: 'Boiler', x: 1, y: 1, ordinal: 1 };
    const more = withRow(document, 'service', newId(), { ...place, kind: 'boiler' });
    expect(emittersOf(more)).toHaveLength(3);
    const rail = withRow(document, 'service', newId(), { ...place, kind: 'towel-rail', name: 'Rail' });
    expect(emittersOf(rail).map(({ name }) => name)).toEqual(['Hall, radiator 1', 'Hall, rail 2', 'Kitchen', 'Bedroom']);
    expect(emittersOf(rail)[1]!.told).toMatchObject({ build: 'rail', assumed: ['build', 'exponent', 'turnsOpen'] });
  });

  test('are rated by plate, else by size, else not', () => {
    const rate = (change: Parameters<typeof emitterValue>[1]) =>
      emitter(withRow(heatingVisit(), 'emitter', rowIdFrom(hall, 'emitter'), emitterValue(hall, change)));
    expect(rate({})).toMatchObject({ ratedW: 1200, ratedFrom: 'plate' });
    expect(rate({ ratedW: null })).toMatchObject({ ratedW: 1410, ratedFrom: 'size' });
    expect(rate({ ratedW: null, widthM: null })).toMatchObject({ ratedW: null, ratedFrom: null });
  });

  test('stand where they were turned last', () => {
    const document = withTurn(withTurn(heatingVisit(), hall, 3, 60, 1.5, 1.25), hall, 2, 30, 2, 1.5);
    expect(emitter(document).turns).toBe(1.25);
    expect(emitter(document, kitchen).turns).toBe(2);
  });

  test('are looked at where they stand, with room for their tails', () => {
    const document = heatingVisit();
    const spot = spotOf(document, emitter(document))!;
    expect(spot).toMatchObject({ surfaceId: null, viewM: 1.45 });
    const { roomId } = document.rows.service[hall]!.value;
    const wall = { ...document.rows.surface[ID.surface]!.value, roomId, azimuth: 190 };
    const walled = withRow(document, 'surface', newId(), wall);
    expect(spotOf(walled, emitter(walled))!.surfaceId).not.toBeNull();
  });
});

describe('rows that are there once', () => {
  test('begin as usual and keep their ids', () => {
    const { heating, ...rows } = heatingVisit().rows;
    const bare = { ...heatingVisit(), rows: { ...rows, heating: {} } };
    expect(Object.keys(heating)).toHaveLength(1);
    expect(heatingOf(bare).value).toMatchObject({ school: null, targetK: 12, flowSetC: null, onAt: null, walk: 0 });
    expect(heatingInForce(bare)).toMatchObject({ school: 'usual', flowSetC: 60, assumed: ['flowSetC', 'school'] });
    expect(heatingOf(bare).id).toBe(heatingOf(heatingVisit()).id);
    expect(warmingOf(bare, hall).value).toMatchObject({ warmAt: null, bledAt: null });
    expect(flushOf(bare).value.steps).toEqual({});
    expect(emitterRowOf(bare, hall).version).toBe(1);
    expect(holdsHeating(bare)).toBe(true);
    expect(holdsHeating({ ...bare, rows: { ...bare.rows, emitter: {} } })).toBe(false);
  });

  test('a room is as warm as it was noted last beside its emitter', () => {
    expect(roomAirOf(heatingVisit(), hall)).toEqual({ value: 20, source: 'said' });
    const { conditions, ...rows } = heatingVisit().rows;
    expect(Object.keys(conditions)).toHaveLength(1);
    expect(roomAirOf({ ...heatingVisit(), rows: { ...rows, conditions: {} } }, hall)).toEqual({ value: 20, source: 'assumed' });
    const read = withReading(withReading(heatingVisit(), hall, 1, 40, [58, 46, 19]), hall, 2, 60, [58, 46, 22]);
    expect(roomAirOf(read, hall)).toEqual({ value: 22, source: 'said' });
  });
});

describe('a frame of an emitter', () => {
  const seen = withFrame(heatingVisit(), FRAME, hall, 15);

  test('brings its face, its first warmth and, on a walk, its tails', () => {
    const wanted = { emitter: emitter(seen), frameId: FRAME, stage: 'found' as const, walk: 2 };
    const taken = takeIn(seen, wanted, radiatorPixels(), newId);
    expect(taken.puts.map(({ entity }) => entity)).toEqual(['face', 'warming', 'region', 'region', 'tailReading']);
    expect(taken.tails!.flowEnd).toBe('left');
    const after = put(seen, taken.puts);
    expect(warmingOf(after, hall).value.warmAt).toBe(ON + 15 * MINUTE);
    const [row] = readingsOf(after);
    expect(frameOfReading(after, row!)).toBe(FRAME);
    expect(tailsOf(after, row!, none)).toBeUndefined();
    const tails = tailsOf(after, row!, () => radiatorPixels())!;
    // Corrected for what painted pipe mirrors: a little more than apparent.
    expect(tails.flowC - tails.returnC).toBeGreaterThan(12);
    expect(tails.flowC - tails.returnC).toBeLessThan(13);
    expect(tails.dropU!).toBeGreaterThan(0);
    expect(framesOfEmitter(after, emitter(after))).toEqual([FRAME]);
  });

  test('without a walk brings its face only; what was warm before stays warm since then', () => {
    const warm = withRow(seen, 'warming', warmingOf(seen, hall).id, { ...warmingOf(seen, hall).value, warmAt: ON + 5 });
    const taken = takeIn(warm, { emitter: emitter(warm), frameId: FRAME, stage: 'found', walk: null }, radiatorPixels(), newId);
    expect(taken.puts.map(({ entity }) => entity)).toEqual(['face']);
  });

  test('long after the heat came on tells no longer when it became warm', () => {
    const late = withFrame(heatingVisit(), FRAME, hall, 40);
    const taken = takeIn(late, { emitter: emitter(late), frameId: FRAME, stage: 'found', walk: null }, radiatorPixels(), newId);
    expect(taken.puts.map(({ entity }) => entity)).toEqual(['face']);
  });

  test('is called after what it was taken for', () => {
    const named = (stage: 'found' | 'after', walk: number | null) => frameNameOf({ emitter: emitter(seen), stage, walk });
    expect([named('found', null), named('after', null), named('found', 1), named('found', 3)]).toEqual([
      'Hall',
      'Hall, refilled and hot',
      'Hall, as found',
      'Hall, walk 2',
    ]);
  });

  test('of a cold emitter brings nothing', () => {
    const pixels = new Float32Array(120 * 96).fill(18);
    expect(takeIn(seen, { emitter: emitter(seen), frameId: FRAME, stage: 'found', walk: 2 }, pixels, newId)).toEqual({
      puts: [],
      face: null,
      tails: null,
    });
  });

  test('whose regions are gone is read no more, and one whose frame was taken back neither', () => {
    const wanted = { emitter: emitter(seen), frameId: FRAME, stage: 'found' as const, walk: 2 };
    const box = { x: 25, y: 68, width: 1, height: 9 };
    const read = put(seen, readingPuts(seen, wanted, { flow: box, return: { ...box, x: 93 } }, newId));
    const [row] = readingsOf(read);
    const lost = { ...read, rows: { ...read.rows, region: {} } };
    expect(tailsOf(lost, row!, () => radiatorPixels())).toBeNull();
    const { value } = read.rows.frame[FRAME]!;
    expect(frameOfReading(withRow(read, 'frame', FRAME, { ...value, discarded: true }), row!)).toBeNull();
  });

  test('is judged with the minutes since the heat came on', () => {
    const faced = withRow(seen, 'face', newId(), { frameId: FRAME, serviceId: hall, stage: 'found', box: FACE });
    const face = latestFace(faced, hall)!;
    expect(judgeFace(faced, face, none)).toBeUndefined();
    expect(judgeFace(faced, face, () => radiatorPixels())).toMatchObject({ pattern: 'even', minutesOn: 15 });
    expect(judgeFace(faced, face, () => radiatorPixels({ cold: 'top' }))).toMatchObject({ pattern: 'cold-top' });
    expect(judgeFace(faced, face, () => radiatorPixels({ cold: 'bottom' }))).toMatchObject({ pattern: 'cold-bottom' });
    expect(judgeFace(faced, face, () => new Float32Array(120 * 96).fill(NaN))).toBeNull();
    // Lukewarm all over, long after: no hottest part may pass for the flow.
    expect(judgeFace(faced, face, () => radiatorPixels({ flowC: 29, returnC: 25 }))).toMatchObject({ pattern: 'cold-whole' });
    expect(minutesOnAt(faced, ON - 1)).toBeNull();
  });
});

describe('a walk', () => {
  test('as found reads all and turns nothing', () => {
    const advice = asFoundAdvice(heatingVisit());
    expect(advice.moves).toEqual([]);
    expect(advice.read).toEqual([hall, kitchen, bedroom]);
    const read = withReading(heatingVisit(), kitchen, 1, 40, [58, 50]);
    expect(leftOf(read, advice, 1)).toEqual({ tape: [], moves: [], read: [hall, bedroom], total: 3 });
    expect(walkOf(read)).toBe(1);
  });

  test('is planned from everything before it, and nothing of its own', () => {
    let document = withReading(heatingVisit(), hall, 1, 40, [58, 52]);
    document = withTurn(document, hall, 2, 45, 2, 1);
    document = withReading(document, hall, 2, 52, [58, 46]);
    document = withTurn(document, hall, 3, 60, 1, 0.5);
    const state = balanceStateBefore(document, none, 3)!;
    expect(state.readings.map(({ flowC, returnC, turns, settledS }) => [flowC, returnC, turns, settledS])).toEqual([
      [58, 52, 2, 7200],
      [58, 46, 1, 420],
    ]);
    expect(state.turned).toHaveLength(1);
    expect(state.emitters.map(({ order, turns, ratedW }) => [order, turns, ratedW])).toEqual([
      [1, 1, 1200],
      [2, 2, 1200],
      [3, 2, 1200],
    ]);
    expect(state).toMatchObject({ targetK: 12, toleranceK: 2, flowSetC: 60 });
    expect(balanceStateBefore(document, none, 2)!.readings).toHaveLength(1);
  });

  test('what was read before an emitter was bled counts no more', () => {
    const document = withReading(withReading(heatingVisit(), hall, 1, 40, [58, 52]), kitchen, 1, 41, [58, 50]);
    const warming = warmingOf(document, hall);
    const bled = withRow(document, 'warming', warming.id, { ...warming.value, bledAt: ON + 45 * MINUTE });
    expect(balanceStateBefore(bled, none, 2)!.readings.map(({ emitterId }) => emitterId)).toEqual([kitchen]);
  });

  test('waits for pixels, and has nothing to plan without an emitter', () => {
    const seen = withFrame(heatingVisit(), FRAME, hall, 40);
    const taken = takeIn(seen, { emitter: emitter(seen), frameId: FRAME, stage: 'found', walk: 1 }, radiatorPixels(), newId);
    expect(balanceStateBefore(put(seen, taken.puts), none, 2)).toBeNull();
    expect(balanceStateBefore(put(seen, taken.puts), () => radiatorPixels(), 2)!.readings).toHaveLength(1);
    const empty = heatingVisit();
    expect(balanceStateBefore({ ...empty, rows: { ...empty.rows, service: {} } }, none, 2)).toBeNull();
  });

  test('drops come walk by walk; first and last are told apart', () => {
    let document = withReading(heatingVisit(), hall, 1, 40, [58, 52]);
    document = withReading(document, kitchen, 1, 41, [58, 50]);
    document = withReading(document, hall, 2, 60, [46, 58]);
    const walks = dropsByWalk(document, none);
    expect(walks.map(({ walk, drops }) => [walk, [...drops.values()]])).toEqual([
      [1, [6, 8]],
      [2, [12]],
    ]);
    expect(firstTails(document, hall, none)).toMatchObject({ flowC: 58, returnC: 52 });
    expect(lastTails(document, hall, none)).toMatchObject({ flowC: 46, returnC: 58 });
    expect(lastTails(document, bedroom, none)).toBeNull();
  });

  test('all are read when each was, on whatever walk', () => {
    let document = withReading(withReading(heatingVisit(), hall, 1, 40, [58, 46]), kitchen, 2, 60, [58, 46]);
    expect(allRead(document)).toBe(false);
    document = withReading(document, bedroom, 3, 80, [58, 46]);
    expect(allRead(document)).toBe(true);
    expect(allRead({ ...document, rows: { ...document.rows, service: {} } })).toBe(false);
  });

  test('turns are said in eighths', () => {
    expect([0, 0.125, 0.5, 1, 1.375, 2.875].map(turnWords)).toEqual(['shut', '⅛', '½', '1', '1 ⅜', '2 ⅞']);
  });
});

describe('what is odd about a reading', () => {
  const document = heatingVisit();
  const doubts = (flowC: number, returnC: number, change: { turns?: number; at?: number; waitUntil?: number } = {}) => {
    const row = heatingOf(document);
    const now = withRow(document, 'heating', row.id, { ...row.value, waitUntil: change.waitUntil ?? null });
    const one = { ...emitter(now), turns: change.turns ?? 2 };
    return doubtsOf(now, one, { flowC, returnC, dropU: null, at: change.at ?? ON, roomC: 20 }, null);
  };

  test('a plain one is not', () => expect(doubts(58, 46)).toEqual([]));
  test('a return that is hotter', () => expect(doubts(46, 58)).toEqual(['ends-swapped']));
  test('a drop within its noise', () => expect(doubts(58, 57.5)).toEqual(['below-noise']));
  test('a shut valve with warmth behind it', () => expect(doubts(58, 40, { turns: 0 })).toEqual(['shut-and-warm']));
  test('one that was taken before the wait was over', () =>
    expect(doubts(58, 46, { at: ON, waitUntil: ON + MINUTE })).toEqual(['before-wait']));
  test('a flow well below the face that it feeds', () => {
    const seen = withRow(withFrame(document, FRAME, hall, 40), 'face', newId(), {
      frameId: FRAME,
      serviceId: hall,
      stage: 'found',
      box: FACE,
    });
    const face = judgeFace(seen, latestFace(seen, hall)!, () => radiatorPixels())!;
    const reading = { flowC: 34, returnC: 24, dropU: 0.4, at: ON, roomC: 20 };
    expect(doubtsOf(seen, emitter(seen), reading, face)).toEqual(['bright-metal']);
  });
});

describe('what went through when a face was seen', () => {
  const read = withReading(heatingVisit(), hall, 1, 20, [58, 38]);
  const none = () => undefined;

  test('is the nearest reading, with no turn between', () => {
    expect(waterOfFace(read, hall, ON + 25 * MINUTE, none)).toEqual({ flowC: 58, returnC: 38 });
    expect(waterOfFace(read, hall, ON + 90 * MINUTE, none)).toBeNull();
    expect(waterOfFace(read, kitchen, ON + 25 * MINUTE, none)).toBeNull();
    const swapped = withReading(heatingVisit(), hall, 1, 20, [38, 58]);
    expect(waterOfFace(swapped, hall, ON + 25 * MINUTE, none)).toEqual({ flowC: 58, returnC: 38 });
    const turned = withRow(read, 'valveTurn', newId(), {
      visitId: ID.visit,
      serviceId: hall,
      walk: 1,
      at: ON + 22 * MINUTE,
      from: 2,
      to: 1,
    });
    expect(waterOfFace(turned, hall, ON + 25 * MINUTE, none)).toBeNull();
  });

  test('faces are compared at like flow and drop only: an opened valve warms a face too', () => {
    expect(likeWater({ flowC: 60, returnC: 46 }, { flowC: 62, returnC: 47 })).toBe(true);
    expect(likeWater({ flowC: 60, returnC: 32 }, { flowC: 60, returnC: 50 })).toBe(false);
    expect(likeWater({ flowC: 60, returnC: 46 }, { flowC: 48, returnC: 34 })).toBe(false);
    expect(likeWater({ flowC: 60, returnC: 46 }, null)).toBe(false);
  });
});

describe('what an emitter is said to be', () => {
  const document = heatingVisit();
  const state = (...args: [Parameters<typeof emitterState>[2], number | null, Parameters<typeof emitterState>[4]?]) =>
    emitterState(document, emitter(document), args[0], args[1], args[2] ?? null).words;
  const water = { flowC: 58, returnC: 46 };
  const face = (pattern: string, takenAt = ON, through: typeof water | null = water) =>
    ({ pattern, takenAt, water: through }) as never;

  test('by its drop', () => {
    expect(state(null, 12.9)).toBe('on target');
    expect(state(null, 5)).toBe('too much flow');
    expect(state(null, 19)).toBe('too little flow');
    expect(state(null, null)).toBe('not read yet');
  });
  test('by its face first', () => {
    expect(state(face('cold-top'), 12)).toBe('air: bleed');
    expect(state(face('cold-bottom'), 12)).toBe('sludge low down');
    expect(state(face('cold-whole'), null)).toBe('cold');
    // Little water leaves a foot cold by itself: the drop is judged before the face.
    expect(state(face('cold-bottom', ON, null), null)).toBe('cold low down: read its drop');
    expect(state(face('low-flow'), 24)).toBe('too little flow');
    expect(state(face('low-flow'), null)).toBe('read its drop');
    expect(state(face('still-warming'), null)).toBe('still warming');
    expect(state(face('hidden'), null)).toBe('hidden');
    expect(state(face('even'), null)).toBe('warm');
  });
  test('bled since the frame: to be looked at again', () => {
    const warming = warmingOf(document, hall);
    const bled = withRow(document, 'warming', warming.id, { ...warming.value, bledAt: ON + MINUTE });
    expect(emitterState(bled, emitter(bled), face('cold-top'), null, null).words).toBe('bled: look again');
  });
  test('by what the balance found in the way', () => {
    const advice = (why: 'closed' | 'sludged' | 'no-heat') => ({
      ...asFoundAdvice(document),
      cannot: [{ emitterId: hall, why }],
    });
    expect(state(null, null, advice('closed'))).toBe('no water');
    expect(state(null, 19, advice('sludged'))).toBe('too little flow');
    expect(state(null, null, advice('no-heat'))).toBe('no heat');
  });
});

describe('order of warming', () => {
  test('follows from taps and frames, in minutes since the heat came on', () => {
    let document = heatingVisit();
    for (const [id, minute] of [
      [kitchen, 2],
      [hall, 4],
    ] as const) {
      const row = warmingOf(document, id);
      document = withRow(document, 'warming', row.id, { ...row.value, warmAt: ON + minute * MINUTE });
    }
    const { order, late, minutes } = warmingOrder(document, ON + 30 * MINUTE);
    expect(order).toEqual([kitchen, hall]);
    expect(late.map(({ id }) => id)).toEqual([bedroom]);
    expect(minutes.get(hall)).toBe(4);
    const off = heatingOf(document);
    expect(warmingOrder(withRow(document, 'heating', off.id, { ...off.value, onAt: null }), ON).order).toEqual([]);
  });

  test('who is late has reasons, the likeliest first', () => {
    const document = heatingVisit();
    const one = emitter(document);
    const turned = { ...one, turns: 0.25, row: { ...one.row, value: { ...one.row.value, headOpen: false, sticks: true } } };
    const reasons = whyLate(turned, 3, 3, { pattern: 'cold-top' } as never);
    expect(reasons[0]).toContain('head is turned down');
    expect(reasons.join(' ')).toMatch(/Air along its top.*nearly shut.*stuck.*3 of 3/);
    expect(whyLate(one, 1, 3, null)).toEqual([expect.stringContaining('Feel both its pipes')]);
    expect(whyLate(one, 1, 3, { pattern: 'cold-bottom' } as never)[0]).toContain('Sludge');
    expect(whyLate(one, 1, 3, { pattern: 'still-warming' } as never)[0]).toContain('on its way');
  });
});

describe('heat given', () => {
  test('follows from the newest reading, and says which flow would do', () => {
    const document = withReading(heatingVisit(), hall, 1, 40, [60, 48]);
    const given = givenOf(document, none);
    expect(given[0]!.nowW!).toBeGreaterThan(700);
    expect(given[0]!.nowW!).toBeLessThan(800);
    // A plate is right to a tenth; a drop that was typed, to a kelvin, tells the water worse.
    expect(given[0]!.nowShare).toBeGreaterThan(0.1);
    expect(given[0]!.nowShare).toBeLessThan(0.15);
    expect(given[0]!.litresShare).toBeGreaterThan(given[0]!.nowShare);
    expect(given[0]!.atSetW!).toBeCloseTo(given[0]!.nowW!, 3);
    expect(given[1]).toMatchObject({ nowW: null, litresMin: null, atSetW: null, needW: 600 });
    const flow = flowForAll(given)!;
    expect(flow).toBeGreaterThan(50);
    expect(flow).toBeLessThan(58);
    expect(flowForAll([])).toBeNull();
  });
  test('one that is too small for its room leaves no flow that would do', () => {
    const small = withRow(
      heatingVisit(),
      'emitter',
      rowIdFrom(hall, 'emitter'),
      emitterValue(hall, { ratedW: 300, needW: 2000 }),
    );
    expect(flowForAll(givenOf(small, none))).toBeNull();
  });
});

test('cold shares stand by stage, the newest of each', () => {
  let document = withFrame(withFrame(heatingVisit(), FRAME, hall, 40), SECOND, hall, 300);
  document = withRow(document, 'face', newId(), { frameId: FRAME, serviceId: hall, stage: 'found', box: FACE });
  document = withRow(document, 'face', newId(), { frameId: SECOND, serviceId: hall, stage: 'after', box: FACE });
  const pixels = (id: string) => radiatorPixels({ cold: id === FRAME ? 'bottom' : null });
  const shares = coldSharesOf(document, pixels);
  expect(stagesSeen(shares)).toEqual(['found', 'after']);
  expect(shares[0]!.shares.found!).toBeGreaterThan(0.15);
  expect(shares[0]!.shares.after!).toBeLessThan(0.05);
  expect(shares[0]!.shares.cleaner).toBeNull();
  expect(coldSharesOf(document, none)[0]!.shares.found).toBeUndefined();
  expect(framesOfShares(document)).toEqual([FRAME, SECOND]);
});
