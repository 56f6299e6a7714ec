import type { RoomKind } from './houseKinds';
import type { RoomValue } from './roomRow';

/** Kinds of rooms that usually have an air of their own. */
const OWN_AIR: readonly RoomKind[] = ['loft', 'cellar', 'garage'];

/** Whether a room is heated or cooled with the house: as somebody said, else as rooms of its kind usually are. */
export function isHeated({ kind, heated }: Pick<RoomValue, 'kind' | 'heated'>): boolean {
  return heated ?? !OWN_AIR.includes(kind);
}
