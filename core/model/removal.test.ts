import type { Entity } from './entities';
import { changesOf, questionOf, removalOf } from './removal';
import { removalQuestion } from './removalWords';
import { ID, visitDocument } from '../testing/visit';

const target = (entity: Entity, rowId: string) => [{ entity, rowId }];
const kinds = (rows: readonly { entity: Entity }[]) => rows.map(({ entity }) => entity);

test('a region of a finding cannot go; the finding can, and then it can', () => {
  const document = visitDocument();
  const region = removalOf(document, target('region', ID.suspect));
  expect(kinds(region.refused)).toEqual(['finding']);
  expect(questionOf(region, target('region', ID.suspect)).refused).toMatch(
    /^Still needed by 1 finding \(“.+”\)\. Remove that first\.$/,
  );
  const finding = removalOf(document, target('finding', ID.finding));
  expect([kinds(finding.goes), finding.refused]).toEqual([['finding'], []]);
  const both = [...target('finding', ID.finding), ...target('region', ID.suspect)];
  expect(removalOf(document, both).refused).toEqual([]);
});

test('what hangs on a row goes first, and the changes bring out all of it', () => {
  const document = visitDocument();
  document.rows.finding = {};
  document.rows.settings.own = { ...document.rows.settings[ID.settings]!, id: 'own' };
  Object.assign(document.rows.settings.own, {
    value: { ...document.rows.settings[ID.settings]!.value, level: 'region', ownerId: ID.suspect },
  });
  const removal = removalOf(document, target('region', ID.suspect));
  expect(kinds(removal.goes)).toEqual(['settings', 'region']);
  expect(changesOf(removal)).toEqual([
    { entity: 'settings', rowId: 'own', value: null },
    { entity: 'region', rowId: ID.suspect, value: null },
  ]);
  // Settings of a region are a part of it: nobody is asked for them.
  expect(questionOf(removal, target('region', ID.suspect))).toEqual({ refused: null, goes: null, without: null });
});

test('who names it as a reference stays, and is named', () => {
  const document = visitDocument();
  document.rows.finding = {};
  const removal = removalOf(document, target('region', ID.sound));
  expect(new Set(kinds(removal.dangling))).toEqual(new Set(['frame', 'visit']));
  expect(questionOf(removal, target('region', ID.sound)).without).toMatch(
    /^Kept, but without it: 1 visit \(“.+”\), 1 frame \(“.+”\)\.$/,
  );
});

test('frames forget the room that goes', () => {
  const document = visitDocument();
  const removal = removalOf(document, target('room', ID.room));
  expect(removal.forgets.length).toBeGreaterThan(0);
  for (const { entity, value } of removal.forgets) expect([entity, (value as { roomId: null }).roomId]).toEqual(['frame', null]);
});

test('counts and names of what goes, in words', () => {
  const regions = Array.from({ length: 6 }, (_, i) => ({ entity: 'region', called: `box ${i}` }));
  const question = removalQuestion({
    refused: [],
    goes: [
      ...regions,
      { entity: 'tailReading', called: null },
      { entity: 'tailReading', called: null },
      { entity: 'putBack', called: null },
      { entity: 'putBack', called: null },
    ],
    without: [{ entity: 'boilerCard', called: null }],
  });
  expect(question).toEqual({
    refused: null,
    goes: 'With it go 6 regions, 2 entries of the put-back list, 2 readings of an emitter.',
    without: 'Kept, but without it: 1 boiler card.',
  });
  expect(removalQuestion({ refused: [], goes: [{ entity: 'photo', called: null }], without: [] }).goes).toBe(
    'With it goes 1 photo.',
  );
});

test('what was answered at stops of a wall or its openings is named before the wall goes; what was not answered is not', () => {
  const document = visitDocument();
  const [wall] = Object.values(document.rows.surface);
  const opening = '0192f0a0-0000-7000-8000-0000000000c1';
  Object.assign(wall!.value, { openings: [{ id: opening, kind: 'window' }] });
  const stop = (id: string, key: string, answer: 'nothing' | null) => ({
    id,
    version: 1,
    value: {
      visitId: document.visitId,
      key,
      answer,
      reason: '',
      note: '',
      probes: [],
      struck: false,
      openedAt: null,
      answeredAt: null,
    },
  });
  document.rows.stop = {
    a: stop('a', `${wall!.id}:sill`, 'nothing'),
    b: stop('b', `${opening}:frame`, 'nothing'),
    c: stop('c', `${wall!.id}:floor`, null),
    d: stop('d', 'another:sill', 'nothing'),
  };
  const removal = removalOf(document, target('surface', wall!.id));
  expect(removal.dangling.filter(({ entity }) => entity === 'stop').map(({ row }) => row.id)).toEqual(['a', 'b']);
  expect(questionOf(removal, target('surface', wall!.id)).without).toContain('2 answered stops of the round');
});
