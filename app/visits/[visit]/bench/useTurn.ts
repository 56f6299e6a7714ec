'use client';

import { App } from 'antd';
import { useState } from 'react';
import * as z from 'zod';
import { CoreError } from '@core/ground/errors';
import type { Turn } from '@core/method/frame/reshape';
import type { Row } from '@core/model/entities';
import { postJson } from '@ui/server/api';
import { useVisit, useVisitStore } from '@ui/visit/VisitProvider';

/** Turns frames with all that lies on them. The database does it, because every pixel moves; turning back undoes it. */
export function useTurn() {
  const { document, refresh } = useVisit();
  const { forgetSteps } = useVisitStore();
  const { message } = App.useApp();
  const [turning, setTurning] = useState(false);
  const turn = async (frameIds: string[], how: Turn) => {
    setTurning(true);
    try {
      for (const id of frameIds) {
        await postJson(`/api/frames/${id}/turn`, { turn: how }, z.unknown());
      }
    } catch (error) {
      void message.error(
        error instanceof CoreError ? `${error.message} ${error.hint}` : 'The connection was lost; try again.',
        6,
      );
    }
    // What lay on them before lies elsewhere now.
    const turned = new Set(frameIds);
    const rows = [document.rows.frame, document.rows.region, document.rows.probe, document.rows.photo].flatMap((of) =>
      Object.values<Row<'frame' | 'region' | 'probe' | 'photo'>>(of),
    );
    forgetSteps(
      new Set(
        rows.flatMap(({ id, value }) => (turned.has(id) || ('frameId' in value && turned.has(value.frameId ?? '')) ? [id] : [])),
      ),
    );
    await refresh();
    setTurning(false);
  };
  return { turn, turning };
}
