import { v7 as newId } from 'uuid';
import type { VisitDocument } from '@core/model/document';
import type { Row } from '@core/model/entities';
import { secondLook } from '@core/work/visit/secondLook';
import type { Edit } from '@ui/store/rowStore';

/** What makes a frame that was just taken the second look at a finding that was closed. */
export function afterFix(document: VisitDocument, finding: Row<'finding'>, frameId: string): Edit[] {
  const look = secondLook(document, finding, frameId, 'after', newId, Date.now());
  return [
    ...look.regions.map((region): Edit => ({ entity: 'region', rowId: region.id, value: region.value })),
    { entity: 'exhibit', rowId: newId(), value: look.exhibit },
  ];
}
