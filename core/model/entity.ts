import type * as z from 'zod';

/** Whose rows of a kind are: a visit's, its site's (all visits see them), everybody's on the shelf, or a loan's. */
export type Scope = 'visit' | 'site' | 'shelf' | 'loan';

/** The row that a row hangs on: named when it is made, never changed, and it takes the row along when it is removed. */
export interface Parent {
  /** Of the value, or of the table where the value does not hold it. */
  field: string;
  /** Kinds that may be meant; where there are several, `kindField` of the value says which. */
  kinds: readonly string[];
  kindField?: string;
}

/** One kind of row that people edit: everything that commands, loading, conflicts and removing need to know of it. */
export interface EntityDefinition<
  Name extends string = string,
  Schema extends z.ZodObject = z.ZodObject,
  S extends Scope = Scope,
> {
  name: Name;
  /** What people call one. */
  label: string;
  schema: Schema;
  scope: S;
  /** null for what stands by itself: a site, and everything on the shelf. */
  parent: Parent | null;
  /** Other fields that are given when a row is made and never change. */
  fixed: readonly (keyof z.infer<Schema> & string)[];
  /** What people call its fields. A field that is not named here is not shown: ids, places in a list. */
  words: Partial<Record<keyof z.infer<Schema> & string, string>>;
  /** Whether commands may add rows; others come with an import or with a visit. */
  addable: boolean;
  /** Whether commands may remove rows one by one. */
  removable: boolean;
}

type Optional = 'fixed' | 'addable' | 'removable';

/** Defines a kind of row. See docs/adding.md. */
export function defineEntity<Name extends string, Schema extends z.ZodObject, S extends Scope>(
  definition: Omit<EntityDefinition<Name, Schema, S>, Optional> & Partial<Pick<EntityDefinition<Name, Schema, S>, Optional>>,
): EntityDefinition<Name, Schema, S> {
  return { fixed: [], addable: true, removable: true, ...definition };
}

/** What most rows of a visit hang on. */
export const OF_VISIT: Parent = { field: 'visitId', kinds: ['visit'] };
export const OF_SITE: Parent = { field: 'siteId', kinds: ['site'] };
export const OF_FRAME: Parent = { field: 'frameId', kinds: ['frame'] };
export const OF_LOAN: Parent = { field: 'loanId', kinds: ['loan'] };
