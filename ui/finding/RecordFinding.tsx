'use client';

import { UploadOutlined } from '@ant-design/icons';
import { Button, Input, InputNumber, Modal, Radio, Select } from 'antd';
import { useRef, useState, type ReactNode } from 'react';
import { localTime } from '@core/ground/localTime';
import { BASIS_CONFIDENCE, BASIS_WORDS, type FindingBasis } from '@core/model/findingBasis';
import { emptyFinding, type FindingValue, findingValueSchema } from '@core/model/findingRow';
import { photosOf } from '@core/work/visit/frames';
import { onlyRow, siteOf } from '@core/work/visit/theVisit';
import { useUnits } from '@ui/units/UnitProvider';
import { useVisit } from '@ui/visit/VisitProvider';
import styles from './RecordFinding.module.css';

interface Props {
  /** What is known already: where one stands, the frame, two regions. */
  start: Partial<FindingValue>;
  /** What it may rest on; the first is taken. */
  bases: readonly FindingBasis[];
  /** Said above the fields: the difference, where there is one. */
  summary?: string;
  /** Usual titles, to be tapped. */
  titles?: readonly string[];
  /** Takes a photo in; without it photos of the visit can be chosen. */
  onAddPhoto?: (file: File) => Promise<string | null>;
  onRecord(value: FindingValue): void;
  onClose(): void;
}

/** A new finding: what it is, what it rests on, a note, a photo. Its difference is computed, not typed. */
export function RecordFinding({ start, bases, summary, titles = [], onAddPhoto, onRecord, onClose }: Props) {
  const { document } = useVisit();
  const { complaints } = onlyRow(document, 'intake').value;
  const ofFrame = photosOf(document).find((photo) => photo.value.frameId !== null && photo.value.frameId === start.frameId);
  const [value, setValue] = useState(() =>
    emptyFinding(document.visitId, { ...start, basis: bases[0]!, photoId: start.photoId ?? ofFrame?.id ?? null }),
  );
  const [tried, setTried] = useState(false);
  const put = (change: Partial<FindingValue>) => setValue((before) => ({ ...before, ...change }));
  const checked = findingValueSchema.safeParse(value);
  const problem = (field: string) =>
    tried && !checked.success ? checked.error.issues.find((issue) => issue.path[0] === field)?.message : undefined;
  const record = () => {
    setTried(true);
    if (checked.success) onRecord(checked.data);
  };
  const [adding, setAdding] = useState(false);
  return (
    <Modal
      open
      title="Record a finding"
      okText="Record finding"
      onOk={record}
      onCancel={onClose}
      okButtonProps={{ disabled: adding }}
      width={560}
    >
      {summary && <p className={styles.summary}>{summary}</p>}
      {titles.length > 0 && (
        <div className={styles.titles} role="group" aria-label="Usual findings here">
          {titles.map((title) => (
            <Button key={title} shape="round" onClick={() => put({ title })}>
              {title}
            </Button>
          ))}
        </div>
      )}
      <Field label="What is it?" problem={problem('title') && `The name of the finding ${problem('title')}.`}>
        <Input
          autoFocus
          value={value.title}
          placeholder="Air comes in under the window"
          status={problem('title') ? 'error' : ''}
          onChange={(event) => put({ title: event.target.value })}
          onPressEnter={(event) => {
            // Else the key would go on to the button that gets the focus back.
            event.preventDefault();
            record();
          }}
        />
      </Field>
      {bases.length > 1 && (
        <div className={styles.field}>
          <span id="finding-basis">What does it rest on?</span>
          <Radio.Group
            aria-labelledby="finding-basis"
            optionType="button"
            value={value.basis}
            options={bases.map((basis) => ({ value: basis, label: BASIS_WORDS[basis] }))}
            onChange={(event) => put({ basis: event.target.value as FindingBasis })}
            className={styles.bases!}
          />
          <small>{BASIS_CONFIDENCE[value.basis]}</small>
        </div>
      )}
      {value.basis === 'typed' && <TypedFields value={value} problem={problem('typed')} onPut={put} />}
      {value.basis !== 'nothing' && (
        <Field label="Next check" problem={problem('next') && `What is unsolved ${problem('next')}.`}>
          <Input
            value={value.next}
            placeholder="Smoke pen at the sill on a windy day"
            status={problem('next') ? 'error' : ''}
            onChange={(event) => put({ next: event.target.value })}
          />
        </Field>
      )}
      <Field label="Note" problem={problem('note') && `The note ${problem('note')}.`}>
        <Input.TextArea
          value={value.note}
          autoSize={{ minRows: 2, maxRows: 8 }}
          placeholder="What it looks like, what else it could be"
          status={problem('note') ? 'error' : ''}
          onChange={(event) => put({ note: event.target.value })}
        />
      </Field>
      {complaints.length > 0 && (
        <div className={styles.field}>
          <span id="finding-complaint">Answers the complaint</span>
          <Select
            aria-labelledby="finding-complaint"
            value={value.complaintId}
            onChange={(complaintId) => put({ complaintId })}
            options={[
              { value: null, label: 'None in particular' },
              ...complaints.map(({ id, place, what }) => ({ value: id, label: `${place}: ${what}` })),
            ]}
          />
        </div>
      )}
      <PhotoField
        frameId={value.frameId}
        photoId={value.photoId}
        onPhoto={(photoId) => put({ photoId })}
        onAdd={onAddPhoto}
        adding={adding}
        onAdding={setAdding}
      />
    </Modal>
  );
}

