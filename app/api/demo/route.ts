import { database } from '@data/connection';
import { seedDemo } from '@server/demo/seedDemo';
import { handle } from '../handle';

/** Makes the demo visit, for those who started without it: all of it or nothing. */
export async function POST(request: Request): Promise<Response> {
  return handle(request, async () => Response.json({ visitId: await database().transaction((tx) => seedDemo(tx)) }));
}
