import { siteValueSchema } from '@core/model/siteRow';
import { problemsByField } from './problems';

test('every field has its first problem; without problems there are none', () => {
  const site = { name: '', address: '', timeZone: 'Nowhere', latitude: 91, longitude: 0, facades: [], archived: false };
  const problems = problemsByField(siteValueSchema.safeParse(site).error);
  expect(Object.keys(problems).sort()).toEqual(['latitude', 'name', 'timeZone']);
  expect(problems.latitude).toBe('must not exceed 90°');
  const good = { ...site, name: 'Row', timeZone: 'UTC', latitude: 1 };
  expect(problemsByField(siteValueSchema.safeParse(good).error)).toEqual({});
});
