import { eq } from 'drizzle-orm';
import { CoreError } from '@core/ground/errors';
import { thumbnailOf } from '@core/method/frame/thumbnail';
import { measureAfterTurn, photoAfterTurn } from '@core/method/frame/afterTurn';
import { shapeAfterTurn, turnedPixels, turnedPoint, type Turn } from '@core/method/frame/reshape';
import type { Asking } from '../asking';
import { frame, photo, probe, region } from '../schema';
import { transact } from '../transact';
import { noteChanges, type Changed } from '../rows/changes';
import { getBlob, putBlob } from './blobs';

/** Longest side of a thumbnail, pixels. */
const THUMB_PIXELS = 96;

function floats(bytes: Buffer): Float32Array {
  return new Float32Array(new Uint8Array(bytes).buffer);
}

function bytesOf(values: Float32Array): Uint8Array {
  return new Uint8Array(values.buffer, values.byteOffset, values.byteLength);
}

/**
 * Turns or mirrors a frame with all that lies on it (regions, probes, known sizes) and its photos. The file stays as it
 * came; turning back brings back every pixel.
 *
 * @throws CoreError `not_found`
 */
export async function turnFrame(asking: Asking, id: string, turn: Turn): Promise<void> {
  await transact(asking.db, async (tx) => {
    const [found] = await tx.select().from(frame).where(eq(frame.id, id)).for('update');
    if (!found) throw new CoreError('not_found', 'There is no such frame.', { value: id }, 'Reload the page.');
    const { width, height } = found;
    const turned = turnedPixels(floats(await getBlob(tx, found.pixelsSha)), width, height, turn);
    const thumb = thumbnailOf(turned, THUMB_PIXELS);
    await tx
      .update(frame)
      .set({
        width: turned.width,
        height: turned.height,
        pixelsSha: await putBlob(tx, bytesOf(turned.values)),
        thumbSha: await putBlob(tx, bytesOf(thumb.values)),
        thumbWidth: thumb.width,
        thumbHeight: thumb.height,
        measure: measureAfterTurn(found.measure, width, height, turn),
        version: found.version + 1,
      })
      .where(eq(frame.id, id));
    const changed: Changed[] = [{ entity: 'frame', rowId: id, version: found.version + 1, placeId: found.visitId }];
    const note = (entity: Changed['entity'], row: { id: string; version: number }) =>
      changed.push({ entity, rowId: row.id, version: row.version + 1, placeId: found.visitId });
    for (const row of await tx.select().from(region).where(eq(region.frameId, id)).for('update')) {
      await tx
        .update(region)
        .set({ shape: shapeAfterTurn(row.shape, width, height, turn), version: row.version + 1 })
        .where(eq(region.id, row.id));
      note('region', row);
    }
    for (const row of await tx.select().from(probe).where(eq(probe.frameId, id)).for('update')) {
      const [x, y] = turnedPoint(row.x, row.y, width, height, turn);
      await tx
        .update(probe)
        .set({ x, y, version: row.version + 1 })
        .where(eq(probe.id, row.id));
      note('probe', row);
    }
    for (const row of await tx.select().from(photo).where(eq(photo.frameId, id)).for('update')) {
      await tx
        .update(photo)
        .set({ ...photoAfterTurn(row, turn), alignment: null, version: row.version + 1 })
        .where(eq(photo.id, row.id));
      note('photo', row);
    }
    await noteChanges(tx, changed);
  });
}
