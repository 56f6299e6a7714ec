'use client';

import { ToolOutlined } from '@ant-design/icons';
import { Button, Select } from 'antd';
import { QuickLink } from '@ui/link/QuickLink';
import type { CameraValue } from '@core/model/cameraRow';
import { STAND_IN_CAMERA } from '@core/model/standInCamera';
import { sightAt } from '@core/method/radiometry/optics';
import { LEARNABLE_WORDS } from '@core/paper/cameraFact';
import { cameraOf } from '@core/work/round/round';
import { isPractice } from '@core/work/visit/practice';
import { visitRow } from '@core/work/visit/theVisit';
import { CameraQuestion } from '@ui/camera/CameraQuestion';
import { useUnits } from '@ui/units/UnitProvider';
import { useVisit } from '@ui/visit/VisitProvider';
import { FirstAid } from './FirstAid';
import styles from './Kit.module.css';

/** The camera that is taken along, with what it sees and what of it nobody said. */
export function CameraCard() {
  const { document, edit } = useVisit();
  const visit = visitRow(document);
  const camera = cameraOf(document);
  const own = Object.values(document.rows.camera).filter(({ id, value }) => id !== STAND_IN_CAMERA.id && !value.archived);
  const cameras = isPractice(document) ? [STAND_IN_CAMERA, ...own] : own;
  const take = (id: string) => (id === STAND_IN_CAMERA.id ? null : id);
  return (
    <section className={styles.card}>
      <h2>Camera</h2>
      {camera ? (
        <Select
          aria-label="Camera of this visit"
          value={camera.id}
          options={cameras.map(({ id, value }) => ({ value: id, label: value.name }))}
          onChange={(id) =>
            edit('Camera of this visit', [{ entity: 'visit', rowId: visit.id, value: { ...visit.value, cameraId: take(id) } }])
          }
        />
      ) : (
        <CameraQuestion />
      )}
      {camera?.id === STAND_IN_CAMERA.id && (
        <p className={styles.quiet}>The stand-in camera sees the made-up house of this practice visit, and no other.</p>
      )}
      {camera && <CameraFacts camera={camera.value} />}
      <QuickLink href="/shelf">
        <Button icon={<ToolOutlined />}>Cameras and instruments on the shelf</Button>
      </QuickLink>
      <FirstAid />
    </section>
  );
}

function CameraFacts({ camera }: { camera: CameraValue }) {
  const units = useUnits();
  const { columns, rows, fieldDeg, noiseK, calibrationK, minDistanceM, offsetK, assumed } = camera;
  const sight = sightAt(camera, 2);
  const facts: [string, string][] = [
    ['Pixels, field of view', `${columns} × ${rows}, ${fieldDeg}°`],
    [
      'In view at 2 m',
      `${sight.width.toFixed(1)} × ${sight.height.toFixed(1)} m; smallest thing ${(sight.smallest * 1000).toFixed(0)} mm`,
    ],
    ['Sharp from', `${minDistanceM} m${assumed.includes('minDistanceM') ? ', assumed' : ''}`],
    [
      'Noise, accuracy',
      `${(1000 * noiseK).toFixed(0)} mK, ± ${units.difference(2 * calibrationK)}${assumed.includes('calibrationK') ? ', assumed' : ''}`,
    ],
    ...(offsetK === 0 ? [] : [['Added to new frames', units.signedDifference(offsetK)] as [string, string]]),
  ];
  return (
    <>
      <dl className={styles.facts}>
        {facts.map(([label, value]) => (
          <div key={label}>
            <dt>{label}</dt>
            <dd>{value}</dd>
          </div>
        ))}
      </dl>
      {assumed.length > 0 && (
        <p className={styles.quiet}>
          Nobody said yet: {assumed.map((field) => LEARNABLE_WORDS[field]).join(', ')}. Usual values are taken; the shelf keeps
          better ones.
        </p>
      )}
    </>
  );
}
