'use client';

import { Button, Input, InputNumber, Select } from 'antd';
import { useState } from 'react';
import { v7 as newId } from 'uuid';
import { cameraValueSchema } from '@core/model/cameraRow';
import { newCamera } from '@core/model/newCamera';
import { STAND_IN_CAMERA } from '@core/model/standInCamera';
import { cameraIdOfFrame, framesOf } from '@core/work/visit/frames';
import { visitRow } from '@core/work/visit/theVisit';
import { useVisit } from '@ui/visit/VisitProvider';
import styles from './CameraQuestion.module.css';

const { name: nameSchema, fieldDeg: fieldSchema } = cameraValueSchema.shape;
const WITHOUT_FRAMES = { width: 320, height: 240 };

/** Which camera took the frames: one from the shelf, or a new one of which two things are enough. */
export function CameraQuestion({ onLater }: { onLater?: () => void }) {
  const { document, edit } = useVisit();
  const visit = visitRow(document);
  const [name, setName] = useState('');
  const [fieldDeg, setFieldDeg] = useState<number | null>(null);
  const shelf = Object.values(document.rows.camera).filter(({ id, value }) => id !== STAND_IN_CAMERA.id && !value.archived);
  const nameless = framesOf(document).filter(({ id }) => cameraIdOfFrame(document, id) === null);
  const size = document.frameFacts[nameless[0]?.id ?? ''] ?? WITHOUT_FRAMES;
  const whole = nameSchema.safeParse(name.trim()).success && fieldSchema.safeParse(fieldDeg).success;
  const take = (cameraId: string) => ({ entity: 'visit' as const, rowId: visit.id, value: { ...visit.value, cameraId } });
  const keep = () => {
    const id = newId();
    edit(`Camera: ${name.trim()}`, [{ entity: 'camera', rowId: id, value: newCamera(name.trim(), size, fieldDeg!) }, take(id)]);
  };
  return (
    <form
      className={styles.question}
      aria-label="Which camera"
      onSubmit={(event) => {
        event.preventDefault();
        if (whole) keep();
      }}
    >
      <b>
        {nameless.length === 0
          ? 'Which camera will you use?'
          : `Which camera took ${nameless.length === 1 ? 'this frame' : `these ${nameless.length} frames`}?`}
      </b>
      {shelf.length > 0 && (
        <Select
          aria-label="Camera from the shelf"
          placeholder="One from the shelf"
          className={styles.shelf}
          value={null}
          options={shelf.map(({ id, value }) => ({ value: id, label: value.name }))}
          onChange={(id: string) => edit('Camera of this visit', [take(id)])}
        />
      )}
      <Input
        aria-label="What the camera is called"
        placeholder={shelf.length > 0 ? 'or a new one: its name' : 'Its name'}
        className={styles.name}
        value={name}
        maxLength={120}
        onChange={(event) => setName(event.target.value)}
      />
      <InputNumber
        aria-label="Field of view across"
        placeholder="Field of view"
        suffix="° across"
        className={styles.field}
        value={fieldDeg}
        min={2}
        max={150}
        onChange={setFieldDeg}
      />
      <Button htmlType="submit" type="primary" disabled={!whole}>
        Keep
      </Button>
      {onLater && <Button onClick={onLater}>Not now</Button>}
      <small>What is not known of it is taken as usual, and marked as that.</small>
    </form>
  );
}
