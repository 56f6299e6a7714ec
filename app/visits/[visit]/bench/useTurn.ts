'use client';

import { App } from 'antd';
import { useState } from 'react';
import { CoreError, type CoreErrorData } from '@core/errors';
import type { Turn } from '@core/frame/reshape';
import { useVisit } from '@ui/visit/VisitProvider';

/** Turns frames with all that lies on them. The database does it, because every pixel moves; turning back undoes it. */
export function useTurn() {
  const { reload } = useVisit();
  const { message } = App.useApp();
  const [turning, setTurning] = useState(false);
  const turn = async (frameIds: string[], how: Turn) => {
    setTurning(true);
    try {
      for (const id of frameIds) {
        const response = await fetch(`/api/frames/${id}/turn`, {
          method: 'POST',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify({ turn: how }),
        });
        if (!response.ok) throw CoreError.fromJSON(((await response.json()) as { error: CoreErrorData }).error);
      }
    } catch (error) {
      void message.error(
        error instanceof CoreError ? `${error.message} ${error.hint}` : 'The connection was lost; try again.',
        6,
      );
    }
    await reload();
    setTurning(false);
  };
  return { turn, turning };
}
