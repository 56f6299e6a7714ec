import { asc, eq } from 'drizzle-orm';
import type { CameraValue } from '@core/camera/rows';
import type { Row } from '@core/visit/rows';
import type { Connection } from '../connection';
import { camera, handover, instrument, material } from '../schema';
import { cameraRow, handoverRow, instrumentRow, materialRow } from './rows';

/** Puts a camera on the shelf unless it is there. */
export async function ensureCamera(connection: Connection, id: string, value: CameraValue): Promise<void> {
  await connection
    .insert(camera)
    .ignore()
    .values({ id, ...value });
}

/** What is added to what a camera reads, K; nothing for one that is not known. */
export async function cameraOffset(connection: Connection, id: string | null): Promise<number> {
  if (id === null) return 0;
  const [found] = await connection.select({ offsetK: camera.offsetK }).from(camera).where(eq(camera.id, id));
  return found?.offsetK ?? 0;
}

export async function listCameras(connection: Connection): Promise<Row<'camera'>[]> {
  return (await connection.select().from(camera).orderBy(asc(camera.name))).map(cameraRow);
}

export async function listInstruments(connection: Connection): Promise<Row<'instrument'>[]> {
  return (await connection.select().from(instrument).orderBy(asc(instrument.name))).map(instrumentRow);
}

export async function listMaterials(connection: Connection): Promise<Row<'material'>[]> {
  return (await connection.select().from(material).orderBy(asc(material.name))).map(materialRow);
}

export async function listHandovers(connection: Connection, loanId: string): Promise<Row<'handover'>[]> {
  return (await connection.select().from(handover).where(eq(handover.loanId, loanId))).map(handoverRow);
}
