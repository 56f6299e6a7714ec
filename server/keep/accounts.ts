import type { Connection } from 'mysql2/promise';
import type { Account, DatabaseAccess } from './access';

/** What filling a fresh database takes: its tables and their rows, nothing that runs by itself. */
const LOADING = 'SELECT, INSERT, UPDATE, DELETE, CREATE, ALTER, DROP, INDEX, REFERENCES';
/** What the application does. */
const WORKING = 'SELECT, INSERT, UPDATE, DELETE';

/** Makes an account whose rights are these on one database and none elsewhere. None of ours may read or write files. */
async function grant(
  root: Connection,
  { passwords }: DatabaseAccess,
  account: Exclude<Account, 'root'>,
  rights: string,
  database: string,
): Promise<void> {
  await root.query('CREATE USER IF NOT EXISTS ?@?', [account, '127.0.0.1']);
  await root.query('ALTER USER ?@? IDENTIFIED BY ?', [account, '127.0.0.1', passwords[account]]);
  await root.query('REVOKE ALL PRIVILEGES, GRANT OPTION FROM ?@?', [account, '127.0.0.1']);
  // An underscore in a grant stands for any character.
  await root.query(`GRANT ${rights} ON ??.* TO ?@?`, [database.replaceAll('_', '\\_'), account, '127.0.0.1']);
}

export function allowWork(root: Connection, access: DatabaseAccess, database: string): Promise<void> {
  return grant(root, access, 'den', WORKING, database);
}

export function allowLoading(root: Connection, access: DatabaseAccess, database: string): Promise<void> {
  return grant(root, access, 'loader', LOADING, database);
}

/** Takes the loader away again: what it filled is live now, and nobody needs it. */
export async function endLoading(root: Connection): Promise<void> {
  await root.query('DROP USER IF EXISTS loader@127.0.0.1');
}
