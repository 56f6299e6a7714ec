import { mkdirSync, rmSync } from 'node:fs';
import path from 'node:path';
import type { Connection } from 'mysql2/promise';
import { closeDatabase, database, type Database } from '@data/connection';
import { withConnection, type DatabaseAccess } from './access';
import { allowLoading, allowWork } from './accounts';
import { databaseEnvironment } from './application';
import { DatabaseServer } from './databaseServer';
import { folderAt, type DataFolder } from './folder';
import { makeFirst } from './fresh';
import { findLive, freshName, setLive } from './live';
import { applyMigrations, knownMigrations } from './migrations';

/** A real MariaDB in a folder of its own, for tests. */
export interface TestDatabase {
  folder: DataFolder;
  server: DatabaseServer;
  access: DatabaseAccess;
  asRoot<T>(run: (root: Connection) => Promise<T>): Promise<T>;
  end(): Promise<void>;
}

export async function testDatabase(name: string): Promise<TestDatabase> {
  return databaseIn(path.resolve('.den', 'test', `database-${name}`));
}

/** Begins anew in a data folder. */
export async function databaseIn(root: string): Promise<TestDatabase> {
  rmSync(root, { recursive: true, force: true });
  mkdirSync(root, { recursive: true });
  const folder = folderAt(root);
  const server = await DatabaseServer.start(folder);
  return {
    folder,
    server,
    access: server.access,
    asRoot: (run) => withConnection(server.access, 'root', undefined, run),
    async end() {
      await server.stop();
      rmSync(root, { recursive: true, force: true });
    },
  };
}

/** An empty live database with all tables, and the application's way to it. */
export async function liveDatabase(test: TestDatabase): Promise<Database> {
  await makeFirst(test.access, test.folder, null);
  const name = await test.asRoot(async (root) => {
    const live = (await findLive(root, test.folder))!;
    await allowWork(root, test.access, live.database);
    return live.database;
  });
  await closeDatabase();
  Object.assign(process.env, databaseEnvironment(test.access.port, 'den', test.access.passwords.den, name));
  return database();
}

/** A live database as an older version left it: only the first migrations, and what a statement puts into it. */
export async function olderDatabase(test: TestDatabase, migrations: number, statements: string[]): Promise<void> {
  await test.asRoot(async (root) => {
    const name = await freshName(root);
    await root.query('CREATE DATABASE ?? CHARACTER SET utf8mb4 COLLATE utf8mb4_uca1400_ai_ci', [name]);
    await allowLoading(root, test.access, name);
    await withConnection(test.access, 'loader', name, async (loader) => {
      await applyMigrations(loader, knownMigrations().slice(0, migrations));
      for (const statement of statements) await loader.query(statement);
    });
    setLive(test.folder, { database: name, previous: null });
  });
}
