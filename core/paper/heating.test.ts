import { FLUSH_STEPS } from '../method/heating/flushSteps';
import type { Values } from '../model/entities';
import { flushOf, heatingOf, ofWalk, warmingOf } from '../work/heating/heatingOf';
import {
  FACE,
  heatingVisit,
  MINUTE,
  ON,
  RADIATOR,
  radiatorPixels,
  withFrame,
  withReading,
  withRow,
} from '../testing/heatingVisit';
import { ID } from '../testing/visit';
import type { VisitDocument } from '../model/document';
import type { Block } from './block';
import { blocksOf } from './blocks';
import { buildReport, framesOfReport, NOTHING_COMPUTED } from './model';
import { framesOfPaper, PAPERS, photosOfPaper, printed } from './papers';
import { boilerBlocks, cardsOf } from './boiler';
import { flushBlocks, hasFlush } from './flush';
import { openingBlocks } from './openings';
import { pipeBlocks } from './pipes';
import { recordBlocks } from './record';
import { heatingSheets } from './sheets';

const { hall, kitchen, bedroom } = RADIATOR;
const FRAME = '0192f0a0-0000-7000-8000-00000000f001';
const SECOND = '0192f0a0-0000-7000-8000-00000000f002';
const PHOTO = '0192f0a0-0000-7000-8000-00000000f003';
const id = (k: number) => `0192f0a0-0000-7000-8000-${String(k).padStart(12, '0')}`;
const none = () => undefined;

const of = <K extends Block['kind']>(blocks: readonly Block[], kind: K) =>
  blocks.filter((block): block is Extract<Block, { kind: K }> => block.kind === kind);
const words = (blocks: readonly Block[]) => JSON.stringify(blocks);

/** All read as found and once more, the hall turned and bled between; seen before and after. */
function worked(): VisitDocument {
  let document = heatingVisit();
  for (const [serviceId, found, now] of [
    [hall, [58, 54], [58, 46]],
    [kitchen, [58, 38], [58, 45]],
    [bedroom, [57, 46], [57, 40]],
  ] as const) {
    document = withReading(document, serviceId, 1, 40, found);
    document = withReading(document, serviceId, 2, 70, now);
  }
  document = withRow(document, 'valveTurn', ofWalk(ID.visit, 'turn', 2, hall), {
    visitId: ID.visit,
    serviceId: hall,
    walk: 2,
    at: ON + 60 * MINUTE,
    from: 2,
    to: 0.875,
  });
  document = withFrame(withFrame(document, FRAME, hall, 35), SECOND, hall, 75);
  document = withRow(document, 'face', id(1), { frameId: FRAME, serviceId: hall, stage: 'found', box: FACE });
  document = withRow(document, 'face', id(2), { frameId: SECOND, serviceId: hall, stage: 'after', box: FACE });
  const warming = warmingOf(document, hall);
  document = withRow(document, 'warming', warming.id, {
    ...warming.value,
    warmAt: ON + 3 * MINUTE,
    bledAt: ON + 50 * MINUTE,
  });
  const row = heatingOf(document);
  return withRow(document, 'heating', row.id, {
    ...row.value,
    markBar: 1.2,
    beforeBar: 0.9,
    afterBar: 1.2,
    listenAt: ON + 3 * 86_400_000,
  });
}
const pixels = (frame: string) => radiatorPixels({ cold: frame === FRAME ? 'top' : null });

