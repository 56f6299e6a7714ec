'use client';

import { onDemand } from '@ui/lazy/onDemand';
import { PlusOutlined } from '@ant-design/icons';
import { Button, ConfigProvider } from 'antd';
import { useState } from 'react';
import { v7 as newId } from 'uuid';
import { denTheme } from '@ui/theme/themes';
import { useVisit } from '@ui/visit/VisitProvider';

const RecordFinding = onDemand(() => import('@ui/finding/RecordFinding').then((m) => m.RecordFinding));

/** A finding that rests on no frame: on a value, a picture, on what was seen or not seen. */
export function AddFinding() {
  const { document, edit } = useVisit();
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button icon={<PlusOutlined />} onClick={() => setOpen(true)}>
        Add a finding
      </Button>
      {open && (
        <ConfigProvider theme={denTheme}>
          <RecordFinding
            start={{}}
            bases={['shape', 'typed', 'picture', 'nothing', 'unsolved']}
            onRecord={(value) => {
              const rowId = newId();
              edit('Finding recorded', [{ entity: 'finding', rowId, value }]);
              setOpen(false);
              window.history.replaceState(null, '', `/visits/${document.visitId}/findings/${rowId}`);
            }}
            onClose={() => setOpen(false)}
          />
        </ConfigProvider>
      )}
    </>
  );
}
