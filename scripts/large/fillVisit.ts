import { v7 as newId } from 'uuid';
import { newVisit, upload } from '../attack/api';
import { pagePixels, stackOf } from '../attack/files';
import type { Den } from '../../e2e/support/den';
import { passwordsIn, withConnection } from '../../server/keep/access';
import { folderAt } from '../../server/keep/folder';
import { findLive } from '../../server/keep/live';

/** Frames that are really different; the others have their pixels. */
const DIFFERENT = 60;
const [WIDTH, HEIGHT] = [320, 240];
const ROOMS = ['Hall', 'Kitchen', 'Front room', 'Back bedroom', 'Loft'];

/** Fills one visit with frames of 320 × 240, some on each of five rooms, with three regions and settings of their own each. */
export async function fillVisit(den: Den, frames: number): Promise<{ visit: string; siteId: string }> {
  const visit = await newVisit(den, 'Large', ROOMS);
  for (let i = 0; i < DIFFERENT; i += 1) {
    const file = stackOf(1, WIDTH, HEIGHT, () => pagePixels(i, WIDTH, HEIGHT), false);
    const { status } = await upload(den, visit, `large-${String(i).padStart(3, '0')}.tif`, file);
    if (status !== 200) throw new Error(`a file was answered ${status}`);
  }
  const folder = folderAt(den.data);
  const access = { port: den.running()!.databasePort, passwords: passwordsIn(folder) };
  const siteId = await withConnection(access, 'root', undefined, async (root) => {
    await root.query('USE ??', [(await findLive(root, folder))!.database]);
    const bytes = (id: string) => Buffer.from(id.replaceAll('-', ''), 'hex');
    const [known] = await root.query('SELECT id FROM frame WHERE visit_id = ? ORDER BY id', [bytes(visit)]);
    const [rooms] = await root.query(
      'SELECT room.id FROM room JOIN visit ON visit.site_id = room.site_id WHERE visit.id = ? ORDER BY ordinal',
      [bytes(visit)],
    );
    const ids = (known as { id: Buffer }[]).map(({ id }) => id);
    const places = (rooms as { id: Buffer }[]).map(({ id }) => id);
    const columns =
      'visit_id, camera_id, side, file_sha, pixels_sha, thumb_sha, thumb_width, thumb_height, width, height, format, source_unit, basis, noise_k, min_c, max_c, mean_c';
    for (let i = DIFFERENT; i < frames; i += 1) {
      const id = bytes(newId());
      await root.query(
        `INSERT INTO frame (id, name, file_name, taken_at, page, room_id, ${columns})
         SELECT ?, ?, ?, taken_at + INTERVAL ? SECOND, ?, ?, ${columns} FROM frame WHERE id = ?`,
        [id, `Frame ${i}`, `large-${i}.tif`, i, i, places[i % places.length], ids[i % DIFFERENT]],
      );
      for (let n = 0; n < 3; n += 1) {
        const shape = JSON.stringify({ kind: 'box', x: 20 + 60 * n, y: 40, width: 40, height: 50 });
        await root.query('INSERT INTO region (id, frame_id, name, shape, role, ordinal) VALUES (?, ?, ?, ?, ?, ?)', [
          bytes(newId()),
          id,
          `box ${n + 1}`,
          shape,
          'reading',
          n,
        ]);
      }
    }
    const [site] = await root.query('SELECT LOWER(HEX(site_id)) AS id FROM visit WHERE id = ?', [bytes(visit)]);
    return (site as { id: string }[])[0]!.id;
  });
  return { visit, siteId };
}
