import { drizzle, type MySql2Database } from 'drizzle-orm/mysql2';
import { createPool, type Pool } from 'mysql2/promise';
import * as schema from './schema';

export type Database = MySql2Database<typeof schema>;
/** A connection inside a transaction reads and writes like the database itself. */
export type Connection = Database | Parameters<Parameters<Database['transaction']>[0]>[0];

function fromEnvironment(name: string): string {
  const value = process.env[name];
  if (!value) throw new Error(`${name} is not set; start the application with ./den start.`);
  return value;
}

function openPool(): Pool {
  return createPool({
    host: '127.0.0.1',
    port: Number(fromEnvironment('DEN_DB_PORT')),
    user: fromEnvironment('DEN_DB_USER'),
    password: fromEnvironment('DEN_DB_PASSWORD'),
    database: 'glowden',
    timezone: 'Z',
    connectionLimit: 8,
    charset: 'utf8mb4',
  });
}

// One pool a process: development reloads modules, and each reload would open another.
const shared = globalThis as { denDatabase?: Database; denPool?: Pool };

export function database(): Database {
  shared.denPool ??= openPool();
  shared.denDatabase ??= drizzle(shared.denPool, { schema, mode: 'planetscale' });
  return shared.denDatabase;
}

/** Lets a script end. */
export async function closeDatabase(): Promise<void> {
  await shared.denPool?.end();
  delete shared.denPool;
  delete shared.denDatabase;
}
