import { CoreError } from '@core/ground/errors';
import { commandSchema } from '@core/model/command';
import { asking } from '@server/asking';
import { carryOut } from '@data/queries/commands';
import { handle, refused } from '../handle';
import { requireBody } from '../readBody';

/** A step over all frames of a visit. */
const MAX_STEP_BYTES = 8 * 1024 * 1024;

/** A person's step; see core/model/command. */
export async function POST(request: Request): Promise<Response> {
  return handle(request, async () => {
    const outcome = await carryOut(asking(), await requireBody(request, commandSchema, 'The change', MAX_STEP_BYTES));
    if (outcome.kind === 'done') return Response.json(outcome.answer);
    const error = new CoreError(
      'stale',
      'Some of this was changed in another tab meanwhile; nothing was overwritten.',
      {},
      'Choose what to keep.',
    );
    return refused(error, { stale: outcome.stale });
  });
}
