import type { Pixels } from '../work/heating/tails';
import type { VisitDocument } from '../model/document';
import type { DisplayUnit } from '../ground/temperature';
import type { Block } from './block';
import { boilerBlocks, cardsOf } from './boiler';
import { flushBlocks, hasFlush } from './flush';
import { pipeBlocks } from './pipes';
import { hasRecord, recordBlocks } from './record';

/** What a report says of the heating, each part on a sheet of its own, where something was done. */
export function heatingSheets(document: VisitDocument, pixels: Pixels, unit: DisplayUnit): Block[] {
  const sheet = (title: string): Block => ({ kind: 'sheet', above: 'Heating', title });
  return [
    ...(hasRecord(document) ? [sheet('Emitters and drops'), ...recordBlocks(document, pixels, unit)] : []),
    ...pipeBlocks(document, unit),
    ...(hasFlush(document) ? [sheet('Flush'), ...flushBlocks(document, pixels)] : []),
    ...cardsOf(document).flatMap((card) => [sheet(card.value.boiler), ...boilerBlocks(document, card)]),
  ];
}
