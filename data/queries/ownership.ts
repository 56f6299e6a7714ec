import { eq } from 'drizzle-orm';
import { CoreError } from '@core/errors';
import { boundsOf } from '@core/frame/region';
import type { Entity, Row, Values } from '@core/visit/rows';
import type { Connection } from '../connection';
import * as t from '../schema';

/** What rows may belong to or point at. */
type Place = 'site' | 'visit' | 'room' | 'surface' | 'frame' | 'region' | 'sequence' | 'photo';

/** Where something lies: everything that belongs together has these in common, as far as it has them. */
interface Lies {
  siteId: string;
  visitId: string | null;
  frameId: string | null;
}

async function whereIs(connection: Connection, kind: Place, id: string): Promise<Lies | null> {
  switch (kind) {
    case 'site': {
      const [found] = await connection.select({ siteId: t.site.id }).from(t.site).where(eq(t.site.id, id));
      return found ? { ...found, visitId: null, frameId: null } : null;
    }
    case 'visit': {
      const [found] = await connection
        .select({ siteId: t.visit.siteId, visitId: t.visit.id })
        .from(t.visit)
        .where(eq(t.visit.id, id));
      return found ? { ...found, frameId: null } : null;
    }
    case 'room':
    case 'surface': {
      const table = kind === 'room' ? t.room : t.surface;
      const [found] = await connection.select({ siteId: table.siteId }).from(table).where(eq(table.id, id));
      return found ? { ...found, visitId: null, frameId: null } : null;
    }
    case 'sequence':
    case 'photo': {
      const table = kind === 'sequence' ? t.sequence : t.photo;
      const [found] = await connection
        .select({ siteId: t.visit.siteId, visitId: t.visit.id })
        .from(table)
        .innerJoin(t.visit, eq(t.visit.id, table.visitId))
        .where(eq(table.id, id));
      return found ? { ...found, frameId: null } : null;
    }
    case 'frame': {
      const [found] = await connection
        .select({ siteId: t.visit.siteId, visitId: t.visit.id })
        .from(t.frame)
        .innerJoin(t.visit, eq(t.visit.id, t.frame.visitId))
        .where(eq(t.frame.id, id));
      // A frame lies on no frame: others of its visit may point at it.
      return found ? { ...found, frameId: null } : null;
    }
    case 'region': {
      const [found] = await connection
        .select({ siteId: t.visit.siteId, visitId: t.visit.id, frameId: t.frame.id })
        .from(t.region)
        .innerJoin(t.frame, eq(t.frame.id, t.region.frameId))
        .innerJoin(t.visit, eq(t.visit.id, t.frame.visitId))
        .where(eq(t.region.id, id));
      return found ?? null;
    }
  }
}

function apart(kind: Place, id: string): CoreError {
  return new CoreError('bad_input', `That ${kind} belongs to another visit or site.`, { value: id }, 'Choose one of this visit.');
}

/**
 * Holds that everything a row names is there and belongs to one visit of one site. A null names nothing.
 *
 * @throws CoreError `not_found`, `bad_input`
 */
export async function requireTogether(
  connection: Connection,
  named: Partial<Record<Place, string | null | undefined>>,
  /** Pointers that may be left behind by something that was removed since; what is there has to belong here all the same. */
  loose: [Place, string | null][] = [],
): Promise<void> {
  let site: string | null = null;
  let visit: string | null = null;
  const every = [
    ...(Object.entries(named) as [Place, string | null | undefined][]).map(([kind, id]) => ({ kind, id, must: true })),
    ...loose.map(([kind, id]) => ({ kind, id, must: false })),
  ];
  for (const { kind, id, must } of every) {
    if (id === null || id === undefined) continue;
    const lies = await whereIs(connection, kind, id);
    if (!lies) {
      if (must)
        throw new CoreError(
          'not_found',
          `There is no such ${kind}.`,
          { value: id },
          'Reload the page; it may have been removed.',
        );
      continue;
    }
    site ??= lies.siteId;
    visit ??= lies.visitId;
    if (lies.siteId !== site || (lies.visitId !== null && lies.visitId !== visit)) throw apart(kind, id);
  }
}

