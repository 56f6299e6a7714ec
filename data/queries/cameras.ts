import { asc, eq } from 'drizzle-orm';
import type { CameraValue } from '@core/model/cameraRow';
import { type Correction, NO_CORRECTION } from '@core/work/camera/correction';
import type { Row } from '@core/model/entities';
import type { Asking } from '../asking';
import { camera, handover, instrument, material } from '../schema';
import { rowFrom } from '../rows/read';

/** Puts a camera on the shelf unless it is there. */
export async function ensureCamera(asking: Asking, id: string, value: CameraValue): Promise<void> {
  await asking.db
    .insert(camera)
    .ignore()
    .values({ id, ...value });
}

/** How what a camera reads is put right; not at all for one that is not known. */
export async function cameraCorrection(asking: Asking, id: string | null): Promise<Correction> {
  if (id === null) return NO_CORRECTION;
  const [found] = await asking.db.select({ offsetK: camera.offsetK, slope: camera.slope }).from(camera).where(eq(camera.id, id));
  return found ?? NO_CORRECTION;
}

export async function listCameras(asking: Asking): Promise<Row<'camera'>[]> {
  return (await asking.db.select().from(camera).orderBy(asc(camera.name))).map((row) => rowFrom('camera', row));
}

export async function listInstruments(asking: Asking): Promise<Row<'instrument'>[]> {
  return (await asking.db.select().from(instrument).orderBy(asc(instrument.name))).map((row) => rowFrom('instrument', row));
}

export async function listMaterials(asking: Asking): Promise<Row<'material'>[]> {
  return (await asking.db.select().from(material).orderBy(asc(material.name))).map((row) => rowFrom('material', row));
}

export async function listHandovers(asking: Asking, loanId: string): Promise<Row<'handover'>[]> {
  return (await asking.db.select().from(handover).where(eq(handover.loanId, loanId))).map((row) => rowFrom('handover', row));
}
