import type { Row } from '../../model/entities';
import type { VisitDocument } from '../../model/document';
import type { RegionValue } from '../../model/regionRow';
import type { ExhibitRole, ExhibitValue } from '../../model/exhibitRow';

/** A frame as an exhibit of a finding, with the finding's two regions where they lay on its first frame. */
export interface SecondLook {
  exhibit: ExhibitValue;
  regions: { id: string; value: RegionValue }[];
}

/**
 * Makes another frame of the same view part of a finding. Where both frames have one size, the finding's regions come along,
 * so that the difference can be stated again; they can be moved like any other.
 *
 * @param frameId - must be there
 * @param newId - gives ids to what is made
 * @param addedAt - ms since 1970
 */
export function secondLook(
  document: VisitDocument,
  finding: Row<'finding'>,
  frameId: string,
  role: ExhibitRole,
  newId: () => string,
  addedAt: number,
): SecondLook {
  const { frameId: firstId, thisRegionId, thatRegionId, by } = finding.value;
  const facts = [document.frameFacts[firstId ?? ''], document.frameFacts[frameId]];
  const alike = facts[0]?.width === facts[1]?.width && facts[0]?.height === facts[1]?.height;
  const own = [thisRegionId, thatRegionId].map((id) => document.rows.region[id ?? '']);
  const here = own.every((region) => region?.value.frameId === firstId);
  const regions =
    alike && here ? own.map((region, ordinal) => ({ id: newId(), value: { ...region!.value, frameId, ordinal } })) : [];
  return {
    regions,
    exhibit: {
      findingId: finding.id,
      role,
      frameId,
      thisRegionId: regions[0]?.id ?? null,
      thatRegionId: regions[1]?.id ?? null,
      by,
      photoId: null,
      note: '',
      addedAt,
    },
  };
}
