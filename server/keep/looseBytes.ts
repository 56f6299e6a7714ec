import type { Connection, RowDataPacket } from 'mysql2/promise';
import { BLOB_TABLE } from './backup/manifest';

const AT_ONCE = 200;

/**
 * Removes bytes that nothing points to: of imports that were cut off between bytes and rows. Only while no application is
 * there that could be about to point to them.
 *
 * @returns how many were removed
 */
export async function dropLooseBytes(root: Connection, database: string): Promise<number> {
  await root.query('USE ??', [database]);
  const [links] = await root.query<RowDataPacket[]>(
    'SELECT table_name AS child, column_name AS field FROM information_schema.key_column_usage WHERE table_schema = ? AND referenced_table_name = ?',
    [database, BLOB_TABLE],
  );
  // Without a single link nothing is known of what is needed.
  if (links.length === 0) return 0;
  const unused = links.map(({ child, field }) =>
    root.format('NOT EXISTS (SELECT 1 FROM ?? AS c WHERE c.?? = b.sha)', [child, field]),
  );
  const [loose] = await root.query<RowDataPacket[]>(`SELECT b.sha FROM ?? AS b WHERE ${unused.join(' AND ')}`, [BLOB_TABLE]);
  const shas = loose.map(({ sha }) => sha as Buffer);
  for (let from = 0; from < shas.length; from += AT_ONCE) {
    await root.query('DELETE FROM ?? WHERE sha IN (?)', [BLOB_TABLE, shas.slice(from, from + AT_ONCE)]);
  }
  return shas.length;
}
