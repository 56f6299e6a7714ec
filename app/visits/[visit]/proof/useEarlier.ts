'use client';

import { useEffect, useState } from 'react';
import type { VisitDocument } from '@core/model/document';
import { CoreError } from '@core/ground/errors';
import { packedDocumentSchema } from '@core/model/packedDocument';
import { getJson } from '@ui/server/api';
import { documentAddress } from '@ui/visit/documentAddress';

/** An earlier visit of the site, read only; null while it is on its way, an error where it cannot be had. */
export function useEarlier(visitId: string | null): VisitDocument | CoreError | null {
  const [known, setKnown] = useState<{ visitId: string; answer: VisitDocument | CoreError } | null>(null);
  useEffect(() => {
    if (visitId === null) return;
    const gone = new AbortController();
    getJson(documentAddress(visitId), packedDocumentSchema, gone.signal)
      .then((answer) => setKnown({ visitId, answer }))
      .catch((error: unknown) => {
        if (gone.signal.aborted) return;
        if (!(error instanceof CoreError)) throw error;
        setKnown({ visitId, answer: error });
      });
    return () => gone.abort();
  }, [visitId]);
  return known?.visitId === visitId ? known.answer : null;
}
