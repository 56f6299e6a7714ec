import { referencesOf } from '@core/model/reference';
import { v7 as newId } from 'uuid';
import type { Change } from '@core/model/command';
import { ENTITIES, type Entity, type Values } from '@core/model/entities';
import { questionOf, removalOf } from '@core/model/removal';
import { entityOf } from '@core/model/entityOf';
import { NO_SETTINGS } from '@core/method/radiometry/settings';
import { emitterValue } from '@core/testing/heatingVisit';
import { emptyFinding } from '@core/model/findingRow';
import type { Asking } from '@data/asking';
import { closeDatabase } from '@data/connection';
import { carryOut } from '@data/queries/commands';
import { loadVisitDocument } from '@data/queries/document';
import { loadRemoval } from '@data/queries/removal';
import { addPictures } from '@data/queries/files';
import { createVisit } from '@data/queries/visits';
import { addRecording } from '@data/queries/recordings';
import { asking } from './asking';
import { code, frameOf, photoOf, visitWithRoom } from './keep/testVisits';
import { liveDatabase, testDatabase, type TestDatabase } from './keep/testing';

let holder: TestDatabase;
let who: Asking;
let here: Place;
let there: Place;
beforeAll(async () => {
  holder = await testDatabase('belongs');
  await liveDatabase(holder);
  who = asking();
  [here, there] = [await placeWithAll('here'), await placeWithAll('there')];
});
afterAll(async () => {
  await closeDatabase();
  await holder.end();
});

/** One row of each kind that belongs to one visit, by kind. */
interface Place {
  ids: Record<string, string>;
  values: Partial<Values>;
}

const put = (entity: Entity, rowId: string, version: number, value: unknown) =>
  carryOut(who, { id: newId(), changes: [{ action: 'put', entity, rowId, version, value } as Change] });

