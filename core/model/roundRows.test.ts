import { CHANGE_KINDS, CHANGES } from './changeKinds';
import { ID } from '../testing/visit';
import { captureSchema } from '../method/simulate/capture';
import { commandSchema } from './command';
import { roomValueSchema } from './roomRow';
import { surfaceValueSchema } from './surfaceRow';
import { kitValueSchema } from './kitRow';
import { MAX_LOG_ENTRIES, logEntrySchema, logValueSchema } from './logRow';
import { putBackValueSchema } from './putBackRow';
import { stopValueSchema } from './stopRow';
import { idSchema } from '../ground/fields';
import { rowIdFrom } from '../ground/rowId';
import { visitDocument } from '../testing/visit';
import { recordingSchema } from '../work/round/recording';

const messages = (result: { success: boolean; error?: { issues: { path: PropertyKey[]; message: string }[] } | undefined }) =>
  result.error?.issues.map(({ path, message }) => `${path.join('.')} ${message}`) ?? [];

describe('what people change and forget', () => {
  test('each kind has its example, within what can be stored', () => {
    for (const kind of CHANGE_KINDS) {
      const value = { visitId: ID.visit, kind, ...CHANGES[kind].example, changedAt: 0, putBackAt: null };
      expect(putBackValueSchema.safeParse(value).error).toBeUndefined();
    }
  });

  test('vents, cylinder and heat source carry their caution', () => {
    const serious = CHANGE_KINDS.filter((kind) => CHANGES[kind].caution !== null);
    expect(serious).toEqual(['source', 'vent', 'cylinder']);
    expect(CHANGES.vent.caution).toMatch(/Carbon monoxide/);
    expect(CHANGES.cylinder.caution).toMatch(/scalds/);
  });
});

describe('what can be stored', () => {
  const stop = { visitId: ID.visit, key: 'k', answer: null, reason: '', note: '', probes: [], openedAt: null, answeredAt: null };

  test('a stop without an answer, with a probe, not with an unknown answer or a probe beyond all range', () => {
    expect(stopValueSchema.safeParse(stop).success).toBe(true);
    expect(stopValueSchema.safeParse({ ...stop, probes: [{ celsius: 19.4, with: 'K2' }] }).success).toBe(true);
    expect(messages(stopValueSchema.safeParse({ ...stop, probes: [{ celsius: -300, with: 'K2' }] }))).toEqual([
      'probes.0.celsius must be at least −150 °C',
    ]);
    expect(stopValueSchema.safeParse({ ...stop, answer: 'maybe' }).success).toBe(false);
    expect(stopValueSchema.safeParse({ ...stop, key: ' ' }).success).toBe(false);
  });

  test('air within what people live in', () => {
    const entry = { at: 0, insideC: 20, outsideC: null, humidityPct: 40 };
    expect(logEntrySchema.safeParse(entry).success).toBe(true);
    expect(messages(logEntrySchema.safeParse({ ...entry, humidityPct: 140 }))).toEqual(['humidityPct must not exceed 100 %']);
    const entries = Array.from({ length: MAX_LOG_ENTRIES + 1 }, () => entry);
    expect(logValueSchema.safeParse({ visitId: ID.visit, name: 'x', entries }).success).toBe(false);
    expect(logValueSchema.safeParse({ visitId: ID.visit, name: 'x', entries: entries.slice(1) }).success).toBe(true);
  });

  test('a bag with names in it', () => {
    expect(kitValueSchema.safeParse({ visitId: ID.visit, items: [{ name: 'Torch', packed: true }] }).success).toBe(true);
    expect(kitValueSchema.safeParse({ visitId: ID.visit, items: [{ name: '', packed: true }] }).success).toBe(false);
  });

  test('rooms on the grid and walls of a size', () => {
    const { rows } = visitDocument();
    const room = rows.room[ID.room]!.value;
    const wall = rows.surface[ID.surface]!.value;
    expect(messages(roomValueSchema.safeParse({ ...room, plan: { ...room.plan, width: 0 } }))).toEqual([
      'plan.width must be at least 1 m',
    ]);
    expect(roomValueSchema.safeParse({ ...room, plan: { ...room.plan, x: 0.5 } }).success).toBe(false);
    expect(messages(roomValueSchema.safeParse({ ...room, heightM: 30 }))).toEqual(['heightM must not exceed 20 m']);
    expect(surfaceValueSchema.safeParse({ ...wall, azimuth: 360 }).success).toBe(false);
    expect(surfaceValueSchema.safeParse({ ...wall, behind: 'the moon' }).success).toBe(false);
  });

  test('a picture is asked for from somewhere on earth', () => {
    const capture = {
      frameId: ID.frame,
      surfaceId: ID.surface,
      stopKey: 'k',
      name: 'Wall',
      pose: { aim: { x: 1, y: 1 }, distance: 2, aside: 0 },
      shot: 3,
      since: 12,
      closing: 30,
      at: 0,
    };
    expect(captureSchema.safeParse(capture).success).toBe(true);
    for (const distance of [0, -1, NaN, 1000])
      expect(captureSchema.safeParse({ ...capture, pose: { ...capture.pose, distance } }).success).toBe(false);
    expect(captureSchema.safeParse({ ...capture, since: -1 }).success).toBe(false);
  });

  test('a spoken note of a kind that browsers make', () => {
    const query = { id: ID.frame, stop: 'k', seconds: '12.5', type: 'audio/webm' };
    expect(recordingSchema.parse(query).seconds).toBe(12.5);
    expect(recordingSchema.safeParse({ ...query, type: 'text/html' }).success).toBe(false);
    expect(recordingSchema.safeParse({ ...query, seconds: '-1' }).success).toBe(false);
  });

  test('a command knows the new kinds, and removes only those that may go', () => {
    const of = (change: object) => commandSchema.safeParse({ id: ID.frame, changes: [change] }).success;
    const put = { action: 'put', entity: 'stop', rowId: ID.plan, version: 0, value: stop };
    expect(of(put)).toBe(true);
    const remove = { action: 'remove', rowId: ID.plan, version: 1 };
    expect(of({ ...remove, entity: 'room' })).toBe(true);
    expect(of({ ...remove, entity: 'camera' })).toBe(false);
  });
});

test('an answer’s id follows from visit and stop, and from nothing else', () => {
  expect(rowIdFrom(ID.visit, 'a')).toBe(rowIdFrom(ID.visit, 'a'));
  expect(new Set([rowIdFrom(ID.visit, 'a'), rowIdFrom(ID.visit, 'b'), rowIdFrom(ID.site, 'a')]).size).toBe(3);
  expect(idSchema.safeParse(rowIdFrom(ID.visit, 'Complaint: “kalt”, 窓')).success).toBe(true);
});
