import { drizzle, type MySql2Database } from 'drizzle-orm/mysql2';
import { createPool, type Pool } from 'mysql2/promise';
import { asCoreError } from './databaseError';
import * as schema from './schema';

export type Database = MySql2Database<typeof schema>;
/** A connection inside a transaction reads and writes like the database itself. */
export type Connection = Database | Parameters<Parameters<Database['transaction']>[0]>[0];

/**
 * Connections for reading, for transactions and for bytes. Apart, so that however many write, pages are still answered, and
 * a transaction that stores bytes never waits for its own like.
 */
const SIZES = { readers: 6, writers: 6, bytes: 3 };

function fromEnvironment(name: string): string {
  const value = process.env[name];
  if (!value) throw new Error(`${name} is not set; start the application with ./den start.`);
  return value;
}

function openPool(connectionLimit: number): Pool {
  return createPool({
    host: '127.0.0.1',
    port: Number(fromEnvironment('DEN_DB_PORT')),
    user: fromEnvironment('DEN_DB_USER'),
    password: fromEnvironment('DEN_DB_PASSWORD'),
    database: fromEnvironment('DEN_DB_NAME'),
    timezone: 'Z',
    connectionLimit,
    connectTimeout: 5000,
    charset: 'utf8mb4',
  });
}

type Pools = Record<keyof typeof SIZES, Pool>;

// One set of pools a process: development reloads modules, and each reload would open another.
const shared = globalThis as { denDatabase?: Database; denReaders?: Database; denPools?: Pools };

function pools(): Pools {
  shared.denPools ??= {
    readers: openPool(SIZES.readers),
    writers: openPool(SIZES.writers),
    bytes: openPool(SIZES.bytes),
  };
  return shared.denPools;
}

/** Transactions take their connection from the writers' pool, everything else from the readers'. */
function parted({ readers, writers }: Pools): Pool {
  return new Proxy(readers, {
    get(target, name) {
      if (name === 'getConnection') return () => writers.getConnection();
      const value: unknown = Reflect.get(target, name, target);
      return typeof value === 'function' ? value.bind(target) : value;
    },
  });
}

export function database(): Database {
  shared.denDatabase ??= drizzle(parted(pools()), { schema, mode: 'planetscale' });
  return shared.denDatabase;
}

/** Reads several things as they were at one moment. */
export function snapshot<T>(work: (tx: Connection) => Promise<T>): Promise<T> {
  shared.denReaders ??= drizzle(pools().readers, { schema, mode: 'planetscale' });
  return shared.denReaders.transaction(work, { isolationLevel: 'repeatable read', withConsistentSnapshot: true });
}

/** The largest file is stored within a second; what takes longer than this waits for an answer that was lost, ms. */
const BYTES_WITHIN_MS = 20_000;

/**
 * Sends a statement with large values as bytes: drizzle would write them as text, twice as long. The driver sometimes never
 * answers a prepared statement whose connection was lost, so it is given up after a while.
 */
export async function sendBytes(statement: string, values: (Buffer | number)[]): Promise<void> {
  let timer: NodeJS.Timeout | undefined;
  const late = new Promise<never>((_, reject) => {
    timer = setTimeout(() => reject(Object.assign(new Error('no answer'), { code: 'ETIMEDOUT' })), BYTES_WITHIN_MS);
  });
  await Promise.race([pools().bytes.execute(statement, values), late]).finally(() => clearTimeout(timer));
}

/** @throws CoreError `busy` when the database does not answer */
export async function requireDatabase(): Promise<void> {
  const silent = new Promise<never>((_, reject) => setTimeout(() => reject(new Error('no answer')), 2000).unref());
  await Promise.race([pools().readers.query('SELECT 1'), silent]).catch((error: unknown) => {
    throw asCoreError(error) ?? asCoreError({ code: 'ETIMEDOUT' })!;
  });
}

/** Lets a script end. */
export async function closeDatabase(): Promise<void> {
  for (const pool of Object.values(shared.denPools ?? {})) await pool.end();
  delete shared.denPools;
  delete shared.denDatabase;
  delete shared.denReaders;
}
