import { ID, visitDocument } from '../../testing/visit';
import { takenAtOf } from './frames';
import { hoursOf, usualReadAt } from './readAt';
import { visitRow } from './theVisit';

const HOUR = 3_600_000;

describe('when the air was read', () => {
  const document = visitDocument();
  const { startedAt } = visitRow(document).value;
  const frameAt = Date.parse(takenAtOf(document, ID.frame));

  test('hours of a visit hold its start and all its frames', () => {
    const { from, to } = hoursOf(document);
    expect(from).toBeLessThanOrEqual(Math.min(startedAt, frameAt));
    expect(to).toBeGreaterThanOrEqual(Math.max(startedAt + 12 * HOUR, frameAt + HOUR));
  });

  test('is now until the visit is over', () => {
    const { from, to } = hoursOf(document);
    for (const now of [from - HOUR, startedAt + HOUR, to]) expect(usualReadAt(document, null, now)).toBe(now);
  });

  test('and afterwards beside the last frame: of the room, else of the visit, else when it began', () => {
    const late = startedAt + 90 * 24 * HOUR;
    const last = Math.max(...Object.keys(document.rows.frame).map((id) => Date.parse(takenAtOf(document, id))));
    expect(usualReadAt(document, null, late)).toBe(last);
    const roomId = document.rows.frame[ID.frame]!.value.roomId!;
    const there = Object.values(document.rows.frame).filter(({ value }) => value.roomId === roomId);
    expect(usualReadAt(document, roomId, late)).toBe(Math.max(...there.map(({ id }) => Date.parse(takenAtOf(document, id)))));
    expect(usualReadAt(document, 'a room without a frame', late)).toBe(last);
    const bare = visitDocument();
    bare.rows.frame = {};
    expect(usualReadAt(bare, null, late)).toBe(startedAt);
  });
});
