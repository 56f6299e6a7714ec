'use client';

import { DeleteOutlined, DownOutlined, UpOutlined } from '@ant-design/icons';
import { Button, InputNumber, Select } from 'antd';
import { isHeated } from '@core/model/heated';
import { ROOM_KINDS, ROOM_WORDS } from '@core/model/houseKinds';
import type { Row } from '@core/model/entities';
import { roomValueSchema } from '@core/model/roomRow';
import { CommitText } from '@ui/form/CommitText';
import { ServiceList } from './ServiceList';
import { SurfaceList } from './SurfaceList';
import type { HouseHand } from './useHouse';
import styles from './RoomPanel.module.css';

/** One room: what it is, where it lies, and its surfaces. */
export function RoomPanel({ row, house, onGone }: { row: Row<'room'>; house: HouseHand; onGone(): void }) {
  const { name, kind, storey, heightM } = row.value;
  const remove = () => house.removeRoom(row, onGone);
  return (
    <section className={styles.card} aria-label={name}>
      <div className={styles.fields}>
        <label>
          <span>Name</span>
          <CommitText
            label="Name of the room"
            value={name}
            schema={roomValueSchema.shape.name}
            onCommit={(next) => house.putRoom(row, 'Name of the room', { name: next })}
          />
        </label>
        <label>
          <span>Kind</span>
          <Select
            aria-label="Kind of room"
            value={kind}
            options={ROOM_KINDS.map((one) => ({ value: one, label: ROOM_WORDS[one] }))}
            onChange={(next) => house.putRoom(row, 'Kind of room', { kind: next })}
          />
        </label>
        <label>
          <span>Storey</span>
          <InputNumber
            aria-label="Storey"
            value={storey}
            min={-3}
            max={20}
            precision={0}
            onChange={(next) => next !== null && house.putRoom(row, 'Storey', { storey: next })}
          />
        </label>
        <label>
          <span>Height</span>
          <InputNumber
            aria-label="Height of the room"
            value={heightM}
            min={1}
            max={20}
            step={0.1}
            suffix="m"
            onChange={(next) => next !== null && house.putRoom(row, 'Height of the room', { heightM: next })}
          />
        </label>
        <label>
          <span>Air</span>
          <Select<'with-house' | 'own'>
            aria-label="Air of the room"
            value={isHeated(row.value) ? 'with-house' : 'own'}
            options={[
              { value: 'with-house', label: 'heated or cooled with the house' },
              { value: 'own', label: 'an air of its own' },
            ]}
            onChange={(next) => house.putRoom(row, 'Air of the room', { heated: next === 'with-house' })}
          />
        </label>
      </div>
      <div className={styles.actions}>
        <Button icon={<UpOutlined />} onClick={() => house.moveRoom(row, -1)}>
          Earlier
        </Button>
        <Button icon={<DownOutlined />} onClick={() => house.moveRoom(row, 1)}>
          Later
        </Button>
        <Button danger icon={<DeleteOutlined />} onClick={remove}>
          Remove room
        </Button>
      </div>
      <ServiceList room={row} house={house} />
      <SurfaceList rows={house.surfacesIn(row.id)} roomId={row.id} house={house} />
    </section>
  );
}
