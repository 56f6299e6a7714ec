import { readMigrationFiles } from 'drizzle-orm/migrator';
import type { Connection, RowDataPacket } from 'mysql2/promise';
import { inRoot } from '../root';

export interface Migration {
  /** sha256 of its file. */
  hash: string;
  madeAt: number;
  statements: string[];
}

/** The migrations that this version of Glow Den knows, the oldest first. */
export function knownMigrations(folder = inRoot('data', 'migrations')): Migration[] {
  return readMigrationFiles({ migrationsFolder: folder }).map(({ hash, folderMillis, sql }) => ({
    hash,
    madeAt: folderMillis,
    statements: sql,
  }));
}

/** Where it is written which migrations a database has seen; the name is drizzle's, so that its tools agree. */
export const JOURNAL = '__drizzle_migrations';

/** Hashes of the migrations that a database has seen, the oldest first; empty for one that never finished its first. */
export async function appliedMigrations(connection: Connection, database: string): Promise<string[]> {
  const [tables] = await connection.query<RowDataPacket[]>(
    'SELECT 1 FROM information_schema.tables WHERE table_schema = ? AND table_name = ?',
    [database, JOURNAL],
  );
  if (tables.length === 0) return [];
  const [rows] = await connection.query<RowDataPacket[]>('SELECT hash FROM ??.?? ORDER BY created_at', [database, JOURNAL]);
  return rows.map(({ hash }) => String(hash));
}

/**
 * Brings a fresh database, to which the connection belongs, up to a number of migrations. It is not undone when it fails:
 * the database is a new one beside the live one, and is thrown away.
 *
 * @param onStatement - before each statement, with how many are done and how many there are
 */
export async function applyMigrations(
  connection: Connection,
  migrations: readonly Migration[],
  onStatement: (done: number, total: number) => void = () => undefined,
): Promise<void> {
  await connection.query(`CREATE TABLE IF NOT EXISTS ${JOURNAL} (id SERIAL PRIMARY KEY, hash TEXT NOT NULL, created_at BIGINT)`);
  const total = migrations.reduce((sum, { statements }) => sum + statements.length, 0);
  let done = 0;
  for (const { statements, hash, madeAt } of migrations) {
    for (const statement of statements) {
      onStatement(done, total);
      await connection.query(statement);
      done += 1;
    }
    await connection.query(`INSERT INTO ${JOURNAL} (hash, created_at) VALUES (?, ?)`, [hash, madeAt]);
  }
}
