import type { VisitDocument } from '../../model/document';
import { ID, FRAME_HEIGHT, FRAME_WIDTH, visitDocument, wallPixels } from '../../testing/visit';
import { inWeatherOf, lookFor, placeOf } from './looks';
import { pairValueSchema, SURFACE_ANSWERS } from '../../model/pairRow';
import { OUTCOME_WORDS, plainWords, SURFACE_WORDS, VERDICT_WORDS, whyWords } from './proofWords';
import { pairFor, toProve } from './toProve';

const LATER = '0192f0a0-0000-7000-8000-0000000000f1';
const newIds = () => {
  let n = 0;
  return () => `0192f0a0-0000-7000-8000-00000000a${String((n += 1)).padStart(3, '0')}`;
};

/** A later visit of the same site: its frames are those of the other one. */
function later(change: (document: VisitDocument) => void = () => undefined): VisitDocument {
  const document = visitDocument();
  const named: VisitDocument = { ...document, visitId: LATER, rows: { ...document.rows, finding: {}, region: {} } };
  change(named);
  return named;
}

describe('what can be proven', () => {
  const earlier = visitDocument();

  test('is what was found on a frame, with the frames of the same surface or room', () => {
    const [item, ...more] = toProve(later(), earlier);
    expect(more).toEqual([]);
    expect(item).toMatchObject({ finding: { id: ID.finding }, beforeFrameId: ID.frame, pair: null });
    expect(item!.offered.map(({ id }) => id)).toEqual([ID.other]);
  });

  test('the same stop comes before the same room, and the other side of a wall does not come', () => {
    const third = '0192f0a0-0000-7000-8000-0000000000f2';
    const outside = '0192f0a0-0000-7000-8000-0000000000f3';
    const before = visitDocument();
    before.rows.frame[ID.frame]!.value.stopKey = 'wall-1';
    const document = later(({ rows, frameFacts }) => {
      const { value } = rows.frame[ID.other]!;
      rows.frame[third] = { id: third, version: 1, value: { ...value, stopKey: 'wall-1', roomId: null } };
      rows.frame[outside] = { id: outside, version: 1, value: { ...value, stopKey: 'wall-1', side: 'outside' } };
      for (const id of [third, outside]) frameFacts[id] = frameFacts[ID.other]!;
    });
    expect(toProve(document, before)[0]!.offered.map(({ id }) => id)).toEqual([third, ID.other]);
  });

  test('not what has no frame', () => {
    const without = visitDocument();
    without.rows.finding[ID.finding]!.value.frameId = null;
    expect(toProve(later(), without)).toEqual([]);
  });

  test('what was left open comes first', () => {
    const two = visitDocument();
    const { value } = two.rows.finding[ID.finding]!;
    const open = '0192f0a0-0000-7000-8000-0000000000f4';
    two.rows.finding[ID.finding]!.value = { ...value, state: 'closed' };
    two.rows.finding[open] = { id: open, version: 1, value: { ...value, state: 'open' } };
    expect(toProve(later(), two).map(({ finding }) => finding.id)).toEqual([open, ID.finding]);
  });
});

describe('a pair', () => {
  const earlier = visitDocument();
  const document = later();
  const [item] = toProve(document, earlier);
  const value = pairFor(document, earlier, item!, ID.other, newIds());

  test('has the finding’s title and its two regions, and is stored as it is', () => {
    expect(value).toMatchObject({
      visitId: LATER,
      beforeVisitId: ID.visit,
      beforeFrameId: ID.frame,
      afterFrameId: ID.other,
      findingId: ID.finding,
      outcome: null,
      wall: null,
      work: null,
      points: [],
    });
    expect(value.regions.map(({ surface }) => surface)).toEqual([null, null]);
    expect(value.regions.map(({ shape }) => shape)).toEqual(
      [ID.suspect, ID.sound].map((id) => earlier.rows.region[id]!.value.shape),
    );
    expect(pairValueSchema.parse(value)).toEqual(value);
  });

  test('answers its finding from then on', () => {
    document.rows.pair = { [LATER]: { id: LATER, version: 1, value } };
    expect(toProve({ ...document }, earlier)[0]!.pair!.id).toBe(LATER);
  });

  test('takes no region that follows from pixels, no thirteenth, no title of nothing', () => {
    const [region] = value.regions;
    const beyond = { kind: 'beyond', side: 'colder', markC: 15 };
    expect(pairValueSchema.safeParse({ ...value, regions: [{ ...region, shape: beyond }] }).success).toBe(false);
    expect(pairValueSchema.safeParse({ ...value, regions: Array.from({ length: 13 }, () => region) }).success).toBe(false);
    expect(pairValueSchema.safeParse({ ...value, title: ' ' }).success).toBe(false);
  });
});

describe('a frame in a proof', () => {
  const document = visitDocument();
  const conditions = Object.values(document.rows.conditions)[0]!.value;

  test('is surface temperatures between the air on both sides', () => {
    const look = lookFor(document, ID.frame, wallPixels())!;
    expect(look).toMatchObject({ insideC: conditions.insideC, outsideC: conditions.outsideC });
    expect(look.surface.values).toHaveLength(FRAME_WIDTH * FRAME_HEIGHT);
    expect(look.surface.values[0]).toBeGreaterThan(17);
  });

  test('is none while the air is not known', () => {
    const without = visitDocument();
    Object.values(without.rows.conditions)[0]!.value.outsideC = null;
    expect(lookFor(without, ID.frame, wallPixels())).toBeNull();
  });

  test('in other weather it keeps its factor', () => {
    const SIDE = { side: 'inside' as const, spaceC: null, emissivity: 0.95, history: null };
    const grid = (value: number) => ({ width: 1, height: 1, values: Float32Array.of(value) });
    const before = { surface: grid(16), insideC: 20, outsideC: 0, ...SIDE };
    const after = { surface: grid(17.5), insideC: 20, outsideC: 10, ...SIDE };
    expect(inWeatherOf(before, after)[0]).toBeCloseTo(15, 5);
  });

  test('a region that was drawn beyond it is cut', () => {
    const region = {
      id: ID.suspect,
      name: 'a',
      surface: null,
      shape: { kind: 'box' as const, x: 36, y: 2, width: 8, height: 3 },
    };
    const size = { width: FRAME_WIDTH, height: FRAME_HEIGHT };
    const place = placeOf(region, size);
    expect(place).toMatchObject({ cut: true, surface: 'not-said' });
    expect(place.spans).toEqual([2, 3, 4].map((y) => ({ y, from: 36, to: 39 })));
    expect(placeOf({ ...region, shape: { ...region.shape, width: 4 }, surface: 'painted' }, size)).toMatchObject({
      cut: false,
      surface: 'changed',
    });
  });
});

test('every verdict has words for those who live there', () => {
  for (const verdict of ['better', 'same', 'worse'] as const) {
    expect(plainWords({ verdict, why: 'more-than-uncertain' })).toMatch(/^This place loses .* heat .*before\.$/);
    expect(VERDICT_WORDS[verdict].length).toBeGreaterThan(3);
  }
  expect(plainWords({ verdict: 'cannot-say', why: 'too-little-drive' })).toContain('less than 5 K');
  expect(whyWords({ why: 'surface-changed' })).toContain('surface itself was changed');
  expect(Object.keys(SURFACE_WORDS)).toEqual([...SURFACE_ANSWERS]);
  expect(Object.values(OUTCOME_WORDS)).toContain('Proven, closed');
});
