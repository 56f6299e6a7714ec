import { APPARENT } from '@core/frame/frame';
import { NO_SETTINGS } from '@core/radiometry/settings';
import { ID, visitDocument } from '@core/testing/visit';
import { sha256 } from './columns/sha256';
import { uuid } from './columns/uuid';
import { OLD_KILN_ROW, OTHER_SITES, ROW_LOAN } from './demo/oldKilnRow';
import {
  cameraRow,
  conditionsRow,
  findingRow,
  frameRow,
  intakeRow,
  loanHomeRow,
  loanRow,
  photoRow,
  planRow,
  putBackRow,
  regionRow,
  roomRow,
  settingsRowOf,
  siteRow,
  stopRow,
  surfaceRow,
  visitRowOf,
} from './queries/rows';
import { shaOf } from './queries/blobs';
import { roomColumns } from './queries/columns';
import {
  conditionsValueSchema,
  frameValueSchema,
  loanHomeValueSchema,
  loanValueSchema,
  planValueSchema,
  regionValueSchema,
  settingsValueSchema,
  siteValueSchema,
  visitValueSchema,
} from '@core/visit/rows';

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

describe('from stored rows to rows that people edit', () => {
  const { rows } = visitDocument();

  test('region and photo', () => {
    const picture = {
      frameId: null,
      name: 'x',
      role: 'plate' as const,
      stopKey: null,
      discarded: false,
      evidence: true,
      typed: { spots: [{ x: 0.5, y: 0.2, celsius: 12, words: 'sill' }], lowC: 5, highC: null },
      alignment: null,
      quarters: 1,
      mirrored: false,
    };
    const { id, version, value } = rows.region[ID.sound]!;
    expect(regionRow({ id, version, ...value })).toEqual(rows.region[ID.sound]);
    expect(photoRow({ id: 'p', version: 2, ...picture })).toEqual({
      id: 'p',
      version: 2,
      value: picture,
    });
  });

  test('a frame has its own scale only with both ends', () => {
    const place = { roomId: null, surfaceId: null, stopKey: null, discarded: false };
    const known = { basis: APPARENT, measure: null, sequenceId: null, picked: true };
    const base = { id: ID.frame, version: 1, name: 'a', ...place, ...known, side: 'inside' as const, referenceId: null };
    expect(frameRow({ ...base, ownLowC: 10, ownHighC: 20 }).value.ownScale).toEqual({ low: 10, high: 20 });
    expect(frameRow({ ...base, ownLowC: 0, ownHighC: 5 }).value.ownScale).toEqual({ low: 0, high: 5 });
    expect(frameRow({ ...base, ownLowC: null, ownHighC: 20 }).value.ownScale).toBeNull();
    expect(frameValueSchema.safeParse(frameRow({ ...base, ownLowC: null, ownHighC: null }).value).success).toBe(true);
  });

  test('a room keeps its plan, a surface what was said of it, a stop its times', () => {
    const room = rows.room[ID.room]!;
    expect(roomRow({ id: room.id, version: room.version, ...roomColumns(room.value) })).toEqual(room);
    const surface = rows.surface[ID.surface]!;
    expect(surfaceRow({ id: surface.id, version: surface.version, ...surface.value })).toEqual(surface);
    const answered = { visitId: ID.visit, key: 'k', answer: 'nothing' as const, reason: '', note: '', probes: [] };
    const stored = { id: ID.plan, version: 2, ...answered, openedAt: new Date(5), answeredAt: null };
    expect(stopRow(stored).value).toEqual({ ...answered, openedAt: 5, answeredAt: null });
    const change = { visitId: ID.visit, kind: 'vent' as const, what: 'Vent', was: 'open', now: 'taped' };
    const put = { id: ID.plan, version: 1, ...change, changedAt: new Date(7), putBackAt: new Date(9) };
    expect(putBackRow(put).value).toEqual({ ...change, changedAt: 7, putBackAt: 9 });
    const camera = rows.camera[ID.camera]!;
    expect(cameraRow({ id: camera.id, version: camera.version, ...camera.value })).toEqual(camera);
  });

  test('settings know their owner and level', () => {
    const fields = { ...NO_SETTINGS, emissivity: 0.9 };
    const none = { visitId: null, surfaceId: null, frameId: null, regionId: null };
    for (const [level, owner] of [
      ['visit', { ...none, visitId: ID.visit }],
      ['surface', { ...none, surfaceId: ID.surface }],
      ['frame', { ...none, frameId: ID.frame }],
      ['region', { ...none, regionId: ID.sound }],
    ] as const) {
      const row = settingsRowOf({ id: ID.settings, version: 3, ...fields, ...owner });
      expect(row.value.level).toBe(level);
      expect(row.value.ownerId).toBe(owner[`${level}Id`]);
      expect(settingsValueSchema.safeParse(row.value).success).toBe(true);
    }
  });

  test('visit and conditions', () => {
    const { span, startedAt, ...rest } = rows.visit[ID.visit]!.value;
    const stored = { id: ID.visit, version: 1, siteId: ID.room, startedAt: new Date(startedAt), ...rest, ...span };
    expect(visitRowOf(stored)).toEqual(rows.visit[ID.visit]);
    expect(visitValueSchema.safeParse(visitRowOf(stored).value).success).toBe(true);
    const { id, version, value } = rows.conditions[ID.conditions]!;
    expect(conditionsRow({ id, version, ...value })).toEqual(rows.conditions[ID.conditions]);
    expect(conditionsValueSchema.safeParse(value).success).toBe(true);
  });

  test('site, intake and plan', () => {
    for (const [entity, row, id] of [
      ['site', siteRow, ID.site],
      ['intake', intakeRow, ID.intake],
    ] as const) {
      const { version, value } = rows[entity][id]!;
      expect((row as (stored: unknown) => unknown)({ id, version, ...value })).toEqual(rows[entity][id]);
    }
    const { slot: _, ...plan } = rows.plan[ID.plan]!.value;
    const stored = { id: ID.plan, version: 1, ...plan, slotFrom: null, slotTo: null };
    expect(planRow(stored)).toEqual(rows.plan[ID.plan]);
    const settled = planRow({ ...stored, slotFrom: new Date(1000), slotTo: new Date(2000) });
    expect(settled.value.slot).toEqual({ from: 1000, to: 2000 });
    expect(planValueSchema.safeParse(settled.value).success).toBe(true);
  });

  test('a loan and its homes', () => {
    const { firstDay, lastDay, homes, ...loan } = ROW_LOAN;
    const stored = {
      id: ID.room,
      version: 2,
      ...loan,
      strictness: 'usual' as const,
      weatherId: null,
      archived: false,
      startsAt: new Date(`${firstDay}T09:00Z`),
      endsAt: new Date(`${lastDay}T20:00Z`),
    };
    const row = loanRow(stored);
    expect(row).toMatchObject({ id: ID.room, version: 2, value: { from: stored.startsAt.getTime() } });
    expect(loanValueSchema.safeParse(row.value).success).toBe(true);
    for (const [ordinal, { evenings, site: _site, ...home }] of homes.entries()) {
      const presences = evenings.map((day) => ({ day, from: '17:30', to: '22:00' }));
      const value = loanHomeRow({
        id: ID.sound,
        version: 1,
        loanId: ID.room,
        siteId: ID.site,
        ordinal,
        presences,
        facades: null,
        ...home,
      }).value;
      expect(loanHomeValueSchema.safeParse(value).success).toBe(true);
    }
  });

  test('a finding carries the regions of its pair', () => {
    const { id, version, value } = rows.finding[ID.finding]!;
    const { thisRegionId, thatRegionId, ...rest } = value;
    const stored = { id, version, ...rest, pairId: ID.room, recordedAt: new Date(0) };
    expect(findingRow(stored, { id: ID.room, thisRegionId, thatRegionId })).toEqual(rows.finding[ID.finding]);
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
