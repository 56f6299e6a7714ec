import type { VisitDocument } from '@core/model/document';
import type { Edit } from '@ui/store/rowStore';
import type { ImportedFile } from './send';

/** What a file became, as rows that undo takes back. @param evidence - whether a picture is kept without data */
export function importedRows(document: VisitDocument, { outcome, id }: ImportedFile, evidence: boolean): Edit[] {
  if (id === null) return [];
  if (outcome === 'frame') {
    const row = document.rows.frame[id];
    const { sequenceId } = row?.value ?? { sequenceId: null };
    const all = Object.values(document.rows.frame).filter(
      (one) => one.id === id || (sequenceId !== null && one.value.sequenceId === sequenceId),
    );
    return all.map(({ id: rowId, value }) => ({ entity: 'frame', rowId, value, before: { ...value, discarded: true } }));
  }
  const photo = document.rows.photo[id];
  if (!photo || (outcome !== 'photo' && outcome !== 'evidence')) return [];
  const value = { ...photo.value, evidence: evidence || photo.value.evidence };
  return [{ entity: 'photo', rowId: id, value, before: { ...value, discarded: true } }];
}
