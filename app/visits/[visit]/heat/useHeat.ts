'use client';

import { useCallback, useMemo } from 'react';
import { emitterRowOf, emittersOf, type Emitter } from '@core/work/heating/emitters';
import { heatingInForce, heatingOf, warmingOf } from '@core/work/heating/heatingOf';
import type { Put } from '@core/work/heating/takeIn';
import type { VisitDocument } from '@core/model/document';
import type { EmitterValue } from '@core/model/emitterRow';
import type { HeatingValue } from '@core/model/heatingRow';
import type { WarmingValue } from '@core/model/warmingRow';
import { localTime } from '@core/ground/localTime';
import { siteOf } from '@core/work/visit/theVisit';
import { useNow } from '@ui/time/useNow';
import { useVisit } from '@ui/visit/VisitProvider';

const SECOND = 1000;
const moment = () => Date.now();

/** The heating of a visit with a change. */
export function heatingPutOf(document: VisitDocument, change: Partial<HeatingValue>): Put {
  const row = heatingOf(document);
  return { entity: 'heating', rowId: row.id, value: { ...row.value, ...change } };
}

/** The heating of the visit and what changes it; its clock runs ahead by what was let pass in practice. */
export function useHeat() {
  const { document, edit } = useVisit();
  const row = heatingOf(document);
  const { skippedS } = row.value;
  const now = useCallback(() => moment() + SECOND * skippedS, [skippedS]);
  const { timeZone } = siteOf(document);
  const clock = useCallback((at: number) => localTime(at, timeZone), [timeZone]);
  const emitters = emittersOf(document);
  const heatingPut = (change: Partial<HeatingValue>) => heatingPutOf(document, change);
  const emitterPut = (serviceId: string, change: Partial<EmitterValue>): Put => {
    const own = emitterRowOf(document, serviceId);
    return { entity: 'emitter', rowId: own.id, value: { ...own.value, ...change } };
  };
  const warmingPut = (serviceId: string, change: Partial<WarmingValue>): Put => {
    const own = warmingOf(document, serviceId);
    return { entity: 'warming', rowId: own.id, value: { ...own.value, ...change } };
  };
  return { document, edit, heating: heatingInForce(document), emitters, now, clock, heatingPut, emitterPut, warmingPut };
}

/** The visit's heating clock as it runs, to the second. */
export function useHeatNow(): number {
  const { document } = useVisit();
  return useNow(SECOND) + SECOND * heatingOf(document).value.skippedS;
}

/** An emitter by its id. */
export function useEmitter(id: string | null): Emitter | null {
  const { document } = useVisit();
  return useMemo(() => emittersOf(document).find((one) => one.id === id) ?? null, [document, id]);
}
