import { statfsSync } from 'node:fs';
import { CoreError } from '@core/ground/errors';

/** Always left free, so that the database can go on. */
const SPARE_BYTES = 200 * 1024 * 1024;

/** Refuses what would fill the disk. @throws CoreError `no_room` */
export function requireRoom(folder: string, needed: number): void {
  const { bavail, bsize } = statfsSync(folder);
  const free = bavail * bsize;
  if (free >= needed + SPARE_BYTES) return;
  const mb = (bytes: number) => Math.ceil(bytes / 1024 / 1024);
  throw new CoreError(
    'no_room',
    `There is not enough room on the disk: ${mb(needed + SPARE_BYTES)} MB are needed, ${mb(free)} MB are free.`,
    { file: folder },
    'Make room first; nothing was changed.',
  );
}
