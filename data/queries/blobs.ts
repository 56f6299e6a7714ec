import { createHash } from 'node:crypto';
import { eq } from 'drizzle-orm';
import { CoreError } from '@core/errors';
import type { Connection } from '../connection';
import { blob } from '../schema';

export function shaOf(bytes: Uint8Array): string {
  return createHash('sha256').update(bytes).digest('hex');
}

/** Stores bytes under their hash; bytes that are there already are left alone. */
export async function putBlob(connection: Connection, bytes: Uint8Array): Promise<string> {
  const sha = shaOf(bytes);
  await connection
    .insert(blob)
    .ignore()
    .values({ sha, size: bytes.length, bytes: Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength) });
  return sha;
}

export async function getBlob(connection: Connection, sha: string): Promise<Buffer> {
  const [row] = await connection.select({ bytes: blob.bytes }).from(blob).where(eq(blob.sha, sha));
  if (!row) throw new CoreError('not_found', 'These bytes are not stored.', { value: sha }, 'Reload the page.');
  return row.bytes;
}
