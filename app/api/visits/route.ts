import { CoreError } from '@core/errors';
import { newVisitSchema } from '@core/visit/newVisit';
import { database } from '@data/connection';
import { createVisit } from '@data/queries/visits';
import { handle } from '../handle';

/** Begins a visit of a new site. */
export async function POST(request: Request): Promise<Response> {
  return handle(request, async () => {
    const checked = newVisitSchema.safeParse(await request.json().catch(() => null));
    if (!checked.success) {
      const issue = checked.error.issues[0]!;
      throw new CoreError(
        'bad_input',
        `${issue.path.join('.') || 'The visit'} ${issue.message}.`,
        { argument: issue.path.join('.') },
        'Correct the field.',
      );
    }
    const { visitId } = await createVisit(database(), checked.data);
    return Response.json({ visitId });
  });
}
