'use client';

import { RedoOutlined, UndoOutlined } from '@ant-design/icons';
import { Button, Tooltip } from 'antd';
import { useKeys } from '@ui/keys/useKeys';
import { useVisitPart, useVisitStore } from '@ui/visit/VisitProvider';

/** Back and forth over everything drawn or set, each saying what it would do; their keys work wherever they are shown. */
export function UndoButtons() {
  const { undo, redo } = useVisitStore();
  const undoLabel = useVisitPart(({ history }) => history.done.at(-1)?.label ?? null);
  const redoLabel = useVisitPart(({ history }) => history.undone.at(-1)?.label ?? null);
  useKeys({ 'Ctrl z': undo, 'Ctrl Shift z': redo, 'Ctrl y': redo });
  return (
    <>
      <Tooltip title={undoLabel ? `Undo: ${undoLabel} (Ctrl Z)` : 'Nothing to undo'}>
        <Button
          type="text"
          icon={<UndoOutlined />}
          aria-label={undoLabel ? `Undo: ${undoLabel}` : 'Undo'}
          disabled={!undoLabel}
          onClick={undo}
        />
      </Tooltip>
      <Tooltip title={redoLabel ? `Redo: ${redoLabel} (Ctrl Shift Z)` : 'Nothing to redo'}>
        <Button
          type="text"
          icon={<RedoOutlined />}
          aria-label={redoLabel ? `Redo: ${redoLabel}` : 'Redo'}
          disabled={!redoLabel}
          onClick={redo}
        />
      </Tooltip>
    </>
  );
}
