import { ID, visitDocument } from '../testing/visit';
import { commandSchema } from './command';
import { newVisitSchema } from './newVisit';
import { conditionsValueSchema, findingValueSchema, frameValueSchema, nameSchema, regionValueSchema } from './rows';
import { judgeConditions } from './verdict';

const conditions = visitDocument().rows.conditions[ID.conditions]!.value;

describe('the verdict on the conditions', () => {
  test.each([
    [{}, 'good', 'Good to read'],
    [{ insideC: null }, 'unknown', 'Inside and outside not noted'],
    [{ outsideC: 14 }, 'poor', 'Too small a difference: 6 K'],
    [{ insideC: 22, outsideC: 36 }, 'good', 'Good to read'],
    [{ rainHours: 3 }, 'care', 'Rain 3 h ago: walls outside may be wet'],
    [{ sunHours: 2 }, 'care', 'Sun 2 h ago: walls may still be warm'],
    [{ windMs: 8 }, 'care', 'Windy: inside only'],
    [{ outsideC: 14, rainHours: 1 }, 'poor', 'Too small a difference: 6 K'],
  ] as const)('%p', (change, grade, words) => expect(judgeConditions({ ...conditions, ...change })).toEqual({ grade, words }));

  test('nothing noted at all', () => expect(judgeConditions(undefined).grade).toBe('unknown'));
});

describe('what people may type', () => {
  test('names are trimmed, not empty, not endless, and hold nothing invisible', () => {
    const name = nameSchema(10);
    expect(name.parse('  sill ')).toBe('sill');
    for (const wrong of ['', '   ', 'x'.repeat(11), 'a\u0007b', 'a\nb']) expect(name.safeParse(wrong).success).toBe(false);
    expect(name.parse('<b>=1+1')).toBe('<b>=1+1');
  });

  test('conditions have their ranges', () => {
    expect(conditionsValueSchema.safeParse(conditions).success).toBe(true);
    for (const wrong of [
      { insideC: 61 },
      { outsideC: -61 },
      { humidityPct: 101 },
      { windMs: -1 },
      { sunHours: NaN },
      { rainHours: 1e5 },
    ]) {
      expect(conditionsValueSchema.safeParse({ ...conditions, ...wrong }).success).toBe(false);
    }
  });

  test('rows of the sample visit are valid', () => {
    const { rows } = visitDocument();
    expect(regionValueSchema.safeParse(rows.region[ID.sound]!.value).success).toBe(true);
    expect(frameValueSchema.safeParse(rows.frame[ID.frame]!.value).success).toBe(true);
    expect(findingValueSchema.safeParse(rows.finding[ID.finding]!.value).success).toBe(true);
  });
});

describe('commands', () => {
  const put = {
    id: ID.room,
    action: 'put',
    entity: 'region',
    rowId: ID.sound,
    version: 1,
    value: visitDocument().rows.region[ID.sound]!.value,
  };

  test('a put carries the value of its entity', () => {
    expect(commandSchema.safeParse(put).success).toBe(true);
    expect(commandSchema.safeParse({ ...put, entity: 'finding' }).success).toBe(false);
    expect(commandSchema.safeParse({ ...put, entity: 'settings' }).success).toBe(false);
    expect(commandSchema.safeParse({ ...put, entity: 'blob' }).success).toBe(false);
  });

  test('a removal needs a stored row of a kind that may go', () => {
    const remove = { id: ID.room, action: 'remove', entity: 'region', rowId: ID.sound, version: 1 };
    expect(commandSchema.safeParse(remove).success).toBe(true);
    expect(commandSchema.safeParse({ ...remove, version: 0 }).success).toBe(false);
    expect(commandSchema.safeParse({ ...remove, entity: 'visit' }).success).toBe(false);
    expect(commandSchema.safeParse({ ...remove, rowId: '1; DROP TABLE frame' }).success).toBe(false);
  });
});

describe('a new visit', () => {
  const visit = {
    siteName: 'Row',
    address: '',
    timeZone: 'Europe/London',
    title: 'First',
    question: '',
    startedAt: 1,
    insideC: 20,
    outsideC: null,
    humidityPct: null,
    rooms: ['Kitchen'],
  };
  test('needs a place and a real time zone', () => {
    expect(newVisitSchema.safeParse(visit).success).toBe(true);
    expect(newVisitSchema.safeParse({ ...visit, siteName: ' ' }).success).toBe(false);
    expect(newVisitSchema.safeParse({ ...visit, timeZone: 'Mars/Olympus' }).success).toBe(false);
    expect(newVisitSchema.safeParse({ ...visit, rooms: [''] }).success).toBe(false);
  });
});
