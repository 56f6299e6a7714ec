import type { VisitDocument } from '../../model/document';
import { rowIdFrom } from '../../ground/rowId';
import { ID, visitDocument } from '../../testing/visit';
import { originOf } from './originOf';

const LOGGER = '0192f0a0-0000-7000-8000-0000000000d1';
const OTHER_ROOM = '0192f0a0-0000-7000-8000-0000000000d2';

/** With readings of the air around the frame's own time. */
function logged(id: string, roomId: string | null, hoursAway = 0): VisitDocument {
  const document = visitDocument();
  const at = Date.parse(document.frameFacts[ID.frame]!.takenAt) + hoursAway * 3_600_000;
  const entries = [{ at, insideC: 19, outsideC: null, humidityPct: null }];
  document.rows.log = { [id]: { id, version: 1, value: { visitId: ID.visit, roomId, name: 'Shelf logger', entries } } };
  return document;
}

describe('where a setting comes from', () => {
  test('what a person set is said, what follows is computed, what nobody told is assumed', () => {
    const document = visitDocument();
    const of = (origin: Parameters<typeof originOf>[3]) => originOf(document, ID.frame, 'emissivity', origin).source;
    expect((['visit', 'surface', 'frame', 'region'] as const).map(of)).toEqual(['said', 'said', 'said', 'said']);
    expect(of('path')).toBe('computed');
    expect((['air', 'sky', 'default'] as const).map(of)).toEqual(['assumed', 'assumed', 'assumed']);
  });

  test.each([
    ['the conditions of the visit', visitDocument(), 'said', 'from the conditions'],
    ['a logger of the house', logged(LOGGER, null), 'logger', 'read by the logger Shelf logger'],
    ['a logger of its room', logged(LOGGER, ID.room), 'logger', 'read by the logger Shelf logger'],
    ['a logger of another room', logged(LOGGER, OTHER_ROOM), 'said', 'from the conditions'],
    ['a logger of another hour', logged(LOGGER, null, 5), 'said', 'from the conditions'],
    ['a reading by hand', logged(rowIdFrom(ID.visit, 'log by hand'), null), 'said', 'read by hand at that time'],
  ] as const)('air by %s', (_, document, source, words) => {
    expect(originOf(document, ID.frame, 'airC', 'conditions')).toMatchObject({ source, words });
  });

  test('humidity that the logger does not tell is that of the conditions', () => {
    expect(originOf(logged(LOGGER, null), ID.frame, 'humidityPct', 'conditions').words).toBe('from the conditions');
  });
});
