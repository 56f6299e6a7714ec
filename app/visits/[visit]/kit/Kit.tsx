'use client';

import { DeleteOutlined, PlusOutlined, ToolOutlined } from '@ant-design/icons';
import { Button, Checkbox, Input, Select } from 'antd';
import Link from 'next/link';
import { useState } from 'react';
import { sightAt } from '@core/radiometry/optics';
import { kitListOf, kitOf } from '@core/round/kit';
import { cameraOf } from '@core/round/round';
import { STAND_IN_CAMERA } from '@core/camera/standInCamera';
import { onlyRow, visitRow } from '@core/visit/theVisit';
import { KINDS } from '@core/visit/kinds';
import { PutBackList } from '@ui/round/PutBackList';
import { Later } from '@ui/shell/Later';
import { UndoButtons } from '@ui/shell/UndoButtons';
import { useUnits } from '@ui/units/UnitProvider';
import { useVisit } from '@ui/visit/VisitProvider';
import { AirLog } from './AirLog';
import { FirstAid } from './FirstAid';
import styles from './Kit.module.css';

/** Before leaving and before coming home: what is packed, which camera, what must be put back. */
export function Kit() {
  const { document, edit } = useVisit();
  const units = useUnits();
  const kit = kitOf(document);
  const { kind } = onlyRow(document, 'intake').value;
  const { items } = kit.value;
  const [draft, setDraft] = useState('');
  const put = (label: string, next: typeof items) =>
    edit(label, [{ entity: 'kit', rowId: kit.id, value: { ...kit.value, items: next } }]);
  const list = kitListOf(document, kind);
  const missing = list.value.items.filter((name) => !items.some((item) => item.name === name));
  const names = items.map(({ name }) => name);
  const differs = JSON.stringify(names) !== JSON.stringify(list.value.items);
  const add = () => {
    const name = draft.trim().slice(0, 160);
    if (!name) return;
    put(`To the bag: ${name}`, [...items, { name, packed: false }]);
    setDraft('');
  };
  const camera = cameraOf(document);
  const visit = visitRow(document);
  const { columns, rows, fieldDeg, noiseK, calibrationK, minDistanceM, offsetK } = camera.value;
  const sight = sightAt(camera.value, 2);
  const cameras = [
    STAND_IN_CAMERA,
    ...Object.values(document.rows.camera).filter(({ id, value }) => id !== STAND_IN_CAMERA.id && !value.archived),
  ];
  const packed = items.filter((item) => item.packed).length;
  return (
    <div className={styles.desk}>
      <div className={styles.head}>
        <h1>Kit</h1>
        <UndoButtons />
      </div>
      <div className={styles.columns}>
        <section className={styles.card}>
          <h2>
            In the bag for “{KINDS[kind].words.toLowerCase()}” · {packed} of {items.length}
          </h2>
          <ul className={styles.items}>
            {items.map((item, i) => (
              <li key={item.name}>
                <Checkbox
                  checked={item.packed}
                  onChange={(event) =>
                    put(
                      `${event.target.checked ? 'Packed' : 'Not packed'}: ${item.name}`,
                      items.map((one, n) => (n === i ? { ...one, packed: event.target.checked } : one)),
                    )
                  }
                >
                  {item.name}
                </Checkbox>
                <Button
                  type="text"
                  icon={<DeleteOutlined />}
                  aria-label={`Leave out ${item.name}`}
                  onClick={() =>
                    put(
                      `Left out: ${item.name}`,
                      items.filter((_, n) => n !== i),
                    )
                  }
                />
              </li>
            ))}
          </ul>
          <form
            className={styles.bar}
            onSubmit={(event) => {
              event.preventDefault();
              add();
            }}
          >
            <Input
              aria-label="Another thing"
              placeholder="Another thing"
              value={draft}
              maxLength={160}
              onChange={(event) => setDraft(event.target.value)}
            />
            <Button htmlType="submit" icon={<PlusOutlined />} disabled={!draft.trim()}>
              Add
            </Button>
          </form>
          {missing.length > 0 && (
            <Button onClick={() => put('What the visit needs', [...items, ...missing.map((name) => ({ name, packed: false }))])}>
              Add what this kind of visit needs ({missing.length})
            </Button>
          )}
          {differs && items.length > 0 && (
            <Button
              onClick={() =>
                edit(`List for “${KINDS[kind].words.toLowerCase()}”`, [
                  { entity: 'kitList', rowId: list.id, value: { kind, items: names } },
                ])
              }
            >
              Keep as the list for every “{KINDS[kind].words.toLowerCase()}” visit
            </Button>
          )}
        </section>
        <div className={styles.stack}>
          <section className={styles.card}>
            <h2>Camera</h2>
            <Select
              aria-label="Camera of this visit"
              value={camera.id}
              options={cameras.map(({ id, value }) => ({ value: id, label: value.name }))}
              onChange={(cameraId) =>
                edit('Camera of this visit', [
                  {
                    entity: 'visit',
                    rowId: visit.id,
                    value: { ...visit.value, cameraId: cameraId === STAND_IN_CAMERA.id ? null : cameraId },
                  },
                ])
              }
            />
            {camera.id === STAND_IN_CAMERA.id && (
              <p className={styles.quiet}>
                The stand-in camera looks at a simulated house: for learning, and for trying out a round. Choose your own for a
                real one.
              </p>
            )}
            <dl className={styles.facts}>
              <div>
                <dt>Pixels, field of view</dt>
                <dd>
                  {columns} × {rows}, {fieldDeg}°
                </dd>
              </div>
              <div>
                <dt>In view at 2 m</dt>
                <dd>
                  {sight.width.toFixed(1)} × {sight.height.toFixed(1)} m; smallest thing {(sight.smallest * 1000).toFixed(0)} mm
                </dd>
              </div>
              <div>
                <dt>Sharp from</dt>
                <dd>{minDistanceM} m</dd>
              </div>
              <div>
                <dt>Noise, accuracy</dt>
                <dd>
                  {(1000 * noiseK).toFixed(0)} mK, ± {units.difference(2 * calibrationK)}
                </dd>
              </div>
              {offsetK !== 0 && (
                <div>
                  <dt>Added to new frames</dt>
                  <dd>{units.signedDifference(offsetK)}</dd>
                </div>
              )}
            </dl>
            <Link href="/shelf">
              <Button icon={<ToolOutlined />}>Cameras and instruments on the shelf</Button>
            </Link>
            <FirstAid />
          </section>
        </div>
      </div>
      <section className={styles.card} id="put-back">
        <h2>Put back</h2>
        <PutBackList />
      </section>
      <Later>
        <AirLog />
      </Later>
    </div>
  );
}
