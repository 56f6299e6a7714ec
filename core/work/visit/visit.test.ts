import { ID, visitDocument } from '../../testing/visit';
import { hoursPlanSchema } from '../../method/weather/plan';
import { commandSchema } from '../../model/command';
import { frameValueSchema } from '../../model/frameRow';
import { regionValueSchema } from '../../model/regionRow';
import { nameSchema } from '../../ground/fields';
import { loanHomeValueSchema } from '../../model/loanHomeRow';
import { loanValueSchema } from '../../model/loanRow';
import { conditionsValueSchema } from '../../model/conditionsRow';
import { findingValueSchema } from '../../model/findingRow';
import { hoursPlanOf } from './hoursPlan';
import { KINDS, VISIT_KINDS } from '../../model/visitKinds';
import { newVisitSchema } from './newVisit';

const conditions = visitDocument().rows.conditions[ID.conditions]!.value;

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
  const of = (...changes: object[]) => commandSchema.safeParse({ id: ID.room, changes }).success;
  const put = {
    action: 'put',
    entity: 'region',
    rowId: ID.sound,
    version: 1,
    value: visitDocument().rows.region[ID.sound]!.value,
  };

  test('a put carries the value of its entity', () => {
    expect(of(put)).toBe(true);
    expect(of({ ...put, entity: 'finding' })).toBe(false);
    expect(of({ ...put, entity: 'settings' })).toBe(false);
    expect(of({ ...put, entity: 'blob' })).toBe(false);
  });

  test('a removal needs a stored row of a kind that may go', () => {
    const remove = { action: 'remove', entity: 'region', rowId: ID.sound, version: 1 };
    expect(of(remove)).toBe(true);
    expect(of({ ...remove, version: 0 })).toBe(false);
    expect(of({ ...remove, entity: 'intake' })).toBe(false);
    expect(of({ ...remove, rowId: '1; DROP TABLE frame' })).toBe(false);
  });

  test('a step has changes, each of another row', () => {
    expect(of()).toBe(false);
    expect(of(put, { ...put, rowId: ID.other })).toBe(true);
    expect(of(put, { ...put, version: 2 })).toBe(false);
    expect(commandSchema.safeParse({ id: 'x', changes: [put] }).success).toBe(false);
  });
});

describe('a new visit', () => {
  const site = { name: 'Row', address: '', timeZone: 'Europe/London', latitude: null, longitude: null, facades: [] };
  const visit = {
    site,
    kind: 'heat-loss',
    title: 'First',
    question: '',
    startedAt: 1,
    insideC: 20,
    outsideC: null,
    humidityPct: null,
    rooms: ['Kitchen'],
  };
  test('needs a place and a real time zone, or a site that is known', () => {
    expect(newVisitSchema.safeParse(visit).success).toBe(true);
    expect(newVisitSchema.safeParse({ ...visit, site: { id: ID.site } }).success).toBe(true);
    expect(newVisitSchema.safeParse({ ...visit, site: { ...site, name: ' ' } }).success).toBe(false);
    expect(newVisitSchema.safeParse({ ...visit, site: { ...site, timeZone: 'Mars/Olympus' } }).success).toBe(false);
    expect(newVisitSchema.safeParse({ ...visit, site: { ...site, latitude: 91 } }).success).toBe(false);
    expect(newVisitSchema.safeParse({ ...visit, rooms: [''] }).success).toBe(false);
    expect(newVisitSchema.safeParse({ ...visit, kind: 'ghosts' }).success).toBe(false);
  });
});

describe('kinds of visits', () => {
  test.each(VISIT_KINDS)('%s sets what to bring, when to go and where to look first', (kind) => {
    const { words, wanted, hours, bring, stops } = KINDS[kind];
    expect(words.length).toBeGreaterThan(3);
    expect(wanted).toMatch(/^to /);
    expect(hours).not.toBe('');
    expect(new Set(bring).size).toBe(bring.length);
    expect(bring.join()).toContain('card in and empty');
    expect(stops.length).toBeGreaterThanOrEqual(2);
  });
});

describe('the plan for hours', () => {
  test('follows from site, plan and kind of visit', () => {
    const document = visitDocument();
    expect(hoursPlanSchema.safeParse(hoursPlanOf(document)).data).toEqual(hoursPlanOf(document));
    expect(hoursPlanOf(document)).toMatchObject({ latitude: 51.2, inside_c: 20, strictness: 'usual', purpose: 'faults' });
    document.rows.intake[ID.intake]!.value.kind = 'solar-gain';
    expect(hoursPlanOf(document)!.purpose).toBe('solar-gain');
    document.rows.site[ID.site]!.value.latitude = null;
    expect(hoursPlanOf(document)).toBeNull();
  });
});

describe('a loan', () => {
  const loan = {
    name: 'Row camera',
    timeZone: 'Europe/London',
    latitude: 51.2,
    longitude: 1,
    from: 1_000_000,
    to: 2_000_000,
    insideC: 20,
    strictness: 'usual',
    practice: false,
    weatherId: null,
    archived: false,
  };
  const problem = (change: object) => loanValueSchema.safeParse({ ...loan, ...change }).error?.issues[0];

  test('ends after it begins, and within a week', () => {
    expect(problem({})).toBeUndefined();
    expect(problem({ to: 1_000_000 })).toMatchObject({ path: ['to'], message: 'must be after its begin' });
    expect(problem({ to: 1_000_000 + 8 * 86_400_000 })).toMatchObject({ path: ['to'] });
    expect(problem({ latitude: -91 })).toMatchObject({ path: ['latitude'] });
  });

  test('has homes in which somebody is in from an hour to a later one', () => {
    const home = { loanId: ID.room, siteId: ID.site, ordinal: 0, minutes: 60, travelMinutes: 5, facades: null };
    const ok = (presence: object, change = {}) =>
      loanHomeValueSchema.safeParse({ ...home, presences: [presence], ...change }).success;
    expect(ok({ day: '2027-02-11', from: '17:30', to: '22:00' })).toBe(true);
    expect(ok({ day: '2027-02-11', from: '22:00', to: '17:30' })).toBe(false);
    expect(ok({ day: '2027-02-30', from: '17:30', to: '22:00' })).toBe(false);
    expect(ok({ day: '2027-02-11', from: '25:00', to: '26:00' })).toBe(false);
    expect(ok({ day: '2027-02-11', from: '17:30', to: '22:00' }, { minutes: 5 })).toBe(false);
  });
});