describe('the record', () => {
  const blocks = recordBlocks(worked(), pixels, 'C');

  test('states every emitter as found and now', () => {
    const [table] = of(blocks, 'table');
    expect(table!.rows[0]).toEqual([
      '1 Hall',
      '2 to ⅞',
      '4.0 K',
      '12.0 K, 09:10',
      'Even all over',
      expect.stringMatching(/^\d+ ± \d+$/),
    ]);
    expect(table!.rows[2]).toEqual([
      '3 Bedroom',
      '2',
      '11.0 K',
      '17.0 K, 09:10',
      'not seen',
      expect.stringMatching(/^\d+ ± \d+$/),
    ]);
    table!.rows.forEach((row) => expect(row).toHaveLength(table!.head.length));
    expect(of(blocks, 'callout')[0]!.text).toBe(
      '2 of 3 emitters that were read are on target: 12.0 K ± 2.0 K from flow to return.',
    );
  });

  test('draws the drops on their way into the band', () => {
    const [lines] = of(blocks, 'lines');
    expect(lines!.names).toEqual(['as found', 'walk 1']);
    expect(lines!.band).toMatchObject({ low: 10, high: 14 });
    expect(lines!.lines[0]).toEqual({ name: 'Hall', values: [4, 12] });
  });

  test('tells start, bleeding and pressure', () => {
    const [facts] = of(blocks, 'facts');
    expect(facts!.facts).toEqual(
      expect.arrayContaining([
        { label: 'Heat on', value: '08:00' },
        { label: 'Bled', value: 'Hall, 08:50' },
        { label: 'Pressure, cold', value: '0.9 bar before, 1.2 bar after; the maker marks 1.2 bar' },
        { label: 'Listen for air again', value: '14 Feb 2026' },
      ]),
    );
    expect(words(blocks)).toContain('Hall 3 min');
  });

  test('shows the cured face before and after in the same colours', () => {
    const [pictures] = of(blocks, 'pictures');
    expect(pictures!.pictures.map(({ caption }) => caption)).toEqual([
      expect.stringMatching(/^As found: cold along the top: air, \d+ % of the face cold$/),
      expect.stringMatching(/^Now: even all over, 0 % of the face cold$/),
    ]);
    const [before, after] = pictures!.pictures.map(({ figure }) => figure!.scale);
    expect(before).toEqual(after);
  });

  test('leaves nothing out that was not put back', () => {
    const change = { visitId: ID.visit, kind: 'cylinder' as const, what: 'Cylinder', was: '60 °C', now: '70 °C', changedAt: ON };
    const open = withRow(worked(), 'putBack', id(9), { ...change, putBackAt: null });
    const table = of(recordBlocks(open, pixels, 'C'), 'table').at(-1)!;
    expect(table.rows).toEqual([['Cylinder', '60 °C', '70 °C', 'NOT YET']]);
    const back = withRow(worked(), 'putBack', id(9), { ...change, putBackAt: ON + 90 * MINUTE });
    expect(of(recordBlocks(back, pixels, 'C'), 'table').at(-1)!.rows[0]![3]).toBe('09:30');
  });

  test('says no lockshield that nobody counted, and which drop is of another setting', () => {
    let document = worked();
    const emitterOf = (serviceId: string) =>
      Object.values(document.rows.emitter).find(({ value }) => value.serviceId === serviceId)!;
    for (const serviceId of [hall, kitchen])
      document = withRow(document, 'emitter', emitterOf(serviceId).id, { ...emitterOf(serviceId).value, turns: null });
    document = withRow(document, 'valveTurn', ofWalk(ID.visit, 'turn', 3, hall), {
      visitId: ID.visit,
      serviceId: hall,
      walk: 3,
      at: ON + 80 * MINUTE,
      from: 0.875,
      to: 1.25,
    });
    const rows = of(recordBlocks(document, pixels, 'C'), 'table')[0]!.rows;
    expect(rows[0]!.slice(1, 4)).toEqual(['1 ¼; found: not noted', '4.0 K', '12.0 K, 09:10; not read since it was turned']);
    expect(rows[1]![1]).toBe('not noted');
    expect(rows[2]![1]).not.toContain('not noted');
    expect(words(openingBlocks(document))).toContain('"not noted"');
  });

  test('in °F says so everywhere', () => {
    const other = recordBlocks(worked(), pixels, 'F');
    expect(of(other, 'table')[0]!.rows[0]![3]).toBe('21.6 °F, 09:10');
    expect(of(other, 'lines')[0]!.band).toMatchObject({ low: 18, high: 25.2 });
  });
});

