import { ID, visitDocument } from '../testing/visit';
import { intakeValueSchema } from './intakeRow';
import { planValueSchema } from './planRow';
import { siteValueSchema } from './siteRow';
import { visitValueSchema } from './visitRow';

const { rows } = visitDocument();
const site = rows.site[ID.site]!.value;
const intake = rows.intake[ID.intake]!.value;
const plan = rows.plan[ID.plan]!.value;
const visit = rows.visit[ID.visit]!.value;

/** The field that is complained of first; undefined when all is well. */
const complaint = (schema: { safeParse(value: unknown): { error?: { issues: { path: PropertyKey[] }[] } } }, value: unknown) =>
  schema.safeParse(value).error?.issues[0]?.path.join('.');

test('what the tests begin with is valid', () => {
  expect(complaint(siteValueSchema, site)).toBeUndefined();
  expect(complaint(intakeValueSchema, intake)).toBeUndefined();
  expect(complaint(planValueSchema, plan)).toBeUndefined();
  expect(complaint(visitValueSchema, visit)).toBeUndefined();
});

test.each([
  ['name', { name: '   ' }],
  ['latitude', { latitude: 90.5 }],
  ['longitude', { longitude: -200 }],
  ['timeZone', { timeZone: 'GMT+25' }],
  ['facades.0.azimuth', { facades: [{ azimuth: 400, wall: 'brick' }] }],
  ['facades', { facades: Array.from({ length: 13 }, () => ({ azimuth: 0, wall: 'brick' })) }],
])('a site is refused for its %s', (field, change) => {
  expect(complaint(siteValueSchema, { ...site, ...change })).toBe(field);
});

test('a site may have no place yet', () => {
  expect(complaint(siteValueSchema, { ...site, latitude: null, longitude: null, facades: [] })).toBeUndefined();
});

test.each([
  ['kind', { kind: 'curiosity' }],
  ['complaints.0.what', { complaints: [{ id: ID.complaint, place: 'Loft', what: '' }] }],
  ['complaints', { complaints: Array.from({ length: 41 }, () => ({ id: ID.complaint, place: 'Loft', what: 'cold' })) }],
  ['history.0.when', { history: [{ id: ID.event, what: 'Porch closed in', when: 'x'.repeat(61) }] }],
  ['people', { people: 'x'.repeat(501) }],
])('an intake is refused for its %s', (field, change) => {
  expect(complaint(intakeValueSchema, { ...intake, ...change })).toBe(field);
});

test('typed text loses the blanks around it', () => {
  expect(intakeValueSchema.parse({ ...intake, access: '  key next door \n' }).access).toBe('key next door');
  expect(
    intakeValueSchema.parse({ ...intake, complaints: [{ id: ID.complaint, place: ' Loft ', what: ' cold' }] }).complaints,
  ).toEqual([{ id: ID.complaint, place: 'Loft', what: 'cold', answer: '' }]);
});

test.each([
  ['insideC', { insideC: 60 }],
  ['strictness', { strictness: 'very' }],
  ['timeConstantsH.brick', { timeConstantsH: { light: 1, brick: 0, stone: 5 } }],
  ['firstDay', { firstDay: '2027-02-31' }],
  ['slot.to', { slot: { from: 1, to: -1 } }],
  ['letter', { letter: 'x'.repeat(8001) }],
])('a plan is refused for its %s', (field, change) => {
  expect(complaint(planValueSchema, { ...plan, ...change })).toBe(field);
});

test.each([
  ['title', { title: '' }],
  ['title', { title: 'line\nbreak' }],
  ['startedAt', { startedAt: NaN }],
  ['question', { question: 'x'.repeat(1001) }],
])('a visit is refused for its %s', (field, change) => {
  expect(complaint(visitValueSchema, { ...visit, ...change })).toBe(field);
});
