import { roundOf, stopRowOf } from '@core/work/round/round';
import type { CameraValue } from '@core/model/cameraRow';
import type { StopValue } from '@core/model/stopRow';
import { standFor } from '@core/work/round/stand';
import type { Stop } from '@core/work/round/stops';
import { faultsOf } from '@core/method/simulate/faultsOf';
import { houseScene, ownErrors, sceneCamera } from '@core/work/practice/houseScene';
import type { Scene } from '@core/method/simulate/scene';
import type { Asking } from '@data/asking';
import { loadVisitDocument } from '@data/queries/document';
import { loadSimulated } from '@data/queries/house';
import { stop as stopTable } from '@data/schema';
import { takePicture } from './takePicture';

/** So long somebody looks at one stop, ms. */
const A_LOOK_MS = 80_000;
/** Below this nobody sees a fault, K, and below this share of the picture. */
const SEEN_K = 0.7;
const SEEN_SHARE = 0.004;

export interface Walk {
  from: Date;
  camera: { id: string; value: CameraValue };
  /** Whether a frame is taken at a stop where none is yet; by what is seen there when left out. */
  wants?(stop: Stop): boolean;
  /** What somebody said at a stop. */
  says?(stop: Stop): Partial<Pick<StopValue, 'answer' | 'reason' | 'note' | 'probes'>> | undefined;
}

/** Walks a whole round as a person would: looks at every stop, takes frames where something is to be seen, answers all. */
export async function walkRound(asking: Asking, visitId: string, { from, camera, wants, says }: Walk): Promise<void> {
  const document = await loadVisitDocument(asking, visitId);
  const { stops, outcomes } = roundOf(document);
  for (const [i, stop] of stops.entries()) {
    const openedAt = new Date(from.getTime() + i * A_LOOK_MS);
    const said = says?.(stop) ?? {};
    let seen = outcomes.get(stop.key) === 'seen';
    const surface = stop.surfaceId === null ? undefined : document.rows.surface[stop.surfaceId];
    if (!seen && surface && said.answer !== 'unreached') {
      const simulated = await loadSimulated(asking, visitId, surface.id);
      const stand = standFor(stop, camera.value, surface.value, simulated.room);
      const pose = { aim: stop.aim, distance: stand.distanceM, aside: stand.asideM };
      const scene = houseScene(simulated, sceneCamera(camera.value, ownErrors(camera.value.name, camera.value)), pose, i);
      if (wants ? wants(stop) : somethingShows(scene)) {
        const place = surface.value.roomId === null ? '' : `${document.rows.room[surface.value.roomId]!.value.name}, `;
        await takePicture(asking, visitId, {
          scene,
          stem: `round-${String(i + 1).padStart(3, '0')}`,
          name: `${place}${place ? stop.title.toLowerCase() : `${surface.value.name}, ${stop.title.toLowerCase()}`}`.slice(
            0,
            160,
          ),
          takenAt: new Date(openedAt.getTime() + A_LOOK_MS / 2),
          surfaceId: surface.id,
          surface: surface.value,
          stopKey: stop.key,
          cameraId: camera.id,
        });
        seen = true;
      }
    }
    const { id, value } = stopRowOf(document, stop.key);
    const answer = said.answer ?? (seen ? 'seen' : 'nothing');
    await asking.db.insert(stopTable).values({
      id,
      ...value,
      ...said,
      answer,
      openedAt: openedAt.getTime(),
      answeredAt: openedAt.getTime() + A_LOOK_MS - 5000,
    });
  }
}

/** Whether an attentive person would see a fault in a scene: looked at coarsely, which is quick. */
function somethingShows(scene: Scene): boolean {
  const camera = { ...scene.camera, width: 64, height: 48 };
  return faultsOf({ ...scene, camera }).some(
    ({ contrast, area }) => Math.abs(contrast) >= SEEN_K && area >= SEEN_SHARE * camera.width * camera.height,
  );
}
