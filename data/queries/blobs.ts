import { createHash } from 'node:crypto';
import { eq } from 'drizzle-orm';
import { CoreError } from '@core/errors';
import { sendBytes, type Connection } from '../connection';
import { blob } from '../schema';

export function shaOf(bytes: Uint8Array): string {
  return createHash('sha256').update(bytes).digest('hex');
}

/**
 * Stores bytes under their hash; bytes that are there already are left alone. Outside of any transaction, because bytes
 * that nothing points to do no harm: they are what they are, and the next start removes them.
 *
 * @param sha - their hash, where it is known already
 */
export async function putBlob(connection: Connection, bytes: Uint8Array, sha = shaOf(bytes)): Promise<string> {
  const [known] = await connection.select({ sha: blob.sha }).from(blob).where(eq(blob.sha, sha));
  if (!known) {
    await sendBytes('INSERT IGNORE INTO `blob` (sha, size, bytes) VALUES (?, ?, ?)', [
      Buffer.from(sha, 'hex'),
      bytes.length,
      Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength),
    ]);
  }
  return sha;
}

export async function getBlob(connection: Connection, sha: string): Promise<Buffer> {
  const [row] = await connection.select({ bytes: blob.bytes }).from(blob).where(eq(blob.sha, sha));
  if (!row) throw new CoreError('not_found', 'These bytes are not stored.', { value: sha }, 'Reload the page.');
  return row.bytes;
}
