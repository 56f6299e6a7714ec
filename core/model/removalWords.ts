import * as z from 'zod';
import { ENTITIES } from './entities';
import { entityOf } from './entityOf';

/** A row as people know it: its kind, and its title or name where it has one. */
export interface Called {
  entity: string;
  called: string | null;
}

/** What is asked before something is removed. */
export const removalQuestionSchema = z.object({
  /** Why it cannot be removed; null where it can. */
  refused: z.string().nullable(),
  /** What goes along; null for nothing. */
  goes: z.string().nullable(),
  /** What stays and does without it; null for nothing. */
  without: z.string().nullable(),
});
export type RemovalQuestion = z.infer<typeof removalQuestionSchema>;

/** Kinds that belong to what they hang on so closely that naming them says nothing. */
const UNSAID = new Set(['settings', 'conditions', 'intake', 'plan', 'kit', 'ruling', 'heating']);
/** Kinds whose label says too little where others are listed. */
const SAID_AS: Record<string, string> = { stop: 'answered stop of the round' };
/** Of so many of a kind the names are given. */
const NAMED = 4;

/** The title or name of a value; null where it has none. */
export function calledOf(value: object): string | null {
  const { title, name } = value as { title?: unknown; name?: unknown };
  return ([title, name].find((one) => typeof one === 'string' && one !== '') as string | undefined) ?? null;
}

/** Several of a kind: the noun that its label is about takes the ending. */
function severalOf(label: string): string {
  const [, noun = label, rest = ''] = /^(.*?)( (?:of|for|on|added|by) .*)?$/.exec(label) ?? [];
  return `${/[^aeou]y$/.test(noun) ? `${noun.slice(0, -1)}ies` : /(?:s|sh|ch|x)$/.test(noun) ? `${noun}es` : `${noun}s`}${rest}`;
}

function listed(rows: readonly Called[]): string {
  const byKind = new Map<string, (string | null)[]>();
  for (const { entity, called } of rows) {
    if (UNSAID.has(entity)) continue;
    byKind.set(entity, [...(byKind.get(entity) ?? []), called]);
  }
  const order = ENTITIES.map(({ name }) => name as string);
  return [...byKind]
    .sort(([one], [other]) => order.indexOf(one) - order.indexOf(other))
    .map(([entity, all]) => {
      const label = SAID_AS[entity] ?? entityOf(entity).label;
      const names = all.filter((one) => one !== null).sort();
      const counted = all.length === 1 ? `1 ${label}` : `${all.length} ${severalOf(label)}`;
      return names.length === all.length && names.length <= NAMED
        ? `${counted} (${names.map((one) => `“${one}”`).join(', ')})`
        : counted;
    })
    .join(', ');
}

/**
 * What follows from a removal, as people are asked: counts of each kind, and names where there are few.
 *
 * @param rows - without what is removed itself
 */
export function removalQuestion(rows: {
  refused: readonly Called[];
  goes: readonly Called[];
  without: readonly Called[];
}): RemovalQuestion {
  const [refused, goes, without] = [listed(rows.refused), listed(rows.goes), listed(rows.without)];
  return {
    refused: rows.refused.length > 0 ? `Still needed by ${refused || 'something else'}. Remove that first.` : null,
    goes: goes ? `With it ${/^1 [^,]*$/.test(goes) ? 'goes' : 'go'} ${goes}.` : null,
    without: without ? `Kept, but without it: ${without}.` : null,
  };
}