function Field({ label, problem, children }: { label: string; problem: string | undefined; children: ReactNode }) {
  return (
    <label className={styles.field}>
      <span>{label}</span>
      {children}
      {problem && <em role="alert">{problem}</em>}
    </label>
  );
}

/** A value off an instrument, and that of a sound place beside it. */
function TypedFields({
  value: { typed },
  problem,
  onPut,
}: {
  value: FindingValue;
  problem: string | undefined;
  onPut(change: Partial<FindingValue>): void;
}) {
  const units = useUnits();
  const shown = (at: number | null) => (at === null ? null : units.toField(at));
  const read = (field: number | null) => (field === null ? null : units.fromField(field));
  const [celsius, setCelsius] = useState<number | null>(typed?.celsius ?? null);
  const put = (at: number | null, againstC: number | null, instrument: string) => {
    setCelsius(at);
    onPut({ typed: at === null ? null : { celsius: at, againstC, with: instrument } });
  };
  const [against, setAgainst] = useState<number | null>(typed?.againstC ?? null);
  const [instrument, setInstrument] = useState(typed?.with ?? '');
  return (
    <div className={styles.typed}>
      <label className={styles.field}>
        <span>Read here, °{units.unit}</span>
        <InputNumber
          value={shown(celsius)}
          onChange={(field) => put(read(field), against, instrument)}
          status={problem ? 'error' : ''}
        />
      </label>
      <label className={styles.field}>
        <span>Sound place, °{units.unit}</span>
        <InputNumber
          value={shown(against)}
          onChange={(field) => {
            const at = read(field);
            setAgainst(at);
            put(celsius, at, instrument);
          }}
        />
      </label>
      <label className={styles.field}>
        <span>With</span>
        <Input
          value={instrument}
          placeholder="Contact thermometer"
          maxLength={120}
          onChange={(event) => {
            setInstrument(event.target.value);
            put(celsius, against, event.target.value);
          }}
        />
      </label>
      {problem && <em role="alert">A typed finding {problem}.</em>}
    </div>
  );
}

function PhotoField({
  frameId,
  photoId,
  onPhoto,
  onAdd,
  adding,
  onAdding,
}: {
  frameId: string | null;
  photoId: string | null;
  onPhoto(id: string | null): void;
  onAdd: ((file: File) => Promise<string | null>) | undefined;
  adding: boolean;
  onAdding(now: boolean): void;
}) {
  const { document } = useVisit();
  const input = useRef<HTMLInputElement>(null);
  const photos = photosOf(document).toSorted((a, b) => Number(b.value.frameId === frameId) - Number(a.value.frameId === frameId));
  const add = async (file: File) => {
    onAdding(true);
    const id = await onAdd?.(file);
    if (id) onPhoto(id);
    onAdding(false);
  };
  return (
    <>
      <div className={styles.field}>
        <span id="finding-photo">Photo</span>
        <div className={styles.photo}>
          <Select
            aria-labelledby="finding-photo"
            value={photoId}
            onChange={onPhoto}
            options={[
              { value: null, label: 'No photo' },
              ...photos.map((photo) => ({
                value: photo.id,
                label: `${photo.value.name} · ${localTime(document.photoFacts[photo.id]!.takenAt, siteOf(document).timeZone)}${frameId !== null && photo.value.frameId === frameId ? ' · of this frame' : ''}`,
              })),
            ]}
          />
          {onAdd && (
            <>
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
                  if (file) void add(file);
                }}
              />
            </>
          )}
        </div>
      </div>
      {photoId && <img className={styles.preview} src={`/api/photos/${photoId}/file`} alt="The chosen photo" />}
    </>
  );
}
