import { CoreError } from '@core/errors';
import { commandSchema } from '@core/visit/command';
import { database } from '@data/connection';
import { carryOut } from '@data/queries/commands';
import { handle, refused } from '../handle';
import { requireBody } from '../readBody';

/** One change of one row; see core/visit/command. */
export async function POST(request: Request): Promise<Response> {
  return handle(request, async () => {
    const outcome = await carryOut(database(), await requireBody(request, commandSchema, 'The change'));
    if (outcome.kind === 'done') return Response.json(outcome.answer);
    const error = new CoreError(
      'stale',
      'This was changed in another tab meanwhile; nothing was overwritten.',
      {},
      'Choose which of the two to keep.',
    );
    return refused(error, { stored: outcome.stored });
  });
}
