import { within } from '@data/asking';
import { asking } from '@server/asking';
import { makePracticeHouse } from '@server/demo/practiceHouse';
import { handle } from '../handle';

/** Makes a house to practise on, whole or not at all. */
export async function POST(request: Request): Promise<Response> {
  return handle(request, async () => {
    const who = asking();
    const visitId = await who.db.transaction((tx) => makePracticeHouse(within(who, tx), Date.now()));
    return Response.json({ visitId });
  });
}
