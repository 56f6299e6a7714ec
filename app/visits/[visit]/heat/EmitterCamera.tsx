'use client';

import { CameraOutlined, PlusOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { useRef, useState } from 'react';
import type { Emitter } from '@core/work/heating/emitters';
import type { EmitterSpot } from '@core/work/heating/spot';
import type { TakenIn } from '@core/work/heating/takeIn';
import type { CameraValue } from '@core/model/cameraRow';
import type { VisitDocument } from '@core/model/document';
import type { FaceStage } from '@core/method/heating/stages';
import { standOff } from '@core/method/radiometry/optics';
import type { Pose } from '@core/method/simulate/surface';
import { visitRow } from '@core/work/visit/theVisit';
import { ImportPanel } from '@ui/import/ImportPanel';
import type { Edit } from '@ui/store/rowStore';
import { useVisit } from '@ui/visit/VisitProvider';
import { Viewfinder } from '../viewfinder/Viewfinder';
import type { Shot } from '../viewfinder/useViewfinder';
import { useEmitterFrames, type Taken } from './useEmitterFrames';
import styles from './Heat.module.css';

interface Props {
  emitter: Emitter;
  stage: FaceStage;
  walk: number | null;
  more?: (taken: TakenIn, fresh: VisitDocument) => Edit[];
  onTaken(taken: Taken): void;
}

/** A frame of an emitter: the stand-in camera before it, or files from a real one. */
export function EmitterCamera({ emitter, stage, walk, more, onTaken }: Props) {
  const { document } = useVisit();
  const picker = useRef<HTMLInputElement>(null);
  const shot = useRef<Shot | null>(null);
  const [ready, setReady] = useState(false);
  const { spot, standIn, capture, capturing, add, importing } = useEmitterFrames(
    { emitter, stage, walk, ...(more ? { more } : {}) },
    onTaken,
  );
  const seen = standIn && spot?.surfaceId ? spot : null;
  return (
    <>
      {seen && standIn && (
        <Looking
          key={emitter.id}
          visitId={document.visitId}
          spot={seen}
          camera={standIn}
          onShot={(next) => {
            shot.current = next;
            setReady(next !== null);
          }}
        />
      )}
      {seen && (
        <Button
          type="primary"
          className={styles.big}
          icon={<CameraOutlined />}
          loading={capturing}
          disabled={!ready}
          onClick={() => void capture(shot.current)}
        >
          {walk === null ? 'Capture' : 'Capture and read'}
        </Button>
      )}
      <Button
        type={seen ? 'default' : 'primary'}
        className={seen ? '' : styles.big}
        icon={<PlusOutlined />}
        onClick={() => picker.current?.click()}
      >
        {seen ? 'Add a frame from a file' : 'Add a frame'}
      </Button>
      <input
        ref={picker}
        type="file"
        multiple
        hidden
        aria-label={`Frames of ${emitter.name}`}
        onChange={(event) => {
          void add([...(event.target.files ?? [])]);
          event.target.value = '';
        }}
      />
      <ImportPanel state={importing.state} onCancel={importing.cancel} onDismiss={importing.dismiss} />
    </>
  );
}

function Looking({
  visitId,
  spot,
  camera,
  onShot,
}: {
  visitId: string;
  spot: EmitterSpot;
  camera: CameraValue;
  onShot(shot: Shot | null): void;
}) {
  const { document } = useVisit();
  const [home] = useState<Pose>(() => ({
    aim: spot.aim,
    distance: Math.max(camera.minDistanceM, standOff(camera, spot.viewM)),
    aside: 0,
  }));
  const [pose, setPose] = useState(home);
  return (
    <Viewfinder
      visitId={visitId}
      surfaceId={spot.surfaceId}
      camera={camera}
      pose={pose}
      home={home}
      onPose={setPose}
      span={visitRow(document).value.span}
      earlier={null}
      folded
      onShot={onShot}
    />
  );
}
