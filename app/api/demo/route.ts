import { database } from '@data/connection';
import { seedDemo } from '@server/demo/seedDemo';
import { handle } from '../handle';

/** Makes the demo visit, for those who started without it. */
export async function POST(request: Request): Promise<Response> {
  return handle(request, async () => Response.json({ visitId: await seedDemo(database()) }));
}
