'use client';

import { UploadOutlined } from '@ant-design/icons';
import { Button, Input, Modal, Select } from 'antd';
import { useRef, useState } from 'react';
import type { By } from '@core/frame/reading';
import { photosOf } from '@core/visit/frames';
import { siteOf } from '@core/visit/theVisit';
import { localTime } from '@core/units/localTime';
import { type FindingValue, findingValueSchema } from '@core/visit/findingRow';
import { useVisit } from '@ui/visit/VisitProvider';
import styles from './RecordFinding.module.css';

interface Props {
  frameId: string;
  thisRegionId: string;
  thatRegionId: string;
  by: By;
  /** Words for the difference, shown above the fields. */
  summary: string;
  onAddPhoto(file: File): Promise<string | null>;
  onRecord(value: FindingValue): void;
  onClose(): void;
}

/** Title, note and photo of a new finding; its number is computed, not typed. */
export function RecordFinding({ frameId, thisRegionId, thatRegionId, by, summary, onAddPhoto, onRecord, onClose }: Props) {
  const { document } = useVisit();
  const photos = photosOf(document).toSorted((a, b) => Number(b.value.frameId === frameId) - Number(a.value.frameId === frameId));
  const [title, setTitle] = useState('');
  const [note, setNote] = useState('');
  const [photoId, setPhotoId] = useState<string | null>(photos.find((photo) => photo.value.frameId === frameId)?.id ?? null);
  const [tried, setTried] = useState(false);
  const [adding, setAdding] = useState(false);
  const input = useRef<HTMLInputElement>(null);
  const checked = findingValueSchema.safeParse({
    visitId: document.visitId,
    frameId,
    thisRegionId,
    thatRegionId,
    by,
    photoId,
    title,
    note,
  });
  const problem = (field: string) =>
    tried && !checked.success ? checked.error.issues.find((issue) => issue.path[0] === field)?.message : undefined;
  const record = () => {
    setTried(true);
    if (checked.success) onRecord(checked.data);
  };
  const addPhoto = async (file: File) => {
    setAdding(true);
    const id = await onAddPhoto(file);
    if (id) setPhotoId(id);
    setAdding(false);
  };
  return (
    <Modal
      open
      title="Record a finding"
      okText="Record finding"
      onOk={record}
      onCancel={onClose}
      okButtonProps={{ disabled: adding }}
    >
      <p className={styles.summary}>{summary}</p>
      <label className={styles.field}>
        <span>What is it?</span>
        <Input
          autoFocus
          value={title}
          placeholder="Air comes in under the window"
          status={problem('title') ? 'error' : ''}
          onChange={(event) => setTitle(event.target.value)}
          onPressEnter={record}
        />
        {problem('title') && <em role="alert">The name of the finding {problem('title')}.</em>}
      </label>
      <label className={styles.field}>
        <span>Note</span>
        <Input.TextArea
          value={note}
          autoSize={{ minRows: 3, maxRows: 8 }}
          placeholder="What it looks like, what else it could be, what would settle it"
          status={problem('note') ? 'error' : ''}
          onChange={(event) => setNote(event.target.value)}
        />
        {problem('note') && <em role="alert">The note {problem('note')}.</em>}
      </label>
      <div className={styles.field}>
        <span id="finding-photo">Photo</span>
        <div className={styles.photo}>
          <Select
            aria-labelledby="finding-photo"
            value={photoId}
            onChange={setPhotoId}
            options={[
              { value: null, label: 'No photo' },
              ...photos.map((photo) => ({
                value: photo.id,
                label: `${photo.value.name} · ${localTime(document.photoFacts[photo.id]!.takenAt, siteOf(document).timeZone)}${photo.value.frameId === frameId ? ' · of this frame' : ''}`,
              })),
            ]}
          />
          <Button icon={<UploadOutlined />} loading={adding} onClick={() => input.current?.click()}>
            Add a photo
          </Button>
          <input
            ref={input}
            type="file"
            accept="image/jpeg,image/png,image/webp"
            hidden
            aria-label="Photo file"
            onChange={(event) => {
              const file = event.target.files?.[0];
              event.target.value = '';
              if (file) void addPhoto(file);
            }}
          />
        </div>
      </div>
      {photoId && <img className={styles.preview} src={`/api/photos/${photoId}/file`} alt="The chosen photo" />}
    </Modal>
  );
}
