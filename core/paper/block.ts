import type { Fact } from './fact';
import type { Figure } from './figure';
import type { StatedPair } from './statedPair';

/** Words of a report that can be changed where they stand. */
export type Editable = { of: 'question' } | { of: 'answer' } | { of: 'complaint'; id: string };

/** A picture on a sheet: a frame, a photo, or a frame beside its photo. */
export interface Picture {
  figure: Figure | null;
  photoId: string | null;
  caption: string;
}

/**
 * What a report is made of, in order. Each kind is drawn once for the page and once for the PDF; whatever comes to the report
 * later comes as blocks.
 */
export type Block =
  /** A new sheet begins, with a line above its title. */
  | { kind: 'sheet'; above: string; title: string }
  | { kind: 'heading'; text: string }
  | { kind: 'text'; text: string; quiet?: boolean }
  | { kind: 'editable'; text: string; proposed: string; label: string; edits: Editable }
  | { kind: 'facts'; facts: Fact[] }
  /** Findings in a list, each with what it says in short. */
  | { kind: 'list'; entries: { id: string; number: number; title: string; place: string; short: string }[] }
  /** Pictures beside each other. */
  | { kind: 'pictures'; pictures: Picture[] }
  | { kind: 'difference'; stated: StatedPair }
  | { kind: 'regions'; stated: StatedPair }
  | { kind: 'callout'; text: string }
  /** Each line has as many cells as the head. */
  | { kind: 'table'; head: string[]; align: ('left' | 'right')[]; rows: string[][] }
  /** Shares 0 … 1 at stages, each as a bar; null where there is none. */
  | { kind: 'bars'; stages: string[]; rows: { name: string; shares: (number | null)[] }[] }
  /** Lines over named places, with a band that they should come into. */
  | {
      kind: 'lines';
      names: string[];
      lines: { name: string; values: (number | null)[] }[];
      band: { low: number; high: number; words: string };
    };

/** Blocks by their sheets. */
export function sheetsOf(blocks: readonly Block[]): Block[][] {
  const sheets: Block[][] = [];
  for (const block of blocks) {
    if (block.kind === 'sheet') sheets.push([block]);
    else sheets.at(-1)?.push(block);
  }
  return sheets;
}
