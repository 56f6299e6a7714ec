import type { ColourMapName } from '@core/method/scale/colourMaps';
import type { Entity, Values } from '@core/model/entities';

type Stored = Record<string, unknown>;

/** Where a value and the columns of its table have another shape. Everything else is stored as it stands. */
interface Shape<V> {
  toColumns(value: V): Stored;
  /** The fields that are no columns. */
  toFields(stored: Stored): Partial<V>;
}

type Ends = { low: number; high: number } | null;

/** A pair of columns that are both there or both null. */
const both = <T>(one: unknown, other: unknown, made: (one: never, other: never) => T): T | null =>
  one === null || other === null ? null : made(one as never, other as never);

export const SHAPES: { [E in Entity]?: Shape<Values[E]> } = {
  settings: {
    toColumns: ({ level, ownerId, ...fields }) => ({
      ...fields,
      visitId: level === 'visit' ? ownerId : null,
      surfaceId: level === 'surface' ? ownerId : null,
      frameId: level === 'frame' ? ownerId : null,
      regionId: level === 'region' ? ownerId : null,
    }),
    toFields: ({ visitId, surfaceId, frameId, regionId }) => ({
      level: visitId ? 'visit' : surfaceId ? 'surface' : frameId ? 'frame' : 'region',
      ownerId: (visitId ?? surfaceId ?? frameId ?? regionId) as string,
    }),
  },
  frame: {
    toColumns: ({ ownScale, ...rest }) => ({ ...rest, ownLowC: ownScale?.low ?? null, ownHighC: ownScale?.high ?? null }),
    toFields: ({ ownLowC, ownHighC }) => ({
      ownScale: both(ownLowC, ownHighC, (low: number, high: number): Ends => ({ low, high })),
    }),
  },
  visit: {
    toColumns: ({ span, ...rest }) => ({ ...rest, ...span }),
    toFields: ({ belowK, aboveK, colourMap, fixed, shade }) => ({
      span: { belowK, aboveK, colourMap: colourMap as ColourMapName, fixed, shade } as Values['visit']['span'],
    }),
  },
  room: {
    toColumns: ({ plan, ...rest }) => ({
      ...rest,
      planX: plan.x,
      planY: plan.y,
      planWidth: plan.width,
      planDepth: plan.depth,
    }),
    toFields: ({ planX, planY, planWidth, planDepth }) => ({
      plan: { x: planX, y: planY, width: planWidth, depth: planDepth } as Values['room']['plan'],
    }),
  },
  plan: {
    toColumns: ({ slot, ...rest }) => ({ ...rest, slotFrom: slot?.from ?? null, slotTo: slot?.to ?? null }),
    toFields: ({ slotFrom, slotTo }) => ({ slot: both(slotFrom, slotTo, (from: number, to: number) => ({ from, to })) }),
  },
};
