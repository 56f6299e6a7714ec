import type { VisitDocument } from '../../model/document';
import type { Row } from '../../model/entities';
import { rowIdFrom } from '../../ground/rowId';

/**
 * Readings of the air that were noted by hand on a visit: of the house, or of a room with an air of its own. Rooms stand on many
 * visits, so that its id follows from both.
 */
export function byHandLog({ visitId, rows }: Pick<VisitDocument, 'visitId' | 'rows'>, roomId: string | null): Row<'log'> {
  const id = rowIdFrom(visitId, roomId === null ? 'log by hand' : `log by hand of ${roomId}`);
  const room = roomId === null ? null : (rows.room[roomId]?.value.name ?? null);
  const name = room ? `${room}: by hand` : 'By hand';
  return rows.log[id] ?? { id, version: 0, value: { visitId, roomId, name, entries: [] } };
}
