import type { Entity } from '@core/model/entities';
import type { RemovalQuestion } from '@core/model/removalWords';
import type { Asking } from '../asking';
import { askRemoval } from '../rows/remove';

/** What follows from removing rows for good, as people are asked before. */
export function loadRemoval(asking: Asking, entity: Entity, ids: readonly string[]): Promise<RemovalQuestion> {
  return asking.snapshot((tx) => askRemoval(tx, entity, ids));
}
