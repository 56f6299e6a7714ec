import { eq } from 'drizzle-orm';
import { v7 as newId } from 'uuid';
import { CoreError } from '@core/ground/errors';
import type { Weather } from '@core/method/weather/weather';
import type { Asking } from '../asking';
import { weather } from '../schema';
import { transact } from '../transact';
import { putBlob } from './blobs';

export interface StoredWeather extends Weather {
  id: string;
  fileName: string;
  format: string;
}

/** Keeps a file's weather with its bytes; the same file again is the one that is there. */
export async function addWeather(
  asking: Asking,
  file: { fileName: string; bytes: Uint8Array },
  read: Weather & { format: string },
): Promise<string> {
  const fileSha = await putBlob(asking.db, file.bytes);
  return transact(asking.db, async (tx) => {
    const [known] = await tx.select({ id: weather.id }).from(weather).where(eq(weather.fileSha, fileSha));
    if (known) return known.id;
    const id = newId();
    const { start, hours, warnings, format } = read;
    const startsAt = new Date(start);
    await tx
      .insert(weather)
      .values({ id, fileName: file.fileName, format, fileSha, startsAt, count: hours.length, hours, warnings });
    return id;
  });
}

/** @throws CoreError `not_found` */
export async function getWeather(asking: Asking, id: string): Promise<StoredWeather> {
  const [found] = await asking.db.select().from(weather).where(eq(weather.id, id));
  if (!found) throw new CoreError('not_found', 'That weather is not here.', { value: id }, 'Drop the file again.');
  const { fileName, format, startsAt, hours, warnings } = found;
  return { id, fileName, format, start: startsAt.getTime(), hours, warnings };
}