describe('a flush', () => {
  const flushed = (change: Partial<Values['flush']>) => {
    const row = flushOf(worked());
    return withRow(worked(), 'flush', row.id, { ...row.value, ...change });
  };

  test('is proven by faces before and after, at a glance', () => {
    const cold = (frame: string) => radiatorPixels({ cold: frame === FRAME ? 'bottom' : null });
    const water = [
      { at: ON, ppm: 900 },
      { at: ON + MINUTE, ppm: 310 },
    ];
    const read = (drops: readonly [number, number]) => {
      const document = flushed({ mainsPpm: 300, water });
      // The face was seen forty minutes before and ninety after.
      const faces = Object.values(document.rows.face).map(
        ({ value }) => (Date.parse(document.frameFacts[value.frameId]!.takenAt) - ON) / MINUTE,
      );
      const bare = { ...document, rows: { ...document.rows, tailReading: {}, valveTurn: {} } };
      return drops.reduce((now, drop, k) => withReading(now, hall, k + 1, faces[k]!, [58, 58 - drop]), bare as VisitDocument);
    };
    const blocks = flushBlocks(read([14, 12]), cold);
    expect(of(blocks, 'callout')[0]!.text).toMatch(
      /^Of the faces of 1 radiator 2\d % were cold before, 0 % refilled and hot, at like flow and drop\.$/,
    );
    // An opened lockshield warms a face too: at half the drop nothing is proven; nor where nobody read it.
    expect(of(flushBlocks(read([24, 9]), cold), 'callout')[0]!.text).toContain('an opened valve warms a face too');
    expect(of(blocks, 'bars')[0]).toMatchObject({ stages: ['Before', 'Refilled and hot'] });
    expect(words(blocks)).toContain('310 ppm at 08:01: dissolved solids as in the mains');
  });

  test('without frames proves nothing and says so', () => {
    const bare = { ...flushed({}), rows: { ...flushed({}).rows, face: {} } };
    expect(of(flushBlocks(bare, none), 'callout')[0]!.text).toContain('prove nothing yet');
  });

  test('lists what was done in its order, and what was not', () => {
    const blocks = flushBlocks(flushed({ steps: { cleaner: ON + 2 * MINUTE, off: ON } }), pixels);
    const order = of(blocks, 'facts').at(-1)!.facts;
    expect(order.map(({ label }) => label)).toEqual(['08:00', '08:02']);
    expect(words(blocks)).toContain('Not done: a frame of every radiator, hot');
    const all = Object.fromEntries(FLUSH_STEPS.map((step, k) => [step, ON + k]));
    expect(words(flushBlocks(flushed({ steps: all }), pixels))).not.toContain('Not done');
  });

  test('warns of a vent that is still capped', () => {
    const capped = withRow(flushed({}), 'putBack', id(9), {
      visitId: ID.visit,
      kind: 'vent',
      what: 'Open vent',
      was: 'open',
      now: 'capped',
      changedAt: ON,
      putBackAt: null,
    });
    expect(words(flushBlocks(capped, pixels))).toContain('STILL CAPPED: Open vent. The system must not heat.');
  });

  test('keeps what was done at each radiator', () => {
    const marks = [{ serviceId: hall, agitatedMin: 5, alone: true, bothWays: false }];
    expect(of(flushBlocks(flushed({ marks }), pixels), 'table')[0]!.rows).toEqual([['Hall', '5 min', 'yes', '–']]);
    expect(hasFlush(worked())).toBe(false);
    expect(hasFlush(flushed({ marks }))).toBe(true);
  });
});

describe('a boiler card', () => {
  const rate: Values['boilerCard']['rates'][number] = {
    name: 'High fire',
    page: 'p. 31',
    o2LowPct: 3,
    o2HighPct: 5,
    co2LowPct: null,
    co2HighPct: null,
    coMostPpm: 50,
    coAirFree: true,
    flueMostC: null,
    efficiencyLeastPct: null,
    o2Pct: 4.5,
    co2Pct: null,
    coPpm: 60,
    flueC: 62,
    airC: 18,
  };
  const carded = (change: Partial<Values['boilerCard']> = {}) =>
    withRow(heatingVisit(), 'boilerCard', id(20), {
      visitId: ID.visit,
      boiler: 'Cellar boiler',
      fuel: 'natural-gas',
      by: 'R. Marl',
      licence: 'L-204',
      testedAt: ON,
      states: ['warmed', 'probe-centred'],
      rates: [rate],
      parts: [{ part: 'Electrode', note: 'gap 4 mm', photoId: null }],
      ...change,
    });

  test('says at each rate how it compares, and where the limit stands', () => {
    const document = carded();
    const blocks = boilerBlocks(document, cardsOf(document)[0]!);
    expect(of(blocks, 'heading').map(({ text }) => text)).toEqual(['High fire: ATTENTION', 'Electrode']);
    const [table] = of(blocks, 'table');
    expect(table!.head[2]).toBe('Limit, p. 31');
    expect(table!.rows).toContainEqual(['CO air-free', '76 ppm', 'at most 50 ppm', 'ATTENTION']);
    expect(table!.rows).toContainEqual(['O₂', '4.5 %', '3 … 5 %', 'within the limits']);
    expect(words(blocks)).toContain('Warmed through, Probe in the middle of the flue');
  });

  test('without a licence judges nothing', () => {
    const document = carded({ licence: '' });
    const blocks = boilerBlocks(document, cardsOf(document)[0]!);
    expect(of(blocks, 'heading')[0]!.text).toBe('High fire: not judged');
    expect(words(blocks)).not.toContain('ATTENTION');
    expect(words(blocks)).toContain('nothing is judged');
  });

  test('shows a photo of a part while it is there', () => {
    const document = carded({ parts: [{ part: 'Gasket', note: '', photoId: PHOTO }] });
    expect(of(boilerBlocks(document, cardsOf(document)[0]!), 'pictures')).toEqual([]);
    const photo = { name: 'gasket', roomId: null, stopKey: null } as never;
    const shown = withRow(document, 'photo', PHOTO, photo);
    expect(of(boilerBlocks(shown, cardsOf(shown)[0]!), 'pictures')[0]!.pictures[0]!.photoId).toBe(PHOTO);
    expect(photosOfPaper(shown, 'boiler', 'C')).toEqual([PHOTO]);
  });
});

