'use client';

import { DeleteOutlined } from '@ant-design/icons';
import { Alert, App, Button, Input, Modal, Tooltip } from 'antd';
import { useState } from 'react';
import type { Entity } from '@core/model/entities';
import { wordsOf } from '@ui/server/api';
import { removeRow } from '@ui/form/removeRow';

/** Deletes something that was put away, for good: says what goes with it, and asks for its name. */
export function DeleteButton({
  entity,
  rowId,
  version,
  name,
  goes,
  disabled,
  onDeleted,
}: {
  entity: Entity;
  rowId: string;
  version: number;
  name: string;
  /** What goes with it, in words. */
  goes: string;
  disabled: boolean;
  onDeleted(): void;
}) {
  const { message } = App.useApp();
  const [asking, setAsking] = useState(false);
  const [typed, setTyped] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const [deleting, setDeleting] = useState(false);
  const close = () => {
    setAsking(false);
    setTyped('');
    setProblem(null);
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
          onClick={() => setAsking(true)}
        />
      </Tooltip>
      <Modal
        open={asking}
        title={`Delete ${name} for good?`}
        okText="Delete for good"
        okButtonProps={{ danger: true, disabled: typed.trim() !== name }}
        confirmLoading={deleting}
        onOk={() => void remove()}
        onCancel={close}
      >
        <p>{goes} Nothing of it stays on this machine but what stands in backups that were made before. There is no undo.</p>
        <label htmlFor={`delete-${rowId}`}>
          Type <b>{name}</b> to go on
        </label>
        <Input id={`delete-${rowId}`} value={typed} onChange={(event) => setTyped(event.target.value)} />
        {problem && <Alert type="error" title={problem} style={{ marginTop: 12 }} />}
      </Modal>
    </>
  );
}
