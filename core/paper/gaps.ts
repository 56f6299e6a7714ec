import type { VisitDocument } from '../model/document';
import type { Block } from './block';

/** What a paper would show or read, and cannot: its bytes are missing or damaged. */
export interface Gap {
  kind: 'frame' | 'photo';
  id: string;
}

/**
 * Blocks of a paper with a callout behind its first title that names what is missing; the same blocks where nothing is.
 *
 * @param documents - visits in which the paper's frames and photos may lie
 */
export function withGaps(blocks: readonly Block[], documents: readonly VisitDocument[], gaps: readonly Gap[]): Block[] {
  if (gaps.length === 0) return [...blocks];
  const names = [...new Set(gaps.map((gap) => nameOf(documents, gap)))];
  const after = blocks.findIndex(({ kind }) => kind === 'sheet') + 1;
  const text = `Missing in this paper, because the bytes are missing or damaged: ${names.join(', ')}. What is read from them is missing with them. A backup or another import brings them back.`;
  return [...blocks.slice(0, after), { kind: 'callout', text }, ...blocks.slice(after)];
}

function nameOf(documents: readonly VisitDocument[], { kind, id }: Gap): string {
  const row = documents.map(({ rows }) => rows[kind][id]).find(Boolean);
  return `${kind} “${row?.value.name ?? id}”`;
}
