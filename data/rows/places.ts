import { inArray } from 'drizzle-orm';
import type { Entity } from '@core/model/entities';
import { entityOf, parentOf } from '@core/model/entityOf';
import { namedIn, referencesOf } from '@core/model/reference';
import { CoreError } from '@core/ground/errors';
import type { Connection } from '../connection';
import { parentColumn, tableOf } from './tables';

/** Ids of a row and of all that it hangs on, by kind. */
export type Place = Readonly<Record<string, string>>;

/** Finds out where rows lie, many at once, and remembers it while one step is carried out. */
export class Places {
  private readonly known = new Map<string, Place>();

  constructor(private readonly connection: Connection) {}

  /** Looks up all of these that are not known yet. */
  async learn(asked: readonly { kind: string; id: string }[]): Promise<void> {
    const missing = new Map<string, Set<string>>();
    for (const { kind, id } of asked) {
      if (this.known.has(`${kind} ${id}`)) continue;
      missing.set(kind, (missing.get(kind) ?? new Set()).add(id));
    }
    for (const [kind, ids] of missing) await this.learnKind(kind, [...ids]);
  }

  /** Where a row lies; null when there is none. Has to be learned before. */
  of(kind: string, id: string): Place | null {
    return this.known.get(`${kind} ${id}`) ?? null;
  }

  private async learnKind(kind: string, ids: string[]): Promise<void> {
    const table = tableOf(kind);
    const parents = entityOf(kind).parent?.kinds ?? [];
    const columns = Object.fromEntries(parents.map((parent) => [parent, parentColumn(kind, parent)!]));
    const found = (await this.connection
      .select({ ...columns, id: table.id })
      .from(table)
      .where(inArray(table.id, ids))) as Record<string, string | null>[];
    const above = found.flatMap((row) =>
      parents.flatMap((parent) => (row[parent] ? [{ kind: parent, id: row[parent], below: row.id! }] : [])),
    );
    await this.learn(above);
    for (const row of found) this.known.set(`${kind} ${row.id!}`, { [kind]: row.id! });
    for (const { kind: parent, id, below } of above)
      this.known.set(`${kind} ${below}`, { ...this.of(parent, id), [kind]: below });
  }
}

function missing(kind: string, id: string): CoreError {
  return new CoreError(
    'not_found',
    `There is no such ${entityOf(kind).label}.`,
    { value: id },
    'Reload the page; it may have been removed.',
  );
}

function apart(kind: string, id: string): CoreError {
  return new CoreError(
    'bad_input',
    `That ${entityOf(kind).label} belongs to another visit or site.`,
    { value: id },
    'Choose one of this visit.',
  );
}

interface Named {
  kind: string;
  id: string;
  /** Has to be there; else it may point nowhere. */
  must: boolean;
  /** Lies in another visit of the site, perhaps. */
  elsewhere: boolean;
}

/** What all that is named together has in common. */
const COMMON = ['site', 'visit', 'loan'];

function requireCommon(places: Places, named: readonly Named[]): void {
  const common: Record<string, string> = {};
  for (const { kind, id, must, elsewhere } of named) {
    const place = places.of(kind, id);
    if (!place && must) throw missing(kind, id);
    for (const level of elsewhere ? ['site'] : COMMON) {
      const own = place?.[level];
      if (own === undefined) continue;
      common[level] ??= own;
      if (common[level] !== own) throw apart(kind, id);
    }
  }
}

/**
 * Holds that rows are there and belong to one visit of one site. A null names nothing.
 *
 * @throws CoreError `not_found`, `bad_input`
 */
export async function requireTogether(
  connection: Connection,
  named: Readonly<Record<string, string | null | undefined>>,
): Promise<void> {
  const places = new Places(connection);
  const all = Object.entries(named).flatMap(([kind, id]) => (id ? [{ kind, id, must: true, elsewhere: false }] : []));
  await places.learn(all);
  requireCommon(places, all);
}

/** What a row names: its parent, itself where it is there, and all that its value refers to, however deep. */
function namedBy(entity: Entity, rowId: string, value: Record<string, unknown>, isNew: boolean): Named[] {
  const parent = parentOf(entity, value);
  const own = { must: true, elsewhere: false };
  return [
    ...(parent ? [{ ...parent, ...own }] : []),
    ...(isNew ? [] : [{ kind: entity, id: rowId, ...own }]),
    ...namedIn(entityOf(entity).schema, value).map(({ kind, id, whenGone, within }) => ({
      kind,
      id,
      must: whenGone !== 'stays',
      elsewhere: within === 'site',
    })),
  ];
}

/**
 * Holds for rows of one kind that all they name is there and lies where they lie.
 *
 * @throws CoreError `not_found`, `bad_input`
 */
export async function requireNamed(
  places: Places,
  entity: Entity,
  rows: readonly { rowId: string; value: object; isNew: boolean }[],
): Promise<void> {
  const named = rows.map(({ rowId, value, isNew }) => namedBy(entity, rowId, value as Record<string, unknown>, isNew));
  await places.learn(named.flat());
  for (const one of named) requireCommon(places, one);
  const onFrames = referencesOf(entityOf(entity).schema).filter(({ reference }) => reference.on !== null);
  for (const { rowId, value } of rows) {
    const fields = value as Record<string, string | null>;
    for (const { field, reference } of onFrames) {
      const id = fields[field];
      const lies = id ? places.of(reference.kind, id) : null;
      if (lies && lies.frame !== (reference.on === 'id' ? rowId : fields[reference.on!])) throw apart(reference.kind, id!);
    }
  }
}
