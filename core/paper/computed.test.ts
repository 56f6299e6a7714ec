import type { VisitDocument } from '../model/document';
import { normalFrom, seededRandom } from '../ground/random';
import { KEPT_SCHEMAS } from './kept';
import { pairFor, toProve } from '../work/proof/toProve';
import { huntOf } from '../work/water/huntOf';
import { ID, visitDocument, wallPixels } from '../testing/visit';
import { computedFor, wantedBy, type Had } from './computed';
import type { Paper } from './papers';

const LATER = '0192f0a0-0000-7000-8000-0000000000f1';
const PAIR = '0192f0a0-0000-7000-8000-0000000000f2';

/** A visit after works with one pair, and with four frames of a floor a minute apart. */
function visits(): { earlier: VisitDocument; document: VisitDocument } {
  const earlier = visitDocument();
  const document = visitDocument();
  const [visit] = Object.values(document.rows.visit);
  document.visitId = LATER;
  document.rows.visit = { [LATER]: { ...visit!, id: LATER } };
  for (const row of Object.values(document.rows.conditions)) row.value.visitId = LATER;
  document.rows.finding = {};
  let n = 0;
  const value = pairFor(document, earlier, toProve(document, earlier)[0]!, ID.other, () => `region-${(n += 1)}`);
  document.rows.pair = { [PAIR]: { id: PAIR, version: 1, value } };
  const like = document.rows.frame[ID.frame]!.value;
  for (let i = 0; i < 4; i += 1) {
    const id = `0192f0a0-0000-7000-8000-00000000010${i}`;
    document.rows.frame[id] = { id, version: 1, value: { ...like, stopKey: 'floor-1' } };
    const takenAt = new Date(Date.UTC(2026, 1, 2, 10, i)).toISOString();
    document.frameFacts[id] = { ...document.frameFacts[ID.frame]!, takenAt, pixelsSha: `floor ${i}` };
  }
  const hunt = huntOf(document);
  document.rows.hunt = { [hunt.id]: { ...hunt, version: 1 } };
  // Copies: what was derived from these rows already is not taken for what is made of them later.
  return structuredClone({ earlier, document });
}

const wanted = (paper: Paper, change: (document: VisitDocument, earlier: VisitDocument) => void = () => undefined) => {
  const { earlier, document } = visits();
  change(document, earlier);
  return wantedBy(document, [earlier], paper);
};
/** A wall, each time with other noise. */
const pixels = (id: string) => {
  const normal = normalFrom(seededRandom(Number(`0x${id.slice(-3)}`)));
  return wallPixels().map((value) => value + 0.02 * normal());
};
const noPhoto = () => undefined;

describe('what a paper rests on', () => {
  test('pairs and a leak in the report, one of them on its own paper, neither on others', () => {
    const kinds = (paper: Paper) => wanted(paper).map(({ kind, of }) => `${kind} ${of}`);
    expect(kinds('report')).toEqual([`answer ${PAIR}`, `leak ${LATER}`]);
    expect(kinds('proof')).toEqual([`answer ${PAIR}`]);
    expect(kinds('leak')).toEqual([`leak ${LATER}`]);
    expect(kinds('heating')).toEqual([]);
  });

  const FLOOR = '0192f0a0-0000-7000-8000-000000000102';
  const ANSWER = 'answer';
  const LEAK = 'leak';
  test.each<[string, string[], (document: VisitDocument, earlier: VisitDocument) => void]>([
    ['the name of the visit', [], (document) => (document.rows.visit[LATER]!.value.title = 'Another')],
    ['a note on the pair', [], (document) => (document.rows.pair[PAIR]!.value.note = 'Seen.')],
    ['the wall that was said', [ANSWER], (document) => (document.rows.pair[PAIR]!.value.wall = 'brick')],
    [
      'a point marked in both',
      [ANSWER],
      (document) => document.rows.pair[PAIR]!.value.points.push({ before: [1, 1], after: [2, 2] }),
    ],
    [
      'the shape of a region',
      [ANSWER],
      (document) => (document.rows.pair[PAIR]!.value.regions[0]!.shape = { kind: 'box', x: 1, y: 1, width: 5, height: 5 }),
    ],
    ['the air of the earlier visit', [ANSWER], (_, earlier) => (Object.values(earlier.rows.conditions)[0]!.value.outsideC = -3)],
    ['pixels of the earlier frame', [ANSWER], (_, earlier) => (earlier.frameFacts[ID.frame]!.pixelsSha = 'turned')],
    ['pixels of a floor’s frame', [LEAK], (document) => (document.frameFacts[FLOOR]!.pixelsSha = 'turned')],
    ['the clock of a floor’s frame', [LEAK], (document) => (document.frameFacts[FLOOR]!.takenAt = '2026-02-02T10:02:20.000Z')],
    ['a frame of the floor taken back', [LEAK], (document) => (document.rows.frame[FLOOR]!.value.discarded = true)],
    ['the water’s temperature', [LEAK], (document) => (Object.values(document.rows.hunt)[0]!.value.waterC = 44)],
    [
      'the emissivity of the visit',
      [ANSWER, LEAK],
      (document) => {
        for (const row of Object.values(document.rows.settings)) {
          row.value.emissivity = 0.8;
          row.value.ownerId = LATER;
        }
      },
    ],
  ])('%s makes exactly its own results old: %j', (_, old, change) => {
    const before = wanted('report');
    const after = wanted('report', change);
    const changed = after.filter(({ inputs }, i) => inputs !== before[i]!.inputs).map(({ kind }) => kind);
    expect(changed).toEqual(old);
  });

  test('is found out once: what is had is neither found again nor changed', () => {
    const { earlier, document } = visits();
    const first = computedFor(document, [earlier], 'report', pixels, noPhoto, []);
    expect(first.made.map(({ kind }) => kind)).toEqual(['answer', 'leak']);
    for (const { kind, value } of first.made) expect(KEPT_SCHEMAS[kind].parse(JSON.parse(JSON.stringify(value)))).toEqual(value);
    const said: Had = { kind: 'answer', of: PAIR, value: { problem: 'As it was kept.' } };
    const second = computedFor(document, [earlier], 'report', pixels, noPhoto, [said, first.made[1]!]);
    expect(second.made).toEqual([]);
    expect(second.computed.proven[0]!.answer).toEqual({ problem: 'As it was kept.' });
    expect(second.computed.leak).toEqual(first.computed.leak);
  });

  test('a series with a frame missing is not looked through: it would seem too short', () => {
    const { earlier, document } = visits();
    const without = (id: string) => (id === FLOOR ? undefined : wallPixels());
    const { computed, made } = computedFor(document, [earlier], 'report', without, noPhoto, []);
    expect(computed.leak).toBeNull();
    expect(made.map(({ kind }) => kind)).toEqual(['answer']);
  });
});
