import { removalQuestionSchema, type RemovalQuestion } from '@core/model/removalWords';
import { postAgain } from '@ui/server/api';

/**
 * What follows from removing rows that others, which this page does not hold, may name.
 *
 * @throws CoreError as the server refuses
 */
export function askRemoval(entity: 'visit' | 'site' | 'frame' | 'finding', ids: readonly string[]): Promise<RemovalQuestion> {
  return postAgain('/api/removal', { entity, ids }, removalQuestionSchema);
}
