import type { Pixels } from '../work/heating/tails';
import type { VisitDocument } from '../model/document';
import { framesOfHunt } from '../work/water/seek';
import { framesOfPairs } from '../work/proof/proven';
import type { DisplayUnit } from '../ground/temperature';
import { isPractice, PRACTICE_FOOT } from '../work/visit/practice';
import { siteOf, visitDay, visitRow } from '../work/visit/theVisit';
import type { Block } from './block';
import { blocksOf } from './blocks';
import { boilerBlocks, cardsOf } from './boiler';
import { flushBlocks, framesOfFlush } from './flush';
import { openingBlocks } from './openings';
import { framesOfRecord, recordBlocks } from './record';
import { leakSheets } from './leak';
import { buildReport, framesOfReport, NOTHING_COMPUTED, photosOfReport, type Computed } from './model';
import { proofSheets } from './proof';

/** What is made of a visit to be taken along. */
export const PAPERS = ['report', 'heating', 'openings', 'flush', 'boiler', 'proof', 'leak'] as const;
export type Paper = (typeof PAPERS)[number];

/** What a paper's file is called after the site. */
export const PAPER_NAMES: Record<Paper, string> = {
  report: '',
  heating: 'heating record',
  openings: 'openings',
  flush: 'flush certificate',
  boiler: 'boiler card',
  proof: 'what the works changed',
  leak: 'where the water comes from',
};

/** A paper as it is printed. */
export interface Printed {
  title: string;
  subject: string;
  /** At the foot of every page. */
  foot: string;
  /** Its pictures bear the word. */
  practice: boolean;
  blocks: Block[];
}

/** Frames whose pixels a paper needs. @param earlier - visits that pairs are compared with */
export function framesOfPaper(document: VisitDocument, paper: Paper, earlier: readonly VisitDocument[]): string[] {
  switch (paper) {
    case 'report':
      return framesOfReport(document, earlier);
    case 'heating':
      return [...new Set(framesOfRecord(document))];
    case 'flush':
      return [...new Set(framesOfFlush(document))];
    case 'proof':
      return framesOfPairs(document, earlier);
    case 'leak':
      return framesOfHunt(document);
    case 'openings':
    case 'boiler':
      return [];
  }
}

/** Whether a paper says what pairs of before and after show. */
export const comparesPairs = (paper: Paper): boolean => paper === 'report' || paper === 'proof';

/** Photos that blocks show. */
function photosOfBlocks(blocks: readonly Block[]): string[] {
  const shown = blocks.flatMap((block) => (block.kind === 'pictures' ? block.pictures : []));
  return [...new Set(shown.flatMap(({ photoId }) => photoId ?? []))];
}

/** Photos that a paper shows, without its pixels. */
export function photosOfPaper(document: VisitDocument, paper: Paper, unit: DisplayUnit): string[] {
  if (paper === 'report') {
    const report = buildReport(document, () => undefined, unit);
    return [...new Set([...photosOfReport(report), ...photosOfBlocks(report.heating)])];
  }
  return photosOfBlocks(paperBlocks(document, paper, () => undefined, unit, NOTHING_COMPUTED));
}

function paperBlocks(document: VisitDocument, paper: Paper, pixels: Pixels, unit: DisplayUnit, computed: Computed): Block[] {
  const sheet = (title: string): Block => ({
    kind: 'sheet',
    above: [siteOf(document).address, visitRow(document).value.title, visitDay(document)].filter(Boolean).join(' · '),
    title,
  });
  const { name } = siteOf(document);
  switch (paper) {
    case 'report':
      return blocksOf(buildReport(document, pixels, unit, computed));
    case 'heating':
      return [sheet(`${name}: record of the heating`), ...recordBlocks(document, pixels, unit)];
    case 'openings':
      return [sheet(`${name}: openings by order of warming`), ...openingBlocks(document)];
    case 'flush':
      return [sheet(`${name}: certificate of a flush`), ...flushBlocks(document, pixels)];
    case 'proof':
      return named(proofSheets(document, computed.proven, unit), sheet(`${name}: nothing is compared yet`));
    case 'leak':
      return named(leakSheets(document, computed.leak, pixels, unit), sheet(`${name}: no leak is hunted`));
    case 'boiler': {
      const cards = cardsOf(document);
      if (cards.length === 0) return [sheet(`${name}: no boiler card yet`)];
      return cards.flatMap((card) => [sheet(`${name}: ${card.value.boiler}`), ...boilerBlocks(document, card)]);
    }
  }
}

/** Sheets, or one that says that there are none. */
function named(sheets: Block[], none: Block): Block[] {
  return sheets.length > 0 ? sheets : [none];
}

/** A paper of a visit, from what is stored of it now. */
export function printed(document: VisitDocument, paper: Paper, pixels: Pixels, unit: DisplayUnit, computed: Computed): Printed {
  const { name } = siteOf(document);
  const day = visitDay(document);
  return {
    title: [name, PAPER_NAMES[paper], day].filter(Boolean).join(', '),
    subject: visitRow(document).value.title,
    foot: [isPractice(document) ? PRACTICE_FOOT : '', name, PAPER_NAMES[paper], day].filter(Boolean).join(' · '),
    practice: isPractice(document),
    blocks: paperBlocks(document, paper, pixels, unit, computed),
  };
}
