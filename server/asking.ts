import type { Actor, Asking } from '@data/asking';
import { database, snapshot } from '@data/connection';

/** Until accounts exist, whoever sits at this machine. */
const HERE: Actor = { name: 'this machine' };

/** What routes, pages and scripts ask the database with. Nobody else opens it. */
export function asking(): Asking {
  return { db: database(), actor: HERE, snapshot };
}
