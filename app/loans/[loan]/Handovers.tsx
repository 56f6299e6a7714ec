'use client';

import { CheckCircleFilled, ExclamationCircleFilled, SwapOutlined } from '@ant-design/icons';
import { Button, Checkbox, Input, InputNumber, Select } from 'antd';
import { useState } from 'react';
import { v7 as newId } from 'uuid';
import { backProblems, outProblems } from '@core/work/camera/handover';
import type { HandoverValue } from '@core/model/handoverRow';
import type { Row } from '@core/model/entities';
import { localDay, localTime } from '@core/ground/localTime';
import styles from './Handovers.module.css';

type Condition = HandoverValue['out'];

const now = () => Date.now();
const newCondition = (parts: string[]): Condition => ({ at: now(), parts, chargePct: null, cardEmpty: false, note: '' });

/** Who has the camera with which parts, and how it came back. */
export function Handovers({
  loanId,
  timeZone,
  cameras,
  rows,
  onPut,
}: {
  loanId: string;
  timeZone: string;
  cameras: Row<'camera'>[];
  rows: Row<'handover'>[];
  onPut(id: string, value: HandoverValue): void;
}) {
  const [cameraId, setCameraId] = useState(cameras[0]?.id ?? null);
  const [who, setWho] = useState('');
  const camera = cameras.find(({ id }) => id === cameraId) ?? null;
  const [out, setOut] = useState<Condition>(newCondition(camera?.value.parts ?? []));
  const shown = [...rows].sort((a, b) => b.value.out.at - a.value.out.at);
  if (!camera)
    return <p className={styles.quiet}>No camera is on the shelf yet. Add it there; then it can be handed out here.</p>;
  const problems = outProblems(camera.value, { who, out });
  const isOut = shown.some(({ value }) => value.cameraId === camera.id && value.back === null);
  return (
    <div className={styles.list}>
      {shown.map((row) => (
        <Handover
          key={row.id}
          row={row}
          timeZone={timeZone}
          camera={cameras.find(({ id }) => id === row.value.cameraId)}
          onPut={(value) => onPut(row.id, value)}
        />
      ))}
      <div className={styles.form} role="group" aria-label="Hand out">
        <div className={styles.bar}>
          <Select
            aria-label="Camera"
            value={camera.id}
            options={cameras.map(({ id, value }) => ({ value: id, label: value.name }))}
            onChange={(id) => {
              setCameraId(id);
              setOut(newCondition(cameras.find((one) => one.id === id)!.value.parts));
            }}
          />
          <Input
            aria-label="Borrower"
            placeholder="Borrower"
            value={who}
            maxLength={120}
            onChange={(event) => setWho(event.target.value)}
          />
        </div>
        <ConditionFields value={out} parts={camera.value.parts} cardWords="Card is empty" onChange={setOut} />
        {who.trim() !== '' && <Problems problems={problems} />}
        <Button
          type="primary"
          icon={<SwapOutlined />}
          disabled={!who.trim() || isOut}
          onClick={() => {
            onPut(newId(), { loanId, cameraId: camera.id, who: who.trim(), out: { ...out, at: now() }, back: null });
            setWho('');
            setOut(newCondition(camera.value.parts));
          }}
        >
          {isOut ? 'It is out already' : `Hand out${problems.length > 0 && who.trim() ? ' all the same' : ''}`}
        </Button>
      </div>
    </div>
  );
}

function Handover({
  row,
  timeZone,
  camera,
  onPut,
}: {
  row: Row<'handover'>;
  timeZone: string;
  camera: Row<'camera'> | undefined;
  onPut(value: HandoverValue): void;
}) {
  const { who, out, back } = row.value;
  const [draft, setDraft] = useState<Condition | null>(null);
  const moment = (at: number) => `${localDay(at, timeZone)}, ${localTime(at, timeZone)}`;
  return (
    <article className={styles.handover} data-out={back === null}>
      <p>
        <b>{who}</b> · {camera?.value.name ?? 'camera'} · out {moment(out.at)}
        {out.chargePct === null ? '' : `, ${out.chargePct} %`}
        {back ? ` · back ${moment(back.at)}` : ''}
      </p>
      {out.note && <p className={styles.quiet}>{out.note}</p>}
      {back && <Problems problems={backProblems({ out, back })} fine="All parts are back and the card is empty." />}
      {back?.note && <p className={styles.quiet}>{back.note}</p>}
      {back === null && draft === null && (
        <Button onClick={() => setDraft({ ...newCondition(out.parts), chargePct: null })}>Check in</Button>
      )}
      {draft && (
        <div className={styles.form} role="group" aria-label={`Check in from ${who}`}>
          <ConditionFields
            value={draft}
            parts={out.parts}
            cardWords="Their pictures are copied and the card is empty"
            onChange={setDraft}
          />
          <Problems problems={backProblems({ out, back: draft })} />
          <div className={styles.bar}>
            <Button type="primary" onClick={() => onPut({ ...row.value, back: { ...draft, at: now() } })}>
              Keep check-in
            </Button>
            <Button onClick={() => setDraft(null)}>Back</Button>
          </div>
        </div>
      )}
    </article>
  );
}

function ConditionFields({
  value,
  parts,
  cardWords,
  onChange,
}: {
  value: Condition;
  parts: string[];
  cardWords: string;
  onChange(value: Condition): void;
}) {
  return (
    <>
      <Checkbox.Group
        aria-label="Parts"
        className={styles.parts}
        value={value.parts}
        options={parts}
        onChange={(next) => onChange({ ...value, parts: next as string[] })}
      />
      <div className={styles.bar}>
        <InputNumber
          aria-label="Charge"
          placeholder="Charge"
          value={value.chargePct}
          min={0}
          max={100}
          precision={0}
          suffix="%"
          onChange={(chargePct) => onChange({ ...value, chargePct })}
        />
        <Checkbox checked={value.cardEmpty} onChange={(event) => onChange({ ...value, cardEmpty: event.target.checked })}>
          {cardWords}
        </Checkbox>
      </div>
      <Input
        aria-label="Condition"
        placeholder="Condition: scratches, loose cap …"
        value={value.note}
        maxLength={500}
        onChange={(event) => onChange({ ...value, note: event.target.value })}
      />
    </>
  );
}

function Problems({ problems, fine }: { problems: string[]; fine?: string }) {
  if (problems.length === 0)
    return fine ? (
      <p className={styles.fine}>
        <CheckCircleFilled /> {fine}
      </p>
    ) : null;
  return (
    <ul className={styles.problems}>
      {problems.map((problem) => (
        <li key={problem}>
          <ExclamationCircleFilled /> {problem}
        </li>
      ))}
    </ul>
  );
}
