import type { VisitDocument } from '../../model/document';
import type { Reading } from '../../method/frame/reading';
import { settingsFor } from './settingsInForce';

/** What two readings are taken to have in common, so that it cancels in their difference. */
export interface Common {
  /** Emissivity: of one material, of one surface, or each its own. */
  emissivity: 'material' | 'surface' | 'own';
  /** What they mirror. */
  reflected: boolean;
  /** Level and slope of the camera. */
  camera: boolean;
}

/** What the difference of two regions takes as common; `thisId` and `thatId` are those of the readings. */
export function commonOf(document: VisitDocument, [thisId, a]: [string, Reading], [thatId, b]: [string, Reading]): Common {
  const names = new Set(a.mean.inputs.filter(({ u }) => u > 0).map(({ name }) => name));
  const parts = new Set(b.mean.inputs.filter(({ name, u }) => u > 0 && names.has(name)).map(({ part }) => part));
  const materialOf = (regionId: string) =>
    settingsFor(document, document.rows.region[regionId]!.value.frameId, regionId).material;
  const material = materialOf(thisId);
  const one = material !== null && material === materialOf(thatId);
  return {
    emissivity: parts.has('emissivity') ? (one ? 'material' : 'surface') : 'own',
    reflected: parts.has('reflected'),
    camera: parts.has('calibration') || parts.has('gain'),
  };
}
