import * as z from 'zod';

/**
 * What becomes of a row that names another one when that is removed.
 * - `refuse`: the other one cannot be removed while it is named.
 * - `cascade`: this row says nothing without it, and goes along.
 * - `forget`: the name is taken out: null, or the part of a list that it stands in is gone.
 * - `stays`: it points nowhere until what it names is brought back by an undo.
 */
export type WhenGone = 'refuse' | 'cascade' | 'forget' | 'stays';

export interface Reference {
  /** The kind of row that is named. */
  kind: string;
  whenGone: WhenGone;
  /** Both rows lie in one visit (and so in one site and loan), or in one site only. */
  within: 'visit' | 'site';
  /** A region that has to lie on the frame that this field of the row names; `id`: on the row itself, which is a frame. */
  on: string | null;
}

const references = z.registry<Reference>();

/** The id of another row, and what becomes of this one when that is removed. May be made nullable, and stand in lists. */
export function ref(
  kind: string,
  whenGone: WhenGone,
  { within = 'visit', on = null }: Partial<Pick<Reference, 'within' | 'on'>> = {},
): z.ZodUUID {
  // A schema of its own: what is known of a reference hangs on it.
  const schema = z.uuid();
  references.add(schema, { kind, whenGone, within, on });
  return schema;
}

/** A reference that some row makes. */
export interface Named extends Reference {
  /** The field of the value that it stands in, however deep. */
  field: string;
  id: string;
}

/** A way into a value: to a reference, or on to what lies within. */
type Way =
  | { to: 'reference'; reference: Reference; nullable: boolean }
  | { to: 'fields'; fields: [name: string, way: Way][] }
  | { to: 'items'; item: Way };

function wayInto(schema: z.ZodType, nullable = false): Way | null {
  const known = references.get(schema);
  if (known) return { to: 'reference', reference: known, nullable };
  if (schema instanceof z.ZodNullable || schema instanceof z.ZodOptional)
    return wayInto(schema.unwrap() as z.ZodType, nullable || schema instanceof z.ZodNullable);
  if (schema instanceof z.ZodDefault) return wayInto(schema.unwrap() as z.ZodType, nullable);
  if (schema instanceof z.ZodArray) {
    const item = wayInto(schema.element as z.ZodType);
    return item && { to: 'items', item };
  }
  if (schema instanceof z.ZodObject) {
    const fields = Object.entries(schema.shape as Record<string, z.ZodType>).flatMap(([name, inner]) => {
      const way = wayInto(inner);
      return way ? [[name, way] as [string, Way]] : [];
    });
    return fields.length > 0 ? { to: 'fields', fields } : null;
  }
  return null;
}

const ways = new WeakMap<z.ZodObject, [string, Way][]>();

/** Looked up once for each kind. */
function waysOf(schema: z.ZodObject): [string, Way][] {
  const known = ways.get(schema);
  if (known) return known;
  const way = wayInto(schema);
  const found = way?.to === 'fields' ? way.fields : [];
  ways.set(schema, found);
  return found;
}

function* along(way: Way, value: unknown, field: string): Generator<Named> {
  if (value === null || value === undefined) return;
  if (way.to === 'reference') yield { ...way.reference, field, id: value as string };
  else if (way.to === 'items') for (const item of value as unknown[]) yield* along(way.item, item, field);
  else for (const [name, inner] of way.fields) yield* along(inner, (value as Record<string, unknown>)[name], field);
}

/** All that a value of this schema names. */
export function namedIn(schema: z.ZodObject, value: object): Named[] {
  return waysOf(schema).flatMap(([field, way]) => [...along(way, (value as Record<string, unknown>)[field], field)]);
}

/** References that stand in a field itself, and those that lie deeper. */
export function referencesOf(schema: z.ZodObject): { field: string; deep: boolean; reference: Reference }[] {
  const within = (way: Way): Reference[] => {
    if (way.to === 'reference') return [way.reference];
    return way.to === 'items' ? within(way.item) : way.fields.flatMap(([, inner]) => within(inner));
  };
  return waysOf(schema).flatMap(([field, way]) =>
    within(way).map((reference) => ({ field, deep: way.to !== 'reference', reference })),
  );
}

const GONE = Symbol('gone');

function without(way: Way, value: unknown, gone: (reference: Reference, id: string) => boolean): unknown {
  if (value === null || value === undefined) return value;
  if (way.to === 'reference') {
    if (way.reference.whenGone !== 'forget' || !gone(way.reference, value as string)) return value;
    return way.nullable ? null : GONE;
  }
  if (way.to === 'items') {
    const items = value as unknown[];
    const left = items.map((item) => without(way.item, item, gone));
    return left.every((item, i) => item === items[i]) ? items : left.filter((item) => item !== GONE);
  }
  let left = value as Record<string, unknown>;
  for (const [name, inner] of way.fields) {
    const next = without(inner, left[name], gone);
    if (next === GONE) return GONE;
    if (next !== left[name]) left = { ...left, [name]: next };
  }
  return left;
}

/**
 * A value that has forgotten what is gone: references that are to be forgotten are null, or their part of a list is left out.
 *
 * @returns the same object where it named nothing of it
 */
export function forgetting<V extends object>(schema: z.ZodObject, value: V, gone: (kind: string, id: string) => boolean): V {
  const left = without({ to: 'fields', fields: waysOf(schema) }, value, ({ kind }, id) => gone(kind, id));
  if (left === GONE) throw new Error('A field of a row that is to be forgotten must be nullable.');
  return left as V;
}
