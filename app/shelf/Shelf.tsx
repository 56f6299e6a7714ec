'use client';

import { PlusOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { useState } from 'react';
import { v7 as newId } from 'uuid';
import { STAND_IN_CAMERA } from '@core/simulate/standInCamera';
import type { Row } from '@core/visit/rows';
import { Desk } from '@ui/shell/Desk';
import { ConflictDialog } from '@ui/visit/ConflictDialog';
import { useRows } from '@ui/visit/useRows';
import { saveWords, savingOf } from '@ui/visit/saveWords';
import { CameraChecks } from './CameraChecks';
import { CameraFields } from './CameraFields';
import { InstrumentList } from './InstrumentList';
import { MaterialList } from './MaterialList';
import styles from './Shelf.module.css';

/** Cameras with what they see and how far they are off, instruments with their own errors, materials with their emissivities. */
interface Props {
  cameras: Row<'camera'>[];
  instruments: Row<'instrument'>[];
  materials: Row<'material'>[];
}

export function Shelf(props: Props) {
  return (
    <Desk here="/shelf" wide>
      <Work {...props} />
    </Desk>
  );
}

function Work({ cameras: first, instruments: firstInstruments, materials: firstMaterials }: Props) {
  const cameras = useRows('camera', first);
  const instruments = useRows('instrument', firstInstruments);
  const materials = useRows('material', firstMaterials);
  const shown = cameras.rows.filter(({ value }) => !value.archived);
  const [chosen, setChosen] = useState(shown.find(({ id }) => id !== STAND_IN_CAMERA.id)?.id ?? shown[0]?.id ?? null);
  const current = cameras.rows.find(({ id }) => id === chosen) ?? null;
  const add = () => {
    const id = newId();
    cameras.put(id, { ...STAND_IN_CAMERA.value, name: 'New camera', parts: ['Camera', 'Charger', 'Memory card'] });
    setChosen(id);
  };
  const saving = savingOf([cameras.saving, instruments.saving, materials.saving]);
  return (
    <>
      <div className={styles.head}>
        <h1>Shelf</h1>
        <span role="status" className={styles.quiet}>
          {saveWords(saving)}
        </span>
      </div>
      <div className={styles.cameras} role="group" aria-label="Cameras">
        {shown.map(({ id, value }) => (
          <button key={id} type="button" aria-pressed={id === chosen} onClick={() => setChosen(id)}>
            <b>{value.name}</b>
            <small>
              {value.columns} × {value.rows}, {value.fieldDeg}°
            </small>
          </button>
        ))}
        <Button icon={<PlusOutlined />} onClick={add}>
          Add a camera
        </Button>
      </div>
      {current && (
        <div className={styles.columns}>
          <CameraFields
            key={current.id}
            row={current}
            fixed={current.id === STAND_IN_CAMERA.id}
            onPut={(value) => cameras.put(current.id, value)}
          />
          <CameraChecks key={`${current.id} checks`} row={current} onPut={(value) => cameras.put(current.id, value)} />
        </div>
      )}
      <InstrumentList rows={instruments.rows} onPut={instruments.put} />
      <MaterialList rows={materials.rows} onPut={materials.put} />
      {cameras.conflict && <ConflictDialog conflict={cameras.conflict} onSettle={cameras.settle} />}
      {materials.conflict && <ConflictDialog conflict={materials.conflict} onSettle={materials.settle} />}
      {instruments.conflict && <ConflictDialog conflict={instruments.conflict} onSettle={instruments.settle} />}
    </>
  );
}
