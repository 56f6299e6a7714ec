import * as z from 'zod';

/**
 * A backup is data: a ZIP in which nothing is packed, so that it never becomes more than it is. `manifest.json` says what is
 * in it, `rows/TABLE.ndjson` holds the rows of a table (an array of texts or null a line, in the order of the manifest's
 * columns, as the database writes them; bytes of fixed length as hexadecimal), `blobs/SHA256` the bytes of files and pixels.
 */
export const MANIFEST = 'manifest.json';
export const BACKUP_FORMAT = 'glow-den-backup';
/** Grows when an older Glow Den could not read the file any more. */
export const BACKUP_VERSION = 1;

/** The table whose rows are files of their own. */
export const BLOB_TABLE = 'blob';

const tableName = z.string().regex(/^[a-z_]{1,64}$/);
const columnName = z.string().regex(/^[a-zA-Z0-9_]{1,64}$/);
const count = z.number().int().min(0);
const sha256 = z.string().regex(/^[0-9a-f]{64}$/);

export const manifestSchema = z.object({
  format: z.literal(BACKUP_FORMAT),
  version: z.number().int().min(1),
  madeAt: z.iso.datetime(),
  /** Hashes of the migrations that the database had seen, the oldest first. */
  migrations: z.array(sha256).min(1).max(10_000),
  tables: z.record(tableName, z.object({ columns: z.array(columnName).min(1).max(200), rows: count, bytes: count, sha256 })),
  blobs: z.object({ count, bytes: count }),
});
export type Manifest = z.infer<typeof manifestSchema>;

/** One row of a table: texts as the database writes them, null, bytes of fixed length as hexadecimal. */
export type RowTexts = (string | null)[];

export interface TableRows {
  table: string;
  /** null where the file does not name them: then they are those of the table, in its order. */
  columns: string[] | null;
  rows: AsyncIterable<RowTexts>;
}

export interface Blob {
  sha: string;
  bytes: Uint8Array;
}

/** A backup that was opened, whatever its kind: rows and bytes to be put into a fresh database. */
export interface BackupSource {
  /** Which migrations the fresh database has to see before the rows fit. */
  migrations: string[];
  /** For progress: everything that is read once. */
  totalBytes: number;
  /** Every table with its rows, then the bytes, in the order in which the file holds them. */
  contents(): AsyncIterable<TableRows | { blobs: AsyncIterable<Blob> }>;
  /** Rows of each table, as they were counted when the file was opened; bytes count as rows of their table. */
  counts: Record<string, number>;
  /** The database's own checksums of its tables, where the file has them. */
  checksums: Record<string, string> | null;
  close(): void;
}
