import { randomBytes } from 'node:crypto';
import { existsSync, readFileSync } from 'node:fs';
import { createConnection, type Connection } from 'mysql2/promise';
import type { DataFolder } from './folder';
import { writeWhole } from './files';

/**
 * Accounts of the private database: `root` keeps it, `den` is the application's and reads and writes the live database,
 * `loader` fills a fresh database and reaches nothing else.
 */
export type Account = 'root' | 'den' | 'loader';

/** How to reach the database. */
export interface DatabaseAccess {
  port: number;
  passwords: Record<Account, string>;
}

const NAMES: Record<Account, string> = {
  root: 'DEN_DB_ROOT_PASSWORD',
  den: 'DEN_DB_PASSWORD',
  loader: 'DEN_DB_LOADER_PASSWORD',
};
const ACCOUNTS = Object.keys(NAMES) as Account[];

/** The passwords, made where there are none yet. */
export function passwordsIn(folder: DataFolder): Record<Account, string> {
  const lines = existsSync(folder.secrets) ? readFileSync(folder.secrets, 'utf8').split('\n') : [];
  const known = new Map(lines.map((line) => [line.split('=')[0]!, line.slice(line.indexOf('=') + 1)]));
  const missing = ACCOUNTS.filter((account) => !known.get(NAMES[account]));
  for (const account of missing) known.set(NAMES[account], randomBytes(24).toString('base64url'));
  if (missing.length > 0) {
    writeWhole(folder.secrets, ACCOUNTS.map((account) => `${NAMES[account]}=${known.get(NAMES[account])!}\n`).join(''));
  }
  return { root: known.get(NAMES.root)!, den: known.get(NAMES.den)!, loader: known.get(NAMES.loader)! };
}

/** A connection of its own; whoever asked ends it. */
function connect({ port, passwords }: DatabaseAccess, account: Account, database?: string): Promise<Connection> {
  return createConnection({
    host: '127.0.0.1',
    port,
    user: account,
    password: passwords[account],
    ...(database !== undefined && { database }),
    charset: 'utf8mb4',
    timezone: 'Z',
    // A machine that is busy with a build takes its time.
    connectTimeout: 15_000,
    // Values as the database writes them: exact, and the same on the way out and in.
    dateStrings: true,
    supportBigNumbers: true,
    bigNumberStrings: true,
  });
}

/** Runs the rest with a connection and ends it. */
export async function withConnection<T>(
  access: DatabaseAccess,
  account: Account,
  database: string | undefined,
  run: (connection: Connection) => Promise<T>,
): Promise<T> {
  const connection = await connect(access, account, database);
  try {
    return await run(connection);
  } finally {
    connection.destroy();
  }
}
