'use client';

import { onDemand } from '@ui/lazy/onDemand';
import { PlusOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { useState } from 'react';
import { v7 as newId } from 'uuid';
import { newCamera } from '@core/model/newCamera';
import { STAND_IN_CAMERA } from '@core/model/standInCamera';
import type { Row, Values } from '@core/model/entities';
import { Desk } from '@ui/shell/Desk';
import { Later } from '@ui/shell/Later';
import { Conflicts } from '@ui/store/Conflicts';
import { byId } from '@ui/store/held';
import { RowStore } from '@ui/store/rowStore';
import { saveWords } from '@ui/store/saving';
import { usePart } from '@ui/store/useRowStore';
import { CameraFields } from './CameraFields';
import { InstrumentList } from './InstrumentList';
import { MaterialList } from './MaterialList';
import styles from './Shelf.module.css';

const CameraChecks = onDemand(() => import('./CameraChecks').then((m) => m.CameraChecks));

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

function Work({ cameras: firstCameras, instruments: firstInstruments, materials: firstMaterials }: Props) {
  const [store] = useState(
    () =>
      new RowStore({
        rows: { camera: byId(firstCameras), instrument: byId(firstInstruments), material: byId(firstMaterials) },
      }),
  );
  const { camera, instrument, material } = usePart(store, (state) => state.document.rows);
  const saving = usePart(store, (state) => state.saving);
  const put =
    <E extends 'camera' | 'instrument' | 'material'>(entity: E) =>
    (id: string, value: Values[E]) =>
      store.edit('Shelf', [{ entity, rowId: id, value }]);
  const cameras = { rows: Object.values(camera), put: put('camera') };
  const shown = cameras.rows.filter(({ value }) => !value.archived);
  const [chosen, setChosen] = useState(shown.find(({ id }) => id !== STAND_IN_CAMERA.id)?.id ?? shown[0]?.id ?? null);
  const current = cameras.rows.find(({ id }) => id === chosen) ?? null;
  const add = () => {
    const id = newId();
    cameras.put(id, newCamera('New camera', { width: 320, height: 240 }, 50));
    setChosen(id);
  };
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
      <Later>
        {current && (
          <div className={styles.columns}>
            <CameraFields
              key={current.id}
              row={current}
              fixed={current.id === STAND_IN_CAMERA.id}
              onPut={(value) => cameras.put(current.id, value)}
            />
            <Later>
              <CameraChecks key={`${current.id} checks`} row={current} onPut={(value) => cameras.put(current.id, value)} />
            </Later>
          </div>
        )}
        <Later>
          <InstrumentList rows={Object.values(instrument)} onPut={put('instrument')} />
          <Later>
            <MaterialList rows={Object.values(material)} onPut={put('material')} />
          </Later>
        </Later>
      </Later>
      <Conflicts store={store} />
    </>
  );
}
