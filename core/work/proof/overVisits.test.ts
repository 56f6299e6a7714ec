import type { Change } from '../../method/compare/change';
import type { VisitDocument } from '../../model/document';
import { ID, visitDocument } from '../../testing/visit';
import { courseOf, seenAgain } from './overVisits';
import { pairFor, toProve } from './toProve';

const DAY = 86_400_000;
const OWN = '0192f0a0-0000-7000-8000-0000000000f1';
const BETWEEN = '0192f0a0-0000-7000-8000-0000000000f2';
const AGAIN = '0192f0a0-0000-7000-8000-0000000000f3';
const LAST = '0192f0a0-0000-7000-8000-0000000000f4';

/** A visit of the same site some days after the first, whose only frame is from a stop. */
function visitAfter(visitId: string, days: number, frames: Record<string, string | null>): VisitDocument {
  const document = visitDocument();
  const { visit, frame } = document.rows;
  const own = { ...visit[document.visitId]!, id: visitId };
  const rows = Object.entries(frames).map(([id, stopKey]) => ({
    id,
    version: 1,
    value: { ...frame[ID.frame]!.value, visitId, stopKey },
  }));
  return {
    ...document,
    visitId,
    rows: {
      ...document.rows,
      visit: { [visitId]: { ...own, value: { ...own.value, startedAt: own.value.startedAt + days * DAY } } },
      frame: Object.fromEntries(rows.map((row) => [row.id, row])),
    },
    frameFacts: Object.fromEntries(
      rows.map(({ id }, i) => [
        id,
        { ...document.frameFacts[ID.frame]!, takenAt: new Date(Date.UTC(2026, 1, 1, i)).toISOString() },
      ]),
    ),
  };
}

const earlier = visitDocument();
earlier.rows.frame[ID.frame]!.value.stopKey = 'wall-1';
const own = visitAfter(OWN, 60, { [ID.other]: 'wall-2' });
const [item] = toProve(own, earlier);
const pair = pairFor(own, earlier, item!, ID.other, () => ID.finding);

describe('where a place was seen again', () => {
  test('on its own visit in the frame of the pair, on another in the last one of the same stop, in order of time', () => {
    const between = visitAfter(BETWEEN, 30, { [AGAIN]: 'wall-1', [LAST]: 'wall-1' });
    const seen = seenAgain(earlier, [own, between, earlier], pair);
    expect(seen.map(({ visit, frameId }) => [visit.visitId, frameId])).toEqual([
      [BETWEEN, LAST],
      [OWN, ID.other],
    ]);
  });

  test('not on a visit that did not stop there, nor from the other side', () => {
    const elsewhere = visitAfter(BETWEEN, 30, { [AGAIN]: 'wall-2', [LAST]: null });
    const outside = visitAfter(BETWEEN, 30, { [AGAIN]: 'wall-1' });
    outside.rows.frame[AGAIN]!.value.side = 'outside';
    for (const visit of [elsewhere, outside])
      expect(seenAgain(earlier, [visit, own], pair).map(({ frameId }) => frameId)).toEqual([ID.other]);
  });
});

describe('a place over visits', () => {
  const look = { insideC: 20, outsideC: 0, side: 'inside' as const, spaceC: null };
  const changed = (change: number | null, uncertainty: number | null): Change => ({
    name: 'bay',
    beforeC: 15,
    afterC: 16,
    factorBefore: 0.75,
    factorAfter: 0.8,
    change,
    uncertainty,
    verdict: change === null ? 'cannot-say' : 'better',
    why: change === null ? 'too-little-drive' : 'more-than-uncertain',
  });
  const between = visitAfter(BETWEEN, 30, {});

  test('begins with its factor, and goes on by what changed since, with a band of 95 %', () => {
    const course = courseOf('bay', earlier, look, [
      { visit: own, answer: { h: [], changes: [changed(0.1, 0.01)] } },
      { visit: between, answer: { h: [], changes: [changed(0.04, 0.02)] } },
    ]);
    expect(course.map(({ visitId }) => visitId)).toEqual([earlier.visitId, BETWEEN, OWN]);
    expect(course[0]).toMatchObject({ factor: 0.75, low: 0.75, high: 0.75 });
    expect(course[1]!.factor).toBeCloseTo(0.79, 10);
    expect(course[2]!.low).toBeCloseTo(0.85 - 0.0196, 10);
    expect(course[2]!.high).toBeCloseTo(0.85 + 0.0196, 10);
  });

  test('leaves out a visit on which it cannot be compared, and is empty where no other says anything', () => {
    const mild = { visit: between, answer: { h: [], changes: [changed(null, null)] } };
    expect(courseOf('bay', earlier, look, [mild]).map(({ visitId }) => visitId)).toEqual([earlier.visitId]);
    expect(courseOf('bay', earlier, look, [{ visit: between, answer: { problem: 'Another wall.' } }])).toEqual([]);
    expect(courseOf('bay', earlier, { ...look, insideC: 8, outsideC: 8 }, [mild])).toEqual([]);
  });
});
