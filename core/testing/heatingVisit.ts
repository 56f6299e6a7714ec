import type { VisitDocument } from '../model/document';
import type { Entity, Values } from '../model/entities';
import type { EmitterValue } from '../model/emitterRow';
import { APPARENT } from '../ground/basis';
import { rowIdFrom } from '../ground/rowId';
import { ID, visitDocument } from './visit';

/** Three radiators: hall and kitchen below, bedroom above. */
export const RADIATOR = {
  hall: '0192f0a0-0000-7000-8000-0000000000f1',
  kitchen: '0192f0a0-0000-7000-8000-0000000000f2',
  bedroom: '0192f0a0-0000-7000-8000-0000000000f3',
} as const;

export const MINUTE = 60_000;
/** When the heat came on in these visits. */
export const ON = Date.UTC(2026, 1, 11, 8);

const roomId = (k: number) => `0192f0a0-0000-7000-8000-0000000000e${k}`;

/** A row put into a document, as a step would; documents are never changed in place. */
export function withRow<E extends Entity>(document: VisitDocument, entity: E, id: string, value: Values[E]): VisitDocument {
  const rows = document.rows as unknown as Record<string, Record<string, unknown>>;
  return {
    ...document,
    rows: { ...document.rows, [entity]: { ...rows[entity], [id]: { id, version: 1, value } } },
  };
}

export const emitterValue = (serviceId: string, change: Partial<EmitterValue> = {}): EmitterValue => ({
  serviceId,
  order: null,
  build: 'double-one-fins',
  widthM: 1,
  heightM: 0.6,
  ratedW: 1200,
  exponent: 1.3,
  turns: 2,
  turnsOpen: 4,
  sticks: false,
  headOpen: true,
  tail: 'taped',
  needW: 600,
  ...change,
});

/** A visit of a house with three radiators, whose heat came on at `ON`. */
export function heatingVisit(): VisitDocument {
  let document = visitDocument();
  document.rows.service = {};
  (
    [
      ['hall', 'Hall', 0, 0],
      ['kitchen', 'Kitchen', 0, 1],
      ['bedroom', 'Bedroom', 1, 2],
    ] as const
  ).forEach(([key, name, storey, k]) => {
    document = withRow(document, 'room', roomId(k), {
      siteId: ID.site,
      name,
      kind: 'living',
      storey,
      plan: { x: 4 * k, y: 0, width: 4, depth: 4 },
      heightM: 2.5,
      heated: null,
      ordinal: k,
    });
    const place = { name: 'Radiator', x: 2, y: 0.2, ordinal: 0 };
    document = withRow(document, 'service', RADIATOR[key], { siteId: ID.site, roomId: roomId(k), kind: 'radiator', ...place });
    document = withRow(document, 'emitter', rowIdFrom(RADIATOR[key], 'emitter'), emitterValue(RADIATOR[key]));
  });
  const heating: Values['heating'] = {
    visitId: ID.visit,
    school: 'usual',
    targetK: 12,
    toleranceK: 2,
    flowSetC: 60,
    onAt: ON,
    checks: {},
    flows: [],
    markBar: null,
    beforeBar: null,
    afterBar: null,
    listenAt: null,
    walk: 1,
    waitUntil: null,
    skippedS: 0,
  };
  return withRow(document, 'heating', rowIdFrom(ID.visit, 'heating'), heating);
}

/** A typed reading of an emitter on a walk. */
export function withReading(
  document: VisitDocument,
  serviceId: string,
  walk: number,
  minute: number,
  [flowC, returnC, roomC = 20]: readonly [number, number, number?],
): VisitDocument {
  return withRow(document, 'tailReading', rowIdFrom(ID.visit, `reading ${walk} ${serviceId}`), {
    visitId: ID.visit,
    serviceId,
    walk,
    at: ON + minute * MINUTE,
    flowC,
    returnC,
    frameId: null,
    flowRegionId: null,
    returnRegionId: null,
    roomC,
  });
}

export const FACE = { x: 20, y: 15, width: 80, height: 48 };
const WIDTH = 120;
const HEIGHT = 96;

/** Apparent temperatures of a radiator with its tails on a wall, °C. */
export function radiatorPixels({ flowC = 58, returnC = 46, cold = null as 'top' | 'bottom' | null } = {}): Float32Array {
  return Float32Array.from({ length: WIDTH * HEIGHT }, (_, i) => {
    const [x, y] = [i % WIDTH, Math.floor(i / WIDTH)];
    const below = y - FACE.y - FACE.height;
    if (below >= 4 && below < 18 && Math.abs(x - 26) <= 1) return flowC;
    if (below >= 4 && below < 18 && Math.abs(x - 93) <= 1) return returnC;
    const [u, v] = [(x - FACE.x) / FACE.width, (y - FACE.y) / FACE.height];
    if (u < 0 || u >= 1 || v < 0 || v >= 1) return 18;
    if (cold === 'top' && v < 0.3) return 24;
    if (cold === 'bottom' && Math.hypot((u - 0.5) / 0.3, (v - 1) / 0.6) < 1) return 24;
    return flowC - 2 - (flowC - returnC) * 0.7 * v;
  });
}

/** A frame of an emitter, taken so many minutes after the heat came on. */
export function withFrame(document: VisitDocument, id: string, serviceId: string, minute: number): VisitDocument {
  const { value } = document.rows.frame[ID.frame]!;
  return withRow(
    {
      ...document,
      frameFacts: {
        ...document.frameFacts,
        [id]: {
          ...document.frameFacts[ID.frame]!,
          width: WIDTH,
          height: HEIGHT,
          takenAt: new Date(ON + minute * MINUTE).toISOString(),
        },
      },
    },
    'frame',
    id,
    { ...value, name: 'Radiator', basis: APPARENT, referenceId: null, stopKey: `${serviceId}:radiator` },
  );
}
