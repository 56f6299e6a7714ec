'use client';

import { DeleteOutlined, PlusOutlined } from '@ant-design/icons';
import { Button, Select } from 'antd';
import type { Row } from '@core/model/entities';
import { serviceValueSchema } from '@core/model/serviceRow';
import { SERVICE_KINDS, SERVICE_WORDS, type ServiceKind } from '@core/model/serviceKinds';
import { CommitText } from '@ui/form/CommitText';
import type { HouseHand } from './useHouse';
import styles from './ServiceList.module.css';

/** The services of a room: named here, placed on the plan. */
export function ServiceList({ room, house }: { room: Row<'room'>; house: HouseHand }) {
  const rows = house.servicesIn(room.id);
  const names = rows.map(({ value }) => value.name.toLowerCase());
  const twice = rows.find(({ value }, i) => names.indexOf(value.name.toLowerCase()) < i);
  return (
    <section aria-label="Services" className={styles.services}>
      <h2>Services</h2>
      <ul>
        {rows.map((row) => (
          <li key={row.id}>
            <span>{SERVICE_WORDS[row.value.kind]}</span>
            <CommitText
              label={`Name of ${row.value.name}`}
              value={row.value.name}
              schema={serviceValueSchema.shape.name}
              onCommit={(name) => house.putService(row, 'Name of a service', { name })}
            />
            <Button
              type="text"
              icon={<DeleteOutlined />}
              aria-label={`Remove ${row.value.name}`}
              onClick={() => house.removeService(row)}
            />
          </li>
        ))}
      </ul>
      {twice && (
        <p role="status">
          Two services here are called “{twice.value.name}”. Nothing mixes them up, but people will: rename one.
        </p>
      )}
      <div className={styles.add}>
        <Select<ServiceKind>
          aria-label="Add a service"
          placeholder={
            <>
              <PlusOutlined /> Add a service
            </>
          }
          value={null}
          showSearch={{ optionFilterProp: 'label' }}
          options={SERVICE_KINDS.map((kind) => ({ value: kind, label: SERVICE_WORDS[kind] }))}
          onChange={(kind) => house.addService(room, kind)}
        />
        {house.services.length === 0 && <Button onClick={house.makeServices}>Usual services in all rooms</Button>}
      </div>
    </section>
  );
}
