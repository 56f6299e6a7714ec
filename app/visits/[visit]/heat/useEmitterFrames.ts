'use client';

import { App } from 'antd';
import { useCallback, useRef, useState } from 'react';
import { v7 as newId } from 'uuid';
import * as z from 'zod';
import type { Emitter } from '@core/work/heating/emitters';
import { spotOf } from '@core/work/heating/spot';
import { frameNameOf, takeIn, type TakenIn } from '@core/work/heating/takeIn';
import type { VisitDocument } from '@core/model/document';
import { CoreError } from '@core/ground/errors';
import type { FaceStage } from '@core/method/heating/stages';
import { cameraOf } from '@core/work/round/round';
import { STAND_IN_CAMERA } from '@core/model/standInCamera';
import { useImport } from '@ui/import/useImport';
import { postAgain } from '@ui/server/api';
import type { Edit } from '@ui/store/rowStore';
import { useVisit } from '@ui/visit/VisitProvider';
import type { Shot } from '../viewfinder/useViewfinder';
import { useHeat } from './useHeat';

const capturedSchema = z.object({ frameId: z.string(), photoId: z.string() });

export interface Taken extends TakenIn {
  frameId: string;
}

interface Wanted {
  emitter: Emitter;
  stage: FaceStage;
  /** Read on this walk; null: its face only. */
  walk: number | null;
  /** What follows from it in the same step. */
  more?: (taken: TakenIn, fresh: VisitDocument) => Edit[];
}

/** Takes frames of an emitter in, by the stand-in camera or from files: its face and tails are found at once, in one step. */
export function useEmitterFrames({ emitter, stage, walk, more }: Wanted, onTaken: (taken: Taken) => void) {
  const { document, edit, refresh, pixels } = useVisit();
  const { now } = useHeat();
  const { message } = App.useApp();
  const [capturing, setCapturing] = useState(false);
  const importing = useImport(document.visitId, async () => void (await refresh()));
  const spot = spotOf(document, emitter);
  const camera = cameraOf(document);
  const standIn = camera?.id === STAND_IN_CAMERA.id ? camera.value : null;
  const cameraId = standIn ? null : (camera?.id ?? null);
  const busy = useRef(false);

  const take = useCallback(
    async (fresh: VisitDocument, frameId: string, came: Edit[]) => {
      const values = await pixels.load(frameId);
      const taken = values
        ? takeIn(fresh, { emitter, frameId, stage, walk }, values, newId)
        : { puts: [], face: null, tails: null };
      const follows = more?.(taken, fresh) ?? [];
      edit(`${taken.tails ? 'Read' : 'Frame of'}: ${emitter.name}`, [...came, ...taken.puts, ...follows]);
      onTaken({ frameId, ...taken });
    },
    [edit, emitter, more, onTaken, pixels, stage, walk],
  );

  const capture = useCallback(
    async (shot: Shot | null) => {
      if (!shot || !spot?.surfaceId || busy.current) return;
      busy.current = true;
      setCapturing(true);
      try {
        const frameId = newId();
        const { pose, shot: number, since, closing } = shot;
        const wanted = {
          pose,
          shot: number,
          since,
          closing,
          frameId,
          surfaceId: spot.surfaceId,
          stopKey: emitter.stopKey,
          name: frameNameOf({ emitter, stage, walk }),
          at: now(),
        };
        const got = await postAgain(`/api/visits/${document.visitId}/captures`, wanted, capturedSchema);
        const fresh = await refresh();
        const frame = fresh.rows.frame[frameId];
        const photo = fresh.rows.photo[got.photoId];
        if (!frame) return;
        const came: Edit[] = [
          { entity: 'frame', rowId: frame.id, value: frame.value, before: { ...frame.value, discarded: true } },
        ];
        if (photo)
          came.push({ entity: 'photo', rowId: photo.id, value: photo.value, before: { ...photo.value, discarded: true } });
        await take(fresh, frameId, came);
      } catch (error) {
        const words =
          error instanceof CoreError
            ? `${error.message} ${error.hint}`
            : 'The connection was lost; nothing was taken. Try again.';
        void message.error(words, 8);
      } finally {
        busy.current = false;
        setCapturing(false);
      }
    },
    [document.visitId, emitter, message, now, refresh, spot, stage, take, walk],
  );

  const { start } = importing;
  const add = useCallback(
    async (files: File[]) => {
      const found = await start(files, {
        roomId: spot?.roomId ?? null,
        side: 'inside',
        surfaceId: spot?.surfaceId ?? null,
        stopKey: emitter.stopKey,
        cameraId,
      });
      const fresh = await refresh();
      for (const { outcome, id } of found) {
        const row = outcome === 'frame' && id !== null ? fresh.rows.frame[id] : undefined;
        if (!row) continue;
        await take(fresh, row.id, [
          { entity: 'frame', rowId: row.id, value: row.value, before: { ...row.value, discarded: true } },
        ]);
      }
    },
    [cameraId, emitter.stopKey, refresh, spot, start, take],
  );
  return { spot, standIn, capture, capturing, add, importing };
}
