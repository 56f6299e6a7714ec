import { ID, visitDocument } from '../../testing/visit';
import { byHandLog } from './byHandLog';

describe('readings of the air by hand', () => {
  const document = visitDocument();
  const roomId = Object.keys(document.rows.room)[0]!;

  test('of the house and of each room are logs of their own, empty at first', () => {
    const [house, room] = [byHandLog(document, null), byHandLog(document, roomId)];
    expect(house.value).toEqual({ visitId: ID.visit, roomId: null, name: 'By hand', entries: [] });
    expect(room.value).toMatchObject({ roomId, name: `${document.rows.room[roomId]!.value.name}: by hand` });
    expect([house.version, room.version, house.id === room.id]).toEqual([0, 0, false]);
  });

  test('of one room are another log on another visit', () => {
    const later = { ...document, visitId: ID.frame };
    expect(byHandLog(later, roomId).id).not.toBe(byHandLog(document, roomId).id);
    expect(byHandLog(later, null).id).not.toBe(byHandLog(document, null).id);
  });

  test('go on where there are some', () => {
    const first = byHandLog(document, roomId);
    const entries = [{ at: 5, insideC: 4, outsideC: null, humidityPct: null }];
    const kept = { ...first, version: 3, value: { ...first.value, entries } };
    const noted = { ...document, rows: { ...document.rows, log: { [first.id]: kept } } };
    expect(byHandLog(noted, roomId)).toBe(kept);
  });
});
