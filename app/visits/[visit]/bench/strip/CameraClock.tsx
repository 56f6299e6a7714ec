'use client';

import { Input, Modal, Select } from 'antd';
import { useState } from 'react';
import { framesOf } from '@core/work/visit/frames';
import { siteOf } from '@core/work/visit/theVisit';
import { clockMoment, clockText } from '@ui/form/clockField';
import { useVisit } from '@ui/visit/VisitProvider';
import dialog from '../Dialogs.module.css';

/** A camera's clock, set right once for all its frames: what one frame says, and when it really was. */
export function CameraClock({ frameId, onClose }: { frameId: string; onClose(): void }) {
  const { document, edit } = useVisit();
  const zone = siteOf(document).timeZone;
  const { takenAt, cameraId } = document.frameFacts[frameId]!;
  const [chosen, setChosen] = useState<string | null>(cameraId);
  const camera = document.rows.camera[chosen ?? ''];
  const said = clockText(Date.parse(takenAt), zone);
  const [really, setReally] = useState(() => clockText(Date.parse(takenAt) - 1000 * (camera?.value.clockAheadS ?? 0), zone));
  const moment = clockMoment(really, zone);
  // Both to the minute, as the field has them.
  const aheadS = moment === null ? 0 : Math.round((clockMoment(said, zone)! - moment) / 1000);
  const count = framesOf(document).filter(({ id }) => document.frameFacts[id]!.cameraId === chosen).length;
  return (
    <Modal
      open
      title="Clock of the camera"
      okText="Set the clock right"
      okButtonProps={{ disabled: !camera || moment === null || Math.abs(aheadS) > 400 * 86_400 }}
      onCancel={onClose}
      onOk={() => {
        if (!camera) return;
        edit('Clock of the camera', [{ entity: 'camera', rowId: camera.id, value: { ...camera.value, clockAheadS: aheadS } }]);
        onClose();
      }}
    >
      <div className={dialog.fields}>
        <p>The file of this frame says {said.replace('T', ', ')}. When was it really?</p>
        <span id="clock-camera">Camera</span>
        <Select
          aria-labelledby="clock-camera"
          value={chosen}
          onChange={setChosen}
          disabled={cameraId !== null}
          placeholder="This frame knows no camera"
          options={Object.values(document.rows.camera).map(({ id, value }) => ({ value: id, label: value.name }))}
        />
        <label htmlFor="really">It was really</label>
        <Input id="really" type="datetime-local" value={really} onChange={(event) => setReally(event.target.value)} />
        <p role="status">
          {aheadS === 0
            ? 'The clock is right.'
            : `The clock is ${spanWords(Math.abs(aheadS))} ${aheadS > 0 ? 'ahead' : 'behind'}; ${count} ${count === 1 ? 'frame' : 'frames'} of this visit move with it.`}
        </p>
      </div>
    </Modal>
  );
}

function spanWords(seconds: number): string {
  const parts = [
    [Math.floor(seconds / 86_400), 'd'],
    [Math.floor((seconds % 86_400) / 3600), 'h'],
    [Math.floor((seconds % 3600) / 60), 'min'],
    [seconds % 60, 's'],
  ] as const;
  return parts
    .filter(([n]) => n > 0)
    .slice(0, 2)
    .map(([n, unit]) => `${n} ${unit}`)
    .join(' ');
}
