import { within } from '@data/asking';
import { asking } from '@server/asking';
import { seedDemo } from '@server/demo/seedDemo';
import { handle } from '../handle';

/** Makes the demo visit, for those who started without it: all of it or nothing. */
export async function POST(request: Request): Promise<Response> {
  return handle(request, async () => Response.json({ visitId: await makeDemo() }));
}

async function makeDemo(): Promise<string> {
  const who = asking();
  return who.db.transaction((tx) => seedDemo(within(who, tx)));
}
