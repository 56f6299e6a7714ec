'use client';

import { PlusOutlined } from '@ant-design/icons';
import { Button, Input, Modal, Select } from 'antd';
import { useState } from 'react';
import { v7 as newId } from 'uuid';
import { ownStopValueSchema } from '@core/model/ownStopRow';
import { roomsOf } from '@core/work/visit/theVisit';
import { useVisit } from '@ui/visit/VisitProvider';
import styles from './AddStop.module.css';

/** A stop that the house and the question do not give: for this visit and the next ones. */
export function AddStop() {
  const { document, edit } = useVisit();
  const [open, setOpen] = useState(false);
  const [title, setTitle] = useState('');
  const [roomId, setRoomId] = useState<string | null>(null);
  const checked = ownStopValueSchema.safeParse({ siteId: document.siteId, roomId, title });
  const add = () => {
    if (!checked.success) return;
    edit(`Stop added: ${checked.data.title}`, [{ entity: 'ownStop', rowId: newId(), value: checked.data }]);
    setOpen(false);
    setTitle('');
  };
  return (
    <>
      <Button icon={<PlusOutlined />} onClick={() => setOpen(true)}>
        Add a stop
      </Button>
      <Modal
        open={open}
        title="Add a stop"
        okText="Add it to the round"
        okButtonProps={{ disabled: !checked.success }}
        onOk={add}
        onCancel={() => setOpen(false)}
      >
        <label className={styles.field}>
          <span>What is to be looked at?</span>
          <Input
            autoFocus
            value={title}
            placeholder="Meter cupboard under the stairs"
            onChange={(event) => setTitle(event.target.value)}
            onPressEnter={(event) => {
              // Else the key would go on to the button that gets the focus back.
              event.preventDefault();
              add();
            }}
          />
        </label>
        <div className={styles.field}>
          <span id="own-stop-room">Where?</span>
          <Select
            aria-labelledby="own-stop-room"
            value={roomId}
            onChange={setRoomId}
            options={[
              { value: null, label: 'The house as a whole' },
              ...roomsOf(document).map(({ id, value }) => ({ value: id, label: value.name })),
            ]}
          />
        </div>
      </Modal>
    </>
  );
}
