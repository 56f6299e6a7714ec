import type { Connection } from 'mysql2/promise';
import { CoreError } from '@core/ground/errors';
import { withConnection, type DatabaseAccess } from './access';
import { allowLoading, endLoading } from './accounts';
import { loadBackup } from './backup/load';
import type { BackupSource } from './backup/manifest';
import type { DataFolder } from './folder';
import { findLive, freshName, setLive } from './live';
import { applyMigrations, knownMigrations } from './migrations';
import { progress } from './say';

/**
 * Fills a fresh database beside the live one and then makes it the live one, whole or not at all: until the last step nothing
 * of what is there is touched, and what is left of a try that was cut off is dropped by the next command.
 *
 * @param fill - with an account that reaches the fresh database only
 */
async function replaceLive(
  access: DatabaseAccess,
  folder: DataFolder,
  fill: (loader: Connection, database: string) => Promise<void>,
): Promise<void> {
  await withConnection(access, 'root', undefined, async (root) => {
    const before = await findLive(root, folder);
    const database = await freshName(root);
    await root.query('CREATE DATABASE ?? CHARACTER SET utf8mb4 COLLATE utf8mb4_uca1400_ai_ci', [database]);
    try {
      await allowLoading(root, access, database);
      await withConnection(access, 'loader', database, (loader) => fill(loader, database));
    } catch (error) {
      await root.query('DROP DATABASE IF EXISTS ??', [database]).catch(() => undefined);
      throw error;
    } finally {
      await endLoading(root).catch(() => undefined);
    }
    setLive(folder, { database, previous: before?.database ?? null });
  });
}

/** The first database of a data folder. @param seed - fills it with the demo */
export function makeFirst(
  access: DatabaseAccess,
  folder: DataFolder,
  seed: ((database: string) => Promise<void>) | null,
): Promise<void> {
  return replaceLive(access, folder, async (loader, database) => {
    await applyMigrations(loader, knownMigrations(), progress('Making the tables …'));
    await seed?.(database);
  });
}

/**
 * Replaces all data by a backup's, brought up to date.
 *
 * @param onStatement - before each statement of a migration, for tests of what a power cut does
 * @throws CoreError `unsupported` for a backup of a newer version, and as loading does
 */
export function replaceBy(
  access: DatabaseAccess,
  folder: DataFolder,
  source: BackupSource,
  what: string,
  onStatement?: (done: number, total: number) => void,
): Promise<void> {
  const known = knownMigrations();
  const of = source.migrations.length;
  if (of > known.length || source.migrations.some((hash, i) => hash !== known[i]!.hash)) {
    throw new CoreError(
      'unsupported',
      'The backup was made by a newer or another version of Glow Den.',
      {},
      'Your data is as it was. Restore it with the version that made it.',
    );
  }
  return replaceLive(access, folder, async (loader, database) => {
    await applyMigrations(loader, known.slice(0, of));
    await loadBackup(loader, database, source, progress(what));
    await applyMigrations(loader, known.slice(of), onStatement);
  });
}
