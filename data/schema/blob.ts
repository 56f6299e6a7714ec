import { int, mysqlTable } from 'drizzle-orm/mysql-core';
import { longBytes } from '../columns/bytes';
import { sha256 } from '../columns/sha256';

/** Bytes by their hash: originals as they came, decoded pixels, thumbnails. The same bytes are stored once. */
export const blob = mysqlTable('blob', {
  sha: sha256().primaryKey(),
  size: int().notNull(),
  bytes: longBytes().notNull(),
});
