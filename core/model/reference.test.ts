import * as z from 'zod';
import { forgetting, namedIn, ref, referencesOf } from './reference';

const [A, B, C] = ['a', 'b', 'c'].map((last) => `0192f0a0-0000-7000-8000-00000000000${last}`) as [string, string, string];

const schema = z.object({
  name: z.string(),
  frameId: ref('frame', 'refuse'),
  regionId: ref('region', 'forget', { on: 'frameId' }).nullable().default(null),
  parts: z.array(z.object({ photoId: ref('photo', 'forget').nullable(), note: z.string() })),
  marks: z.array(z.object({ at: z.number(), of: z.object({ photoId: ref('photo', 'forget') }) })).default([]),
});
const value = {
  name: 'x',
  frameId: A,
  regionId: B,
  parts: [
    { photoId: C, note: 'one' },
    { photoId: null, note: 'two' },
  ],
  marks: [
    { at: 1, of: { photoId: C } },
    { at: 2, of: { photoId: B } },
  ],
};

test('references are found in fields and deep in lists, with what becomes of them', () => {
  expect(referencesOf(schema)).toEqual([
    { field: 'frameId', deep: false, reference: { kind: 'frame', whenGone: 'refuse', within: 'visit', on: null } },
    { field: 'regionId', deep: false, reference: { kind: 'region', whenGone: 'forget', within: 'visit', on: 'frameId' } },
    { field: 'parts', deep: true, reference: { kind: 'photo', whenGone: 'forget', within: 'visit', on: null } },
    { field: 'marks', deep: true, reference: { kind: 'photo', whenGone: 'forget', within: 'visit', on: null } },
  ]);
});

test('a value says what it names; nulls and what is missing name nothing', () => {
  expect(namedIn(schema, value).map(({ field, id }) => [field, id])).toEqual([
    ['frameId', A],
    ['regionId', B],
    ['parts', C],
    ['marks', C],
    ['marks', B],
  ]);
  expect(namedIn(schema, { name: 'x', frameId: A }).map(({ id }) => id)).toEqual([A]);
});

test('what is gone is forgotten: null where it may be, else with its part of the list', () => {
  const left = forgetting(schema, value, (kind, id) => kind === 'photo' && id === C);
  expect(left).toEqual({
    ...value,
    parts: [
      { photoId: null, note: 'one' },
      { photoId: null, note: 'two' },
    ],
    marks: [{ at: 2, of: { photoId: B } }],
  });
  // A reference that refuses is not forgotten, and what names nothing of it stays the same object.
  expect(forgetting(schema, value, (kind) => kind === 'frame')).toBe(value);
});

test('a reference is an id', () => {
  expect(schema.safeParse({ ...value, frameId: 'no id' }).success).toBe(false);
  expect(schema.safeParse(value).success).toBe(true);
});