async function placeWithAll(name: string): Promise<Place> {
  const { visitId, siteId, roomId } = await visitWithRoom(who, name);
  const frame = await frameOf(who, visitId, `${name}.csv`);
  const photo = await photoOf(who, visitId, `${name}.jpg`);
  const sequence = { id: newId(), name: 'run' };
  await addPictures(who, visitId, { frames: [frame], photos: [photo], sequences: [sequence] });
  const ids: Record<string, string> = {
    visit: visitId,
    site: siteId,
    room: roomId,
    frame: frame.id,
    photo: photo.id,
    sequence: sequence.id,
  };
  const values: Partial<Values> = {};
  const add = async <E extends Entity>(entity: E, value: Values[E], id = newId()) => {
    ids[entity] = id;
    (values as Record<string, unknown>)[entity] = value;
    await put(entity, id, 0, value);
    return id;
  };
  await add('surface', {
    siteId,
    roomId,
    name: 'Wall',
    kind: 'wall',
    azimuth: 0,
    mass: 'brick',
    behind: 'outside',
    widthM: 4,
    heightM: 2.4,
    openings: [],
    otherSideId: null,
    ordinal: 0,
  });
  const region = {
    frameId: frame.id,
    name: 'a',
    role: 'reading' as const,
    ordinal: 0,
    shape: { kind: 'spot' as const, x: 1, y: 1 },
  };
  const second = newId();
  await put('region', second, 0, { ...region, name: 'b' });
  await add('region', region);
  await add('settings', { ...NO_SETTINGS, level: 'frame', ownerId: frame.id, emissivity: 0.9 });
  await add('probe', { frameId: frame.id, name: 'a', x: 0, y: 0, celsius: 1, uncertaintyK: 1, instrumentId: null });
  await add('stop', {
    visitId,
    key: 'k',
    answer: 'seen',
    reason: '',
    note: '',
    probes: [],
    struck: false,
    openedAt: null,
    answeredAt: null,
  });
  await add('putBack', { visitId, kind: 'vent', what: 'Vent', was: 'open', now: 'taped', changedAt: 1, putBackAt: null });
  await add('log', { visitId, roomId: null, name: 'By hand', entries: [] });
  await add('kit', { visitId, items: [] });
  const pair = { frameId: frame.id, thisRegionId: ids.region!, thatRegionId: second, photoId: photo.id };
  const place = { kind: 'radiator' as const, name: 'Radiator', x: 1, y: 1, ordinal: 0 };
  await add('service', { siteId, roomId, ...place });
  await add('ownStop', { siteId, roomId, title: 'Meter cupboard' });
  await add('finding', emptyFinding(visitId, { basis: 'pair', ...pair, title: 'Cold' }));
  await add('ruling', {
    frameId: frame.id,
    stopKey: null,
    ruling: 'dismissed',
    sign: -1,
    box: { x: 0, y: 0, width: 0.5, height: 0.5 },
    reason: '',
    ruledAt: 1,
  });
  await add('exhibit', { findingId: ids.finding!, role: 'also', ...pair, by: 'mean', note: '', addedAt: 1 });
  const box = { x: 0, y: 0, width: 8, height: 8 };
  const serviceId = ids.service!;
  await add('emitter', emitterValue(serviceId));
  await add('heating', {
    visitId,
    school: 'usual',
    targetK: 12,
    toleranceK: 2,
    flowSetC: 60,
    onAt: 1,
    checks: { 'pump-heard': 1 },
    flows: [{ at: 1, celsius: 40 }],
    markBar: 1.2,
    beforeBar: null,
    afterBar: null,
    listenAt: null,
    walk: 0,
    waitUntil: null,
    skippedS: 0,
  });
  await add('warming', { visitId, serviceId, warmAt: 1, bledAt: null, tapedWalk: null, withoutTape: false });
  await add('valveTurn', { visitId, serviceId, walk: 1, at: 1, from: 1, to: 2 });
  await add('tailReading', {
    visitId,
    serviceId,
    walk: 1,
    at: 1,
    flowC: null,
    returnC: null,
    frameId: frame.id,
    flowRegionId: ids.region!,
    returnRegionId: second,
    roomC: 20,
  });
  await add('face', { frameId: frame.id, serviceId, stage: 'found', box });
  await add('floorTrace', { frameId: frame.id, name: 'Floor', box, widthM: 2, note: '' });
  await add('pipe', {
    visitId,
    name: 'Pipe',
    question: 'valve',
    material: 'copper',
    outerMm: 22,
    wallMm: 1,
    laggingMm: 0,
    airC: 20,
    orientation: 'level',
    closedAt: null,
    hotC: 58,
    points: [{ m: 0.1, celsius: 50, taped: true }],
    zones: [],
    extent: null,
    waterC: null,
    surfaceC: null,
    hoursYear: 5000,
    pricePerKwh: null,
  });
  await add('flush', {
    visitId,
    steps: { off: 1 },
    marks: [],
    mainsPpm: null,
    water: [],
    cleaner: '',
    inhibitor: '',
    by: '',
    note: '',
  });
  await add('pair', {
    visitId,
    beforeVisitId: visitId,
    beforeFrameId: frame.id,
    afterFrameId: frame.id,
    findingId: null,
    title: 'Before and after',
    regions: [],
    points: [],
    outcome: null,
    wall: null,
    work: null,
    note: '',
  });
  await add('hunt', {
    visitId,
    side: 'hot',
    coverMm: null,
    covering: 'tile',
    waterC: null,
    onAt: null,
    series: null,
    steps: {},
    litresMin: null,
    pricePerM3: null,
    pricePerKwh: null,
    timers: {},
    meter: [],
    mark: null,
    found: null,
    note: '',
  });
  await add('boilerCard', {
    visitId,
    boiler: 'Boiler',
    fuel: 'oil',
    by: '',
    licence: '',
    testedAt: 1,
    states: [],
    rates: [],
    parts: [],
  });
  await addRecording(
    who,
    { id: newId(), visitId, stopKey: 'k', takenAt: 1, seconds: 1, mediaType: 'audio/webm' },
    Buffer.from(name),
  );
  const { rows } = await loadVisitDocument(who, visitId);
  for (const [kind, all] of Object.entries(rows as unknown as Record<string, Record<string, { id: string; value: unknown }>>)) {
    // What came with the visit has ids of its own.
    ids[kind] ??= Object.keys(all)[0]!;
    (values as Record<string, unknown>)[kind] = all[ids[kind]]?.value;
  }
  return { ids, values };
}

