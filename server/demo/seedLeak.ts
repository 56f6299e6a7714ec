import { eq } from 'drizzle-orm';
import { v7 as newId } from 'uuid';
import { STAND_IN_CAMERA } from '@core/model/standInCamera';
import { writeTiff } from '@core/method/formats/tiff/write';
import type { RoomValue } from '@core/model/roomRow';
import type { SurfaceValue } from '@core/model/surfaceRow';
import { rowIdFrom } from '@core/ground/rowId';
import { floorSeries } from '@core/method/simulate/series/floorSeries';
import { stopKeyOf } from '@core/work/round/stops';
import type { Asking } from '@data/asking';
import { SHED_LEAK as demo } from '@data/demo/shedLeak';
import { ensureCamera } from '@data/queries/cameras';
import { createVisit } from '@data/queries/visits';
import { columnsOf } from '@data/rows/write';
import * as t from '@data/schema';
import { nodeCodecs } from '../codecs';
import { decodePages } from '../decode';
import { importFile, type Decode } from '../importFile';
import { intakeOf } from './intakeOf';

/** A wet floor with a series that was taken from a tripod while the hot tap ran. */
export async function seedLeak(asking: Asking): Promise<void> {
  const [site] = await asking.db.select().from(t.site).where(eq(t.site.name, demo.site));
  const siteId = site!.id;
  const startedAt = Date.parse(demo.visit.at);
  const { visitId } = await createVisit(asking, {
    practice: true,
    site: { id: siteId },
    kind: 'damp',
    title: demo.visit.title,
    question: demo.visit.question,
    startedAt,
    ...demo.air,
    rooms: [],
  });
  await asking.db
    .update(t.intake)
    .set({ complaints: intakeOf({ complaints: [...demo.complaints], history: [], people: '', access: '' }).complaints })
    .where(eq(t.intake.visitId, visitId));
  await ensureCamera(asking, STAND_IN_CAMERA.id, STAND_IN_CAMERA.value);
  const room: RoomValue = { siteId, heightM: 2.6, heated: null, ordinal: 0, ...demo.room };
  const roomId = newId();
  await asking.db.insert(t.room).values({ ...(columnsOf('room', room) as typeof t.room.$inferInsert), id: roomId });
  const floor: SurfaceValue = {
    siteId,
    roomId,
    ...demo.floor,
    kind: 'floor',
    azimuth: null,
    mass: 'stone',
    behind: 'ground',
    openings: [],
    otherSideId: null,
    ordinal: 0,
  };
  const surfaceId = newId();
  await asking.db.insert(t.surface).values({ id: surfaceId, ...floor, described: [] });
  await asking.db.insert(t.settings).values({ id: newId(), visitId, emissivity: 0.95, reflectedC: demo.air.insideC });
  const { frames, intervalS } = floorSeries(demo.seed, { ...demo.series, source: demo.source });
  const decode: Decode = async (wanted, onPage) => {
    for (const page of decodePages(wanted)) await onPage(page);
  };
  for (const [i, { name, frame }] of frames.entries())
    await importFile(
      asking,
      visitId,
      {
        fileName: name,
        name: `Drying room, floor, ${i === 0 ? 'as it was' : `${Math.round((i * intervalS) / 6) / 10} min`}`,
        takenAt: new Date(startedAt + 1000 * (600 + i * intervalS)),
        bytes: writeTiff(frame, nodeCodecs),
        roomId,
        surfaceId,
        stopKey: stopKeyOf(surfaceId, 'floor'),
        cameraId: STAND_IN_CAMERA.id,
        side: 'inside',
      },
      undefined,
      decode,
    );
  await asking.db.insert(t.hunt).values({
    id: rowIdFrom(visitId, 'hunt'),
    visitId,
    side: 'hot',
    coverMm: demo.series.coverMm,
    covering: 'tile',
    waterC: 45,
    onAt: startedAt + 1000 * (600 + demo.series.onS),
    steps: {},
    note: '',
  });
}
