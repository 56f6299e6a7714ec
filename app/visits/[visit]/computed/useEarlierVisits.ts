'use client';

import { useEffect, useState } from 'react';
import type { VisitDocument } from '@core/model/document';
import { CoreError } from '@core/ground/errors';
import { packedDocumentSchema } from '@core/model/packedDocument';
import { getJson } from '@ui/server/api';
import { documentAddress } from '@ui/visit/documentAddress';

const NONE: readonly VisitDocument[] = [];

/** Earlier visits of the site, read only; as far as they have come, without those that cannot be had. */
export function useEarlierVisits(visitIds: readonly string[]): readonly VisitDocument[] {
  const key = visitIds.join();
  const [known, setKnown] = useState<{ key: string; visits: readonly VisitDocument[] }>({ key: '', visits: NONE });
  useEffect(() => {
    if (key === '') return;
    const gone = new AbortController();
    const all = key.split(',').map((id) =>
      getJson(documentAddress(id), packedDocumentSchema, gone.signal).catch((error: unknown) => {
        if (error instanceof CoreError || gone.signal.aborted) return null;
        throw error;
      }),
    );
    void Promise.all(all).then((visits) => {
      if (!gone.signal.aborted) setKnown({ key, visits: visits.filter((visit) => visit !== null) });
    });
    return () => gone.abort();
  }, [key]);
  return known.key === key ? known.visits : NONE;
}