/** Fields that say whose a row is: they are given when it is made and never change. */
const OWNERS: { [E in Entity]?: (keyof Values[E])[] } = {
  region: ['frameId'],
  probe: ['frameId'],
  settings: ['level', 'ownerId'],
  conditions: ['visitId'],
  intake: ['visitId'],
  plan: ['visitId'],
  stop: ['visitId', 'key'],
  putBack: ['visitId'],
  log: ['visitId'],
  kit: ['visitId'],
  kitList: ['kind'],
  sequence: ['visitId'],
  finding: ['visitId'],
  room: ['siteId'],
  surface: ['siteId'],
  loanHome: ['loanId', 'siteId'],
  handover: ['loanId'],
};

/**
 * Holds that a row stays with its owner and that what it names belongs there as well.
 *
 * @param stored - the row as it is; null for a new one
 * @throws CoreError `not_found`, `bad_input`
 */
export async function requireOwner<E extends Entity>(
  connection: Connection,
  entity: E,
  rowId: string,
  value: Values[E],
  stored: Row<E> | null,
): Promise<void> {
  for (const field of OWNERS[entity] ?? []) {
    if (stored && stored.value[field] !== value[field]) {
      throw new CoreError(
        'bad_input',
        `${String(field)} says whose this is, and does not change.`,
        { argument: String(field) },
        'Make a new one instead.',
      );
    }
  }
  const check = BELONGS[entity] as ((c: Connection, value: Values[E], rowId: string) => Promise<void>) | undefined;
  await check?.(connection, value, rowId);
}

const ofVisit = (connection: Connection, { visitId }: { visitId: string }) => requireTogether(connection, { visit: visitId });

/** What each kind of row names, and where that has to lie. */
const BELONGS: { [E in Entity]?: (connection: Connection, value: Values[E], rowId: string) => Promise<void> } = {
  region: async (connection, { frameId, shape }) => {
    const [found] = await connection
      .select({ width: t.frame.width, height: t.frame.height })
      .from(t.frame)
      .where(eq(t.frame.id, frameId));
    if (!found) throw new CoreError('not_found', 'There is no such frame.', { value: frameId }, 'Reload the page.');
    if (shape.kind === 'beyond') return;
    const { x, y, width, height } = boundsOf(shape);
    if (x < found.width && y < found.height && x + width > 0 && y + height > 0) return;
    throw new CoreError(
      'bad_region',
      'The region lies beside its frame.',
      { range: `x 0 … ${found.width - 1}, y 0 … ${found.height - 1}` },
      'Move it onto the frame.',
    );
  },
  frame: async (connection, { roomId, surfaceId, sequenceId, referenceId }, rowId) => {
    await requireTogether(connection, { frame: rowId, room: roomId, surface: surfaceId, sequence: sequenceId });
    const lies = referenceId === null ? null : await whereIs(connection, 'region', referenceId);
    if (lies && lies.frameId !== rowId) throw apart('region', referenceId!);
  },
  settings: (connection, { level, ownerId }) => requireTogether(connection, { [level]: ownerId }),
  visit: (connection, { referenceInsideId, referenceOutsideId }, rowId) =>
    requireTogether(connection, { visit: rowId }, [
      ['region', referenceInsideId],
      ['region', referenceOutsideId],
    ]),
  photo: (connection, { frameId }, rowId) => requireTogether(connection, { photo: rowId, frame: frameId }),
  probe: (connection, { frameId }) => requireTogether(connection, { frame: frameId }),
  finding: async (connection, { visitId, frameId, photoId, thisRegionId, thatRegionId }) => {
    await requireTogether(connection, { visit: visitId, frame: frameId, photo: photoId, region: thisRegionId }, [
      ['region', thatRegionId],
    ]);
    if ((await whereIs(connection, 'region', thisRegionId))!.frameId !== frameId) throw apart('region', thisRegionId);
    await requireTogether(connection, { region: thatRegionId });
  },
  room: (connection, { siteId }) => requireTogether(connection, { site: siteId }),
  surface: (connection, { siteId, roomId, otherSideId }) =>
    requireTogether(connection, { site: siteId, room: roomId }, [['surface', otherSideId]]),
  loanHome: (connection, { siteId }) => requireTogether(connection, { site: siteId }),
  conditions: ofVisit,
  intake: ofVisit,
  plan: ofVisit,
  stop: ofVisit,
  putBack: ofVisit,
  log: ofVisit,
  kit: ofVisit,
  sequence: ofVisit,
};
