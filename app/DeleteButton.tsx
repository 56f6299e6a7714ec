'use client';

import { DeleteOutlined } from '@ant-design/icons';
import { Alert, App, Button, Input, Modal, Skeleton, Tooltip } from 'antd';
import { useState } from 'react';
import type { RemovalQuestion } from '@core/model/removalWords';
import { askRemoval } from '@ui/form/askRemoval';
import { wordsOf } from '@ui/server/api';
import { removeRow } from '@ui/form/removeRow';

/** Deletes something that was put away, for good: says what goes with it and what would miss it, and asks for its name. */
export function DeleteButton({
  entity,
  rowId,
  version,
  name,
  stays,
  disabled,
  onDeleted,
}: {
  entity: 'visit' | 'site';
  rowId: string;
  version: number;
  name: string;
  /** What does not go with it, in a sentence. */
  stays?: string;
  disabled: boolean;
  onDeleted(): void;
}) {
  const { message } = App.useApp();
  const [asking, setAsking] = useState(false);
  const [typed, setTyped] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const [deleting, setDeleting] = useState(false);
  const [question, setQuestion] = useState<RemovalQuestion | null>(null);
  const close = () => {
    setAsking(false);
    setTyped('');
    setProblem(null);
    setQuestion(null);
  };
  const ask = async () => {
    setAsking(true);
    try {
      setQuestion(await askRemoval(entity, [rowId]));
    } catch (error) {
      setProblem(wordsOf(error));
    }
  };
  const remove = async () => {
    setDeleting(true);
    try {
      await removeRow(entity, rowId, version);
      close();
      void message.success(`${name} is gone, with all its pictures.`, 4);
      onDeleted();
    } catch (error) {
      setProblem(wordsOf(error));
    }
    setDeleting(false);
  };
  return (
    <>
      <Tooltip title="Delete for good">
        <Button
          type="text"
          danger
          icon={<DeleteOutlined />}
          aria-label={`Delete for good: ${name}`}
          disabled={disabled}
          onClick={() => void ask()}
        />
      </Tooltip>
      <Modal
        open={asking}
        title={`Delete ${name} for good?`}
        okText="Delete for good"
        okButtonProps={{ danger: true, disabled: !question || question.refused !== null || typed.trim() !== name }}
        confirmLoading={deleting}
        onOk={() => void remove()}
        onCancel={close}
      >
        {question ? (
          <>
            {question.refused && <Alert type="warning" title={question.refused} style={{ marginBottom: 12 }} />}
            <p>
              {[question.goes, stays, question.without].filter(Boolean).join(' ')} Nothing of it stays on this machine but what
              stands in backups that were made before. There is no undo.
            </p>
          </>
        ) : (
          !problem && <Skeleton active title={false} paragraph={{ rows: 2 }} />
        )}
        <label htmlFor={`delete-${rowId}`}>
          Type <b>{name}</b> to go on
        </label>
        <Input id={`delete-${rowId}`} value={typed} onChange={(event) => setTyped(event.target.value)} />
        {problem && <Alert type="error" title={problem} style={{ marginTop: 12 }} />}
      </Modal>
    </>
  );
}
