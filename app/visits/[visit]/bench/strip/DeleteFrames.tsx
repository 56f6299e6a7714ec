'use client';

import { Button, Checkbox, Modal } from 'antd';
import { useState } from 'react';
import { findingsOn } from '@core/work/visit/findings';
import type { Row } from '@core/model/entities';
import { useVisit, useVisitStore } from '@ui/visit/VisitProvider';

/** Deletes chosen frames for good: says what goes with them, and asks. */
export function DeleteFrames({ rows, onDeleted }: { rows: readonly Row<'frame'>[]; onDeleted(): void }) {
  const { document, refresh } = useVisit();
  const { removeForGood } = useVisitStore();
  const [asking, setAsking] = useState(false);
  const [withPhotos, setWithPhotos] = useState(true);
  const ids = new Set(rows.map(({ id }) => id));
  const stated = asking ? findingsOn(document, ids) : [];
  const regions = asking ? Object.values(document.rows.region).filter(({ value }) => ids.has(value.frameId)) : [];
  const photos = asking ? Object.values(document.rows.photo).filter(({ value }) => ids.has(value.frameId ?? '')) : [];
  const frames = `${rows.length} ${rows.length === 1 ? 'frame' : 'frames'}`;
  const remove = async () => {
    setAsking(false);
    removeForGood([
      ...(withPhotos ? photos.map(({ id }) => ({ entity: 'photo' as const, rowId: id })) : []),
      ...rows.map(({ id }) => ({ entity: 'frame' as const, rowId: id })),
    ]);
    onDeleted();
    await refresh();
  };
  return (
    <>
      <Button size="small" danger onClick={() => setAsking(true)}>
        Delete …
      </Button>
      <Modal
        open={asking}
        title={`Delete ${frames} for good?`}
        okText="Delete for good"
        okButtonProps={{ danger: true, disabled: stated.length > 0 }}
        onOk={() => void remove()}
        onCancel={() => setAsking(false)}
      >
        {stated.length > 0 ? (
          <p>
            {stated.length === 1 ? 'A finding is' : `${stated.length} findings are`} stated on {rows.length === 1 ? 'it' : 'them'}
            : {stated.map(({ value }) => `“${value.title}”`).join(', ')}. Remove {stated.length === 1 ? 'it' : 'them'} first.
          </p>
        ) : (
          <>
            <p>
              With {rows.length === 1 ? 'it' : 'them'} go {regions.length} {regions.length === 1 ? 'region' : 'regions'}, settings
              and the files as they came. There is no undo.
            </p>
            {photos.length > 0 && (
              <Checkbox checked={withPhotos} onChange={(event) => setWithPhotos(event.target.checked)}>
                {photos.length === 1 ? 'The daylight photo as well' : `The ${photos.length} daylight photos as well`}
              </Checkbox>
            )}
          </>
        )}
      </Modal>
    </>
  );
}
