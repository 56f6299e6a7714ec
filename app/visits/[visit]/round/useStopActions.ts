'use client';

import { App } from 'antd';
import { useCallback, useState } from 'react';
import { v7 as newId } from 'uuid';
import * as z from 'zod';
import type { VisitDocument } from '@core/model/document';
import { CoreError } from '@core/ground/errors';
import { stopRowOf } from '@core/work/round/round';
import type { Answer, StopValue } from '@core/model/stopRow';
import type { Stop } from '@core/work/round/stops';
import { postAgain } from '@ui/server/api';
import type { Edit } from '@ui/store/rowStore';
import { useVisit } from '@ui/visit/VisitProvider';
import type { Shot } from '../viewfinder/useViewfinder';

const now = () => Date.now();

const capturedSchema = z.object({ frameId: z.string(), photoId: z.string() });

/** What a hand can do at one stop. Each is one step of undo. */
export function useStopActions(stop: Stop) {
  const { document, edit, refresh } = useVisit();
  const { message } = App.useApp();
  const [capturing, setCapturing] = useState(false);
  // The desk of a stop is made anew for each stop.
  const [openedAt] = useState(now);
  const row = stopRowOf(document, stop.key);

  /** The stop's row with a change; the time of its first look and of its answer come with it. */
  const changed = useCallback(
    (change: Partial<StopValue>, answered: boolean): Edit => ({
      entity: 'stop',
      rowId: row.id,
      value: {
        ...row.value,
        openedAt: row.value.openedAt ?? openedAt,
        ...(answered ? { answeredAt: now() } : {}),
        ...change,
      },
    }),
    [row, openedAt],
  );

  const answer = useCallback(
    (next: Answer | null, reason = '') => edit(answerLabel(next, stop.title), [changed({ answer: next, reason }, next !== null)]),
    [edit, changed, stop.title],
  );

  const capture = useCallback(
    async (shot: Shot | null, name: string, more: (fresh: VisitDocument, frameId: string) => Edit[] = () => []) => {
      if (!shot || !stop.surfaceId || capturing) return;
      setCapturing(true);
      try {
        const frameId = newId();
        const { pose, shot: number, since, closing } = shot;
        const look = { pose, shot: number, since, closing };
        const wanted = { ...look, frameId, surfaceId: stop.surfaceId, stopKey: stop.key, name, at: now() };
        const got = await postAgain(`/api/visits/${document.visitId}/captures`, wanted, capturedSchema);
        const fresh = await refresh();
        const frame = fresh.rows.frame[frameId];
        const photo = fresh.rows.photo[got.photoId];
        if (!frame) return;
        // Undo takes the pictures back; their files stay.
        edit(`Captured: ${stop.title}`, [
          { entity: 'frame', rowId: frame.id, value: frame.value, before: { ...frame.value, discarded: true } },
          ...(photo
            ? [{ entity: 'photo' as const, rowId: photo.id, value: photo.value, before: { ...photo.value, discarded: true } }]
            : []),
          changed({ answer: row.value.answer ?? 'seen' }, true),
          ...more(fresh, frameId),
        ]);
      } catch (error) {
        const words =
          error instanceof CoreError
            ? `${error.message} ${error.hint}`
            : 'The connection was lost; nothing was taken. Try again.';
        void message.error(words, 8);
      } finally {
        setCapturing(false);
      }
    },
    [capturing, changed, document.visitId, edit, message, refresh, row.value.answer, stop],
  );

  const put = useCallback((label: string, change: Partial<StopValue>) => edit(label, [changed(change, false)]), [edit, changed]);
  /** The stop answered by what came, where nobody answered it. */
  const seen = useCallback(() => {
    if (row.value.answer !== null) return null;
    const { rowId, value } = changed({ answer: 'seen' }, true);
    return { rowId, value: value as StopValue };
  }, [row, changed]);
  return { row, answer, capture, capturing, put, seen };
}

function answerLabel(answer: Answer | null, title: string): string {
  switch (answer) {
    case 'nothing':
      return `Nothing to see: ${title}`;
    case 'unreached':
      return `Could not reach: ${title}`;
    case 'unsolved':
      return `Unsolved: ${title}`;
    case 'seen':
      return `Seen: ${title}`;
    case null:
      return `Open again: ${title}`;
  }
}