/** What becomes of a row of here when its fields are changed. */
async function changed(entity: Entity, fields: object): Promise<string> {
  const { rows } = await loadVisitDocument(who, here.ids.visit!);
  const row = (rows as unknown as Record<string, Record<string, { version: number; value: object }>>)[entity]![
    here.ids[entity]!
  ]!;
  return code(put(entity, here.ids[entity]!, row.version, { ...row.value, ...fields }));
}

const POINTERS = ENTITIES.filter(({ scope }) => scope === 'visit' || scope === 'site').flatMap(({ name, schema }) =>
  referencesOf(schema).map(({ field, reference }) => [name as Entity, field, reference.kind, reference.whenGone] as const),
);

/** Lists whose parts name a row. */
const LISTED: Record<string, (id: string) => object[]> = {
  'hunt.meter': (frameId) => [{ id: newId(), at: 1, frameId, x: 1, y: 1, value: 20 }],
  'boilerCard.parts': (photoId) => [{ part: 'Burner', note: '', photoId }],
  'flush.marks': (serviceId) => [{ serviceId, agitatedMin: null, alone: false, bothWays: false }],
};
const naming = (entity: Entity, field: string, id: string | undefined) => ({
  [field]: LISTED[`${entity}.${field}`]?.(id!) ?? id,
});
const OF_VISIT_OR_SITE = (kind: string) => ['visit', 'site'].includes(entityOf(kind).scope);

describe('what a row points at', () => {
  test.each(POINTERS.filter(([, , kind]) => OF_VISIT_OR_SITE(kind)))(
    'a %s whose %s is a %s of another house is refused',
    async (entity, field, kind) => {
      expect(await changed(entity, naming(entity, field, there.ids[kind]))).toBe('bad_input');
    },
  );

  test.each(POINTERS)('a %s whose %s is a %s that is not there (%s when it goes)', async (entity, field, _, whenGone) => {
    const answer = await changed(entity, naming(entity, field, newId()));
    if (whenGone !== 'stays') expect(answer).toBe('not_found');
    else expect(answer).toBe('taken');
  });
});

const HANGING = ENTITIES.filter(({ scope, parent }) => (scope === 'visit' || scope === 'site') && parent !== null).map(
  ({ name }) => name as Entity,
);

describe('what a row hangs on', () => {
  // A frame, a photo and a visit do not say whose they are: nobody can change it.
  const saying = HANGING.filter((entity) => entityOf(entity).parent!.field in entityOf(entity).schema.shape);
  test.each(saying)('a %s stays with its owner', async (entity) => {
    const { parent } = entityOf(entity);
    const kind = parent!.kindField ? 'frame' : parent!.kinds[0]!;
    expect(await changed(entity, { [parent!.field]: there.ids[kind] })).toBe('bad_input');
  });

  test.each(HANGING.filter((entity) => entityOf(entity).addable))(
    'a new %s of something that is not there is refused',
    async (entity) => {
      const { parent } = entityOf(entity);
      const value = { ...here.values[entity], [parent!.field]: newId() };
      expect(await code(put(entity, newId(), 0, value))).toBe('not_found');
    },
  );

  test.each(ENTITIES.filter(({ addable }) => !addable).map(({ name }) => name as Entity))(
    'a %s is not made by a command',
    async (entity) => {
      expect(here.values[entity]).toBeDefined();
      expect(await code(put(entity, newId(), 0, here.values[entity]))).toBe('not_found');
    },
  );
});

/** As the interface asks, over what it holds of the visit. */
async function askedHere(entity: Entity) {
  const document = await loadVisitDocument(who, here.ids.visit!);
  const targets = [{ entity, rowId: here.ids[entity]! }];
  const removal = removalOf(document, targets);
  return { removal, question: questionOf(removal, targets) };
}

const REMOVABLE = ENTITIES.filter(
  ({ removable, scope, name }) => removable && scope !== 'shelf' && scope !== 'loan' && name !== 'visit' && name !== 'site',
).map(({ name }) => name as Entity);