test('pipes stand on one sheet, each with its answer', () => {
  const pipe: Values['pipe'] = {
    visitId: ID.visit,
    name: 'Bypass valve',
    question: 'valve',
    material: 'copper',
    outerMm: 22,
    wallMm: 1,
    laggingMm: 0,
    airC: 20,
    orientation: 'level',
    closedAt: null,
    hotC: 58,
    points: [0.1, 0.5, 1].map((m) => ({ m, celsius: 54 - m, taped: m < 1, minutes: 60 })),
    zones: [{ name: 'Upstairs', onC: 55, offC: null }],
    extent: 8,
    waterC: 60,
    surfaceC: null,
    hoursYear: 5000,
    pricePerKwh: null,
  };
  let document = withRow(heatingVisit(), 'pipe', id(30), pipe);
  expect(words(pipeBlocks(document, 'C'))).toContain('1.00 m 53.0 °C (bare) after 60 min');
  document = withRow(document, 'pipe', id(31), { ...pipe, name: 'Zones', question: 'zones' });
  document = withRow(document, 'pipe', id(32), { ...pipe, name: 'Cellar run', question: 'run' });
  document = withRow(document, 'pipe', id(33), { ...pipe, name: 'Cylinder', question: 'cylinder' });
  const blocks = pipeBlocks(document, 'C');
  expect(of(blocks, 'sheet')).toHaveLength(1);
  expect(of(blocks, 'table')[0]!.rows).toEqual([['Upstairs', '55.0 °C', '–', '–', 'not read in full', '']]);
  expect(words(blocks)).toMatch(/Loses \d+ W ± \d+ W, \d+ ± \d+ kWh a year/);
  expect(words(blocks)).toContain('Not enough was read.');
  expect(pipeBlocks(heatingVisit(), 'C')).toEqual([]);
});

test('the card without instruments goes by who warmed first', () => {
  expect(words(openingBlocks(heatingVisit()))).toContain('nobody noted yet');
  let document = heatingVisit();
  for (const [serviceId, minute] of [
    [bedroom, 2],
    [hall, 6],
  ] as const) {
    const row = warmingOf(document, serviceId);
    document = withRow(document, 'warming', row.id, { ...row.value, warmAt: ON + minute * MINUTE });
  }
  const rows = of(openingBlocks(document), 'table')[0]!.rows;
  expect(rows.map((row) => [row[1], row[2], row[4]])).toEqual([
    ['Bedroom', '2 min', '1'],
    ['Hall', '6 min', '2 ½'],
    ['Kitchen', '–', '4'],
  ]);
});

describe('papers', () => {
  test('have a title, a foot and at least a sheet, whatever is there', () => {
    for (const paper of PAPERS) {
      const made = printed(heatingVisit(), paper, none, 'C', NOTHING_COMPUTED);
      expect(made.blocks[0]!.kind).toBe('sheet');
      expect(made.title).toContain('Old Kiln Row');
      expect(made.foot).toContain('11 Feb 2026');
    }
  });
  test('ask for the pixels that they show', () => {
    expect(framesOfPaper(worked(), 'heating', []).sort()).toEqual([FRAME, SECOND]);
    expect(framesOfPaper(worked(), 'flush', []).sort()).toEqual([FRAME, SECOND]);
    expect(framesOfPaper(worked(), 'boiler', [])).toEqual([]);
    expect(framesOfReport(worked())).toEqual(expect.arrayContaining([FRAME, SECOND]));
  });
  test('the report has sheets on the heating where something was done', () => {
    const sheets = (document: VisitDocument) =>
      of(blocksOf(buildReport(document, pixels, 'C')), 'sheet').map(({ title }) => title);
    expect(sheets(worked())).toContain('Emitters and drops');
    const untouched = { ...heatingVisit(), rows: { ...heatingVisit().rows, heating: {} } };
    expect(heatingSheets(untouched, none, 'C')).toEqual([]);
    expect(sheets(untouched)).not.toContain('Emitters and drops');
  });
});
