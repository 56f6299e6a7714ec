import { CoreError } from '@core/errors';
import { commandSchema } from '@core/visit/command';
import { database } from '@data/connection';
import { carryOut } from '@data/queries/commands';
import { handle } from '../handle';

/** One change of one row; see core/visit/command. */
export async function POST(request: Request): Promise<Response> {
  return handle(request, async () => {
    const checked = commandSchema.safeParse(await request.json().catch(() => null));
    if (!checked.success) {
      const issue = checked.error.issues[0]!;
      const place = issue.path.filter((part) => part !== 'value').join('.');
      throw new CoreError(
        'bad_input',
        `${place || 'The change'} ${issue.message}.`,
        { argument: place },
        'Correct the field and try again.',
      );
    }
    const outcome = await carryOut(database(), checked.data);
    if (outcome.kind === 'done') return Response.json(outcome.answer);
    const error = new CoreError(
      'stale',
      'This was changed in another tab meanwhile; nothing was overwritten.',
      {},
      'Choose which of the two to keep.',
    );
    return Response.json({ error: error.toJSON(), stored: outcome.stored }, { status: 409 });
  });
}
