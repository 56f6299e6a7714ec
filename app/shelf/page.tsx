import { STAND_IN_CAMERA } from '@core/simulate/standInCamera';
import { database } from '@data/connection';
import { ensureCamera, listCameras, listInstruments, listMaterials } from '@data/queries/cameras';
import { loaded } from '../loaded';
import { Shelf } from './Shelf';

export const dynamic = 'force-dynamic';

export default async function ShelfPage() {
  const db = database();
  await loaded(ensureCamera(db, STAND_IN_CAMERA.id, STAND_IN_CAMERA.value));
  const [cameras, instruments, materials] = await loaded(Promise.all([listCameras(db), listInstruments(db), listMaterials(db)]));
  return <Shelf cameras={cameras} instruments={instruments} materials={materials} />;
}
