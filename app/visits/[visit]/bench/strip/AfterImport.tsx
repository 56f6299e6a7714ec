'use client';

import { Button } from 'antd';
import { QuickLink } from '@ui/link/QuickLink';
import { useState } from 'react';
import { v7 as newId } from 'uuid';
import { findRuns } from '@core/method/frame/runs';
import { framesOf } from '@core/work/visit/frames';
import type { ImportedFile } from '@ui/import/useImport';
import type { Edit } from '@ui/store/rowStore';
import { useVisit } from '@ui/visit/VisitProvider';

/** What can be done once files are in: numbered runs kept as sequences, and files with pixels without a value after all. */
export function AfterImport({
  files,
  onAllSame,
  onChoose,
}: {
  files: ImportedFile[];
  /** Adds files again, with pixels without a value allowed. */
  onAllSame(names: ReadonlySet<string>): void;
  /** Chooses the frames that came in, for what is done to many at once. */
  onChoose(ids: ReadonlySet<string>): void;
}) {
  const { document, edit } = useVisit();
  const [kept, setKept] = useState(0);
  const ids = new Set(files.map(({ id }) => id));
  const runs = findRuns(
    framesOf(document)
      .filter(({ id, value }) => ids.has(id) && value.sequenceId === null)
      .map(({ id }) => {
        const { fileName, takenAt, width, height } = document.frameFacts[id]!;
        return { id, fileName, takenAt: Date.parse(takenAt), width, height };
      }),
  );
  const lacking = new Set(
    files
      .filter(({ outcome, words }) => outcome === 'refused' && words.includes('not a finite number'))
      .map(({ fileName }) => fileName),
  );
  const keep = () => {
    const edits: Edit[] = runs.flatMap(({ name, ids: members, intervalS }) => {
      const sequenceId = newId();
      return [
        { entity: 'sequence', rowId: sequenceId, value: { visitId: document.visitId, name: name.slice(0, 160), intervalS } },
        ...members.map((id): Edit => ({
          entity: 'frame',
          rowId: id,
          value: { ...document.rows.frame[id]!.value, sequenceId, picked: false },
        })),
      ];
    });
    edit('Kept as a sequence', edits);
    setKept(runs.length);
  };
  const fresh = files.flatMap(({ id, outcome }) => (outcome === 'frame' && id ? [id] : []));
  return (
    <>
      {fresh.length > 1 && (
        <p>
          Settings for all of them, or values that the camera had computed already?{' '}
          <Button size="small" onClick={() => onChoose(new Set(fresh))}>
            Choose the new frames
          </Button>
        </p>
      )}
      {fresh.length > 1 && (
        <p>
          <QuickLink href={`/visits/${document.visitId}/findings/candidates`}>What deserves a look in them</QuickLink>
        </p>
      )}
      {runs.length > 0 && kept === 0 && (
        <p>
          {runs.map(({ name, ids: members }) => `${members.length} frames of “${name}” count up like a recording. `).join('')}
          <Button size="small" onClick={keep}>
            Keep as a sequence
          </Button>
        </p>
      )}
      {lacking.size > 0 && (
        <p>
          {lacking.size} {lacking.size === 1 ? 'file has' : 'files have'} pixels without a value.{' '}
          <Button size="small" onClick={() => onAllSame(lacking)}>
            Add where it is 1 % at most
          </Button>
        </p>
      )}
    </>
  );
}
