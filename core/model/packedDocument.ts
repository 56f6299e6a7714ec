import * as z from 'zod';
import type { VisitDocument } from './document';

/** Objects of one kind: the names of their fields once, and a list of values for each. */
interface Packed {
  fields: string[];
  lists: unknown[][];
}

/** Checked as far as it is read here: what stands in the lists was checked where it was stored. */
const kindSchema = z.object({
  fields: z.array(z.string()),
  lists: z.custom<unknown[][]>((lists) => Array.isArray(lists) && lists.every(Array.isArray)),
});
const packedSchema = z.object({
  rows: z.record(z.string(), kindSchema),
  frameFacts: kindSchema,
  photoFacts: kindSchema,
  rest: z.looseObject({ visitId: z.string(), siteId: z.string(), readAt: z.number() }),
});

/** The first entry of each list names the object. */
function pack<O extends object>(objects: Readonly<Record<string, O>>, valueOf: (one: O) => object = (one) => one): Packed {
  const entries = Object.entries(objects);
  const fields = entries[0] ? Object.keys(valueOf(entries[0][1])) : [];
  const lists = entries.map(([id, one]) => {
    const value = valueOf(one) as Record<string, unknown>;
    const list: unknown[] = [id];
    for (const field of fields) list.push(value[field]);
    return list;
  });
  return { fields, lists };
}

/** The value of a list, without the `from` first of its fields. */
function valueIn(list: readonly unknown[], fields: readonly string[], from: number): Record<string, unknown> {
  const value: Record<string, unknown> = {};
  for (let i = from; i < fields.length; i += 1) value[fields[i]!] = list[i + 1];
  return value;
}

function unpack({ fields, lists }: Packed): Record<string, Record<string, unknown>> {
  const found: Record<string, Record<string, unknown>> = {};
  for (const list of lists) found[list[0] as string] = valueIn(list, fields, 0);
  return found;
}

/** Rows are packed with their version before their value. */
function unpackRows({ fields, lists }: Packed): Record<string, object> {
  const found: Record<string, object> = {};
  for (const list of lists) {
    const id = list[0] as string;
    found[id] = { id, version: list[1], value: valueIn(list, fields, 1) };
  }
  return found;
}

type Rows = Record<string, Record<string, { id: string; version: number; value: object }>>;

/**
 * A visit with the names of fields once instead of in each of thousands of rows: as text half as long as its own JSON, and
 * twice as fast to read.
 */
export function packDocument({ rows, frameFacts, photoFacts, ...rest }: VisitDocument): object {
  const packedRows = Object.entries(rows as unknown as Rows).map(([entity, all]) => [
    entity,
    pack(all, ({ version, value }) => ({ version, ...value })),
  ]);
  return {
    rows: Object.fromEntries(packedRows) as unknown,
    frameFacts: pack(frameFacts),
    photoFacts: pack(photoFacts),
    rest,
  };
}

/** A visit from what `packDocument` made of it; refuses what it did not. */
export const packedDocumentSchema = packedSchema.transform(({ rows, frameFacts, photoFacts, rest }): VisitDocument => {
  const unpacked = Object.entries(rows).map(([entity, packed]) => [entity, unpackRows(packed)]);
  return {
    ...rest,
    rows: Object.fromEntries(unpacked) as unknown,
    frameFacts: unpack(frameFacts),
    photoFacts: unpack(photoFacts),
  } as unknown as VisitDocument;
});
