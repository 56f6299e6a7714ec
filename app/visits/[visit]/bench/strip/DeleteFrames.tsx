'use client';

import { Alert, Button, Checkbox, Modal, Skeleton } from 'antd';
import { useState } from 'react';
import type { Row } from '@core/model/entities';
import type { RemovalQuestion } from '@core/model/removalWords';
import { askRemoval } from '@ui/form/askRemoval';
import { wordsOf } from '@ui/server/api';
import { useVisit, useVisitStore } from '@ui/visit/VisitProvider';

/** Deletes chosen frames for good: says what goes with them and what would miss them, here and on other visits, and asks. */
export function DeleteFrames({ rows, onDeleted }: { rows: readonly Row<'frame'>[]; onDeleted(): void }) {
  const { document, refresh } = useVisit();
  const { removeForGood } = useVisitStore();
  const [asking, setAsking] = useState(false);
  const [question, setQuestion] = useState<RemovalQuestion | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [withPhotos, setWithPhotos] = useState(true);
  const ids = new Set(rows.map(({ id }) => id));
  const photos = asking ? Object.values(document.rows.photo).filter(({ value }) => ids.has(value.frameId ?? '')) : [];
  const frames = `${rows.length} ${rows.length === 1 ? 'frame' : 'frames'}`;
  const ask = async () => {
    setAsking(true);
    setQuestion(null);
    setProblem(null);
    try {
      setQuestion(await askRemoval('frame', [...ids]));
    } catch (error) {
      setProblem(wordsOf(error));
    }
  };
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
      <Button size="small" danger onClick={() => void ask()}>
        Delete …
      </Button>
      <Modal
        open={asking}
        title={`Delete ${frames} for good?`}
        okText="Delete for good"
        okButtonProps={{ danger: true, disabled: !question || question.refused !== null }}
        onOk={() => void remove()}
        onCancel={() => setAsking(false)}
      >
        {problem && <Alert type="error" title={problem} />}
        {!question && !problem && <Skeleton active title={false} paragraph={{ rows: 2 }} />}
        {question?.refused && <p>{question.refused}</p>}
        {question && !question.refused && (
          <>
            <p>{[question.goes, question.without].filter(Boolean).join(' ')} The files as they came go too. There is no undo.</p>
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
