import { STAND_IN_CAMERA } from '@core/model/standInCamera';
import { asking } from '@server/asking';
import { ensureCamera, listCameras, listInstruments, listMaterials } from '@data/queries/cameras';
import { DeskFrame } from '@ui/shell/Desk';
import { PageFrame } from '@ui/shell/PageFrame';
import { loaded } from '../loaded';
import { Shelf } from './Shelf';

export const dynamic = 'force-dynamic';

export default async function ShelfPage() {
  const who = asking();
  await loaded(ensureCamera(who, STAND_IN_CAMERA.id, STAND_IN_CAMERA.value));
  const [cameras, instruments, materials] = await loaded(
    Promise.all([listCameras(who), listInstruments(who), listMaterials(who)]),
  );
  return (
    <PageFrame frame={<DeskFrame here="/shelf" heading="Shelf" />}>
      <Shelf cameras={cameras} instruments={instruments} materials={materials} />
    </PageFrame>
  );
}