describe('what is asked before something is removed', () => {
  test.each(REMOVABLE)('a %s: page and database name the same', async (entity) => {
    const { question } = await askedHere(entity);
    expect(await loadRemoval(who, entity, [here.ids[entity]!])).toEqual(question);
  });

  test('frames, photos and regions that something needs are refused, and it is named', async () => {
    const refused = async (entity: Entity) => (await askedHere(entity)).question.refused;
    expect(await refused('frame')).toContain('1 finding (“Cold”)');
    expect(await refused('frame')).toContain('1 pair of before and after (“Before and after”)');
    expect(await refused('region')).toContain('1 finding (“Cold”)');
    expect(await refused('surface')).toBeNull();
    const { rows } = await loadVisitDocument(who, here.ids.visit!);
    const frame = rows.frame[here.ids.frame!]!;
    const change = { action: 'remove' as const, entity: 'frame' as const, rowId: frame.id, version: frame.version };
    expect(await code(carryOut(who, { id: newId(), changes: [change] }))).toBe('conflict');
  });

  test('a site names all that lies in it; nothing of another house', async () => {
    const question = await loadRemoval(who, 'site', [here.ids.site!]);
    expect(question).toMatchObject({ refused: null, without: null });
    for (const words of ['1 visit', '1 room', '1 surface', '1 radiator', '1 frame', '2 regions', '1 finding', '1 photo'].filter(
      (one) => one !== '1 radiator',
    ))
      expect(question.goes).toContain(words);
  });

  test('a visit whose frames a later proof rests on stays; without the proof it goes', async () => {
    const { visitId: later } = await createVisit(who, {
      site: { id: here.ids.site! },
      kind: 'heat-loss',
      title: 'later',
      question: '',
      startedAt: 2,
      insideC: 20,
      outsideC: 2,
      humidityPct: 50,
      rooms: [],
    });
    const frame = await frameOf(who, later, 'after.csv');
    await addPictures(who, later, { frames: [frame], photos: [], sequences: [] });
    const pairId = newId();
    await put('pair', pairId, 0, {
      visitId: later,
      beforeVisitId: here.ids.visit!,
      beforeFrameId: here.ids.frame!,
      afterFrameId: frame.id,
      findingId: here.ids.finding!,
      title: 'Before and after',
      regions: [],
      points: [],
      outcome: null,
      wall: null,
      work: null,
      note: '',
    });
    const visit = [here.ids.visit!];
    expect((await loadRemoval(who, 'visit', visit)).refused).toBe(
      'Still needed by 1 pair of before and after (“Before and after”). Remove that first.',
    );
    expect((await loadRemoval(who, 'finding', [here.ids.finding!])).without).toBe(
      'Kept, but without it: 1 pair of before and after (“Before and after”).',
    );
    // A frame of another house is no frame of before.
    const { rows } = await loadVisitDocument(who, later);
    const pair = rows.pair[pairId]!;
    expect(await code(put('pair', pairId, pair.version, { ...pair.value, beforeFrameId: there.ids.frame! }))).toBe('bad_input');
    await carryOut(who, { id: newId(), changes: [{ action: 'remove', entity: 'pair', rowId: pairId, version: pair.version }] });
    expect((await loadRemoval(who, 'visit', visit)).refused).toBeNull();
  });

  test('a photo that goes is forgotten by the part of a boiler card', async () => {
    const document = await loadVisitDocument(who, here.ids.visit!);
    const card = document.rows.boilerCard[here.ids.boilerCard!]!;
    const photo = await photoOf(who, here.ids.visit!, 'part.jpg');
    await addPictures(who, here.ids.visit!, { frames: [], photos: [photo], sequences: [] });
    await put('boilerCard', card.id, card.version, {
      ...card.value,
      parts: [{ part: 'Burner', note: 'sooty', photoId: photo.id }],
    });
    expect((await loadRemoval(who, 'photo', [photo.id])).without).toBe('Kept, but without it: 1 boiler card.');
    await carryOut(who, { id: newId(), changes: [{ action: 'remove', entity: 'photo', rowId: photo.id, version: 1 }] });
    const after = (await loadVisitDocument(who, here.ids.visit!)).rows.boilerCard[card.id]!;
    expect(after.value.parts).toEqual([{ part: 'Burner', note: 'sooty', photoId: null }]);
    expect(after.version).toBe(card.version + 2);
  });
});
