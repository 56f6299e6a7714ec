import { referencesOf } from '@core/model/reference';
import { ENTITIES, type Row, type VisitEntity } from '@core/model/entities';
import { entityOf } from '@core/model/entityOf';
import { NO_SETTINGS } from '@core/method/radiometry/settings';
import { ID, visitDocument } from '@core/testing/visit';
import { sha256 } from './columns/sha256';
import { uuid } from './columns/uuid';
import { OLD_KILN_ROW, OTHER_SITES, ROW_LOAN } from './demo/oldKilnRow';
import { readRows, rowFrom } from './rows/read';
import { parentColumn, tableOf } from './rows/tables';
import { columnsOf } from './rows/write';
import { shaOf } from './queries/blobs';
import { regionValueSchema } from '@core/model/regionRow';
import { siteValueSchema } from '@core/model/siteRow';

type Column = { mapToDriverValue(value: unknown): unknown; mapFromDriverValue(value: unknown): unknown };

/** The column as the driver uses it. */
function columnOf(builder: unknown): Column {
  const made = builder as { build(table: object): Column };
  return made.build({});
}

describe('columns', () => {
  test('a UUID is 16 bytes and comes back as it was', () => {
    const column = columnOf(uuid('id'));
    const bytes = column.mapToDriverValue(ID.visit) as Buffer;
    expect(bytes).toHaveLength(16);
    expect(column.mapFromDriverValue(bytes)).toBe(ID.visit);
  });

  test('a hash is 32 bytes and comes back as it was', () => {
    const hex = shaOf(new TextEncoder().encode('abc'));
    expect(hex).toBe('ba7816bf8f01cfea414140de5dae2223b00361a396177a9cb410ff61f20015ad');
    const column = columnOf(sha256('sha'));
    const bytes = column.mapToDriverValue(hex) as Buffer;
    expect(bytes).toHaveLength(32);
    expect(column.mapFromDriverValue(bytes)).toBe(hex);
  });
});

describe('rows', () => {
  const { rows } = visitDocument();
  const samples = (Object.keys(rows) as VisitEntity[]).flatMap((entity) =>
    Object.values(rows[entity]).map((row) => [entity, row as Row<VisitEntity>] as const),
  );

  test.each(samples)('a %s comes back from its columns as it was', (entity, row) => {
    const stored = { id: row.id, version: row.version, ...columnsOf(entity, row.value) };
    expect(rowFrom(entity, stored)).toEqual(row);
    expect(readRows(entity, [stored])).toEqual({ rows: [row], broken: [] });
    expect(entityOf(entity).schema.safeParse(row.value).error).toBeUndefined();
  });

  test('every kind has a table with a column for each field that is stored as it stands', () => {
    for (const { name, schema } of ENTITIES) {
      const columns = columnsOf(name, Object.fromEntries(Object.keys(schema.shape).map((key) => [key, {}])));
      for (const key of Object.keys(columns)) expect([name, key, key in tableOf(name)]).toEqual([name, key, true]);
    }
  });

  test('every kind hangs on one that comes before it, and points at such', () => {
    const names = ENTITIES.map(({ name }) => name as string);
    for (const [i, { name, parent, schema }] of ENTITIES.entries()) {
      for (const kind of parent?.kinds ?? []) {
        expect(names.indexOf(kind)).toBeLessThan(i);
        expect(parentColumn(name, kind)).toBeDefined();
      }
      for (const { reference } of referencesOf(schema)) expect(names).toContain(reference.kind);
    }
  });

  test('a frame has its own scale only with both ends', () => {
    const { id, version, value } = rows.frame[ID.frame]!;
    const stored = { id, version, ...columnsOf('frame', { ...value, ownScale: null }) };
    const scaleOf = (ends: object) => rowFrom('frame', { ...stored, ...ends }).value.ownScale;
    expect(scaleOf({ ownLowC: 0, ownHighC: 5 })).toEqual({ low: 0, high: 5 });
    expect(scaleOf({ ownLowC: null, ownHighC: 20 })).toBeNull();
  });

  test('settings know their owner and level', () => {
    for (const level of ['visit', 'surface', 'frame', 'region'] as const) {
      const value = { ...NO_SETTINGS, emissivity: 0.9, level, ownerId: ID.frame };
      const columns = columnsOf('settings', value);
      expect(columns[`${level}Id`]).toBe(ID.frame);
      expect(rowFrom('settings', { id: 's', version: 3, ...columns })).toEqual({ id: 's', version: 3, value });
    }
  });

  test('a plan keeps the slot that was settled on', () => {
    const value = { ...rows.plan[ID.plan]!.value, slot: { from: 1000, to: 2000 } };
    expect(rowFrom('plan', { id: 'p', version: 1, ...columnsOf('plan', value) }).value.slot).toEqual({ from: 1000, to: 2000 });
  });

  test('a row whose inner part is not what it should be is named, and the others stand', () => {
    const region = rows.region[ID.sound]!;
    const stored = { id: region.id, version: 1, ...region.value };
    const read = readRows('region', [
      { ...stored, shape: { kind: 'box' } },
      { ...stored, id: ID.other },
    ]);
    expect(read.rows.map(({ id }) => id)).toEqual([ID.other]);
    expect(read.broken).toEqual([{ entity: 'region', id: region.id, problem: expect.stringMatching(/^shape /) as string }]);
  });
});

describe('the demo', () => {
  const { frames, rooms } = OLD_KILN_ROW;

  test('is a dozen frames in three rooms, each of a surface of its own', () => {
    expect(frames).toHaveLength(12);
    expect(new Set(frames.map(({ surface }) => surface.room))).toEqual(new Set(rooms.map(({ name }) => name)));
    expect(new Set(frames.map(({ surface }) => surface)).size).toBe(12);
  });

  test('has five more sites, and each home of the loan is one of them', () => {
    for (const site of [OLD_KILN_ROW.site, ...OTHER_SITES])
      expect(siteValueSchema.safeParse({ archived: false, ...site }).success).toBe(true);
    const names = [OLD_KILN_ROW.site, ...OTHER_SITES].map(({ name }) => name);
    for (const { site } of ROW_LOAN.homes) expect(names.filter((name) => name.endsWith(site))).toHaveLength(1);
  });

  test('has regions that lie in their frames and findings that name them', () => {
    for (const { regions, finding } of frames) {
      for (const { name, box } of regions) {
        const [x, y, width, height] = box;
        const value = { frameId: ID.frame, name, role: 'reading', ordinal: 0, shape: { kind: 'box', x, y, width, height } };
        expect(regionValueSchema.safeParse(value).success).toBe(true);
        expect(x + width).toBeLessThanOrEqual(OLD_KILN_ROW.camera.columns);
        expect(y + height).toBeLessThanOrEqual(OLD_KILN_ROW.camera.rows);
      }
      if (finding) {
        const names = regions.map((region) => region.name);
        expect(names).toContain(finding.this);
        expect(names).toContain(finding.that);
      }
    }
  });
});
