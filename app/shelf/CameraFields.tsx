'use client';

import { DeleteOutlined, DownloadOutlined, PlusOutlined } from '@ant-design/icons';
import { Button, Input, InputNumber } from 'antd';
import { useState } from 'react';
import { type CameraValue, cameraValueSchema } from '@core/model/cameraRow';
import type { Row } from '@core/model/entities';
import { cameraGuide } from '@core/paper/cameraGuide';
import { HONEST_PIXELS, sightAt } from '@core/method/radiometry/optics';
import { number } from '@core/ground/format';
import { usePdf } from '@ui/pdf/usePdf';
import { CommitText } from '@ui/form/CommitText';
import styles from './Shelf.module.css';

type NumberField =
  | 'columns'
  | 'rows'
  | 'fieldDeg'
  | 'noiseK'
  | 'calibrationK'
  | 'uniformityK'
  | 'repeatabilityK'
  | 'gain'
  | 'blurPx'
  | 'minDistanceM'
  | 'offsetK'
  | 'slope'
  | 'clockAheadS';

/** As data sheets put it: `times` is what a stored value is multiplied by to be shown. */
const FIELDS: { name: NumberField; label: string; unit: string; step: number; times?: number }[] = [
  { name: 'columns', label: 'Pixels across', unit: 'px', step: 1 },
  { name: 'rows', label: 'Pixels down', unit: 'px', step: 1 },
  { name: 'fieldDeg', label: 'Field of view across', unit: '°', step: 0.5 },
  { name: 'minDistanceM', label: 'Sharp from', unit: 'm', step: 0.1 },
  { name: 'noiseK', label: 'Noise of a pixel (NETD)', unit: 'mK', step: 5, times: 1000 },
  { name: 'calibrationK', label: 'Accuracy, stated as ±', unit: '°C', step: 0.5, times: 2 },
  { name: 'gain', label: 'or stated as ±', unit: '%', step: 0.5, times: 200 },
  { name: 'uniformityK', label: 'Evenness, standard', unit: 'K', step: 0.05 },
  { name: 'repeatabilityK', label: 'From frame to frame', unit: 'K', step: 0.05 },
  { name: 'blurPx', label: 'Blur of the optics', unit: 'px', step: 0.1 },
  { name: 'offsetK', label: 'Added to new frames', unit: 'K', step: 0.1 },
  { name: 'slope', label: 'And of the distance from 18 °C', unit: '%', step: 0.1, times: 100 },
  { name: 'clockAheadS', label: 'Its clock is ahead by', unit: 's', step: 1 },
];

const now = () => Date.now();

const isAssumed = ({ assumed }: CameraValue, field: NumberField) => (assumed as readonly string[]).includes(field);

/** What a camera sees, what its readings are worth, what belongs to it and who may borrow it. */
export function CameraFields({ row, fixed, onPut }: { row: Row<'camera'>; fixed: boolean; onPut(value: CameraValue): void }) {
  const { value } = row;
  const [problem, setProblem] = useState<string | null>(null);
  const put = (change: Partial<CameraValue>) => {
    // What somebody says is no longer assumed.
    const assumed = value.assumed.filter((field) => !(field in change));
    const checked = cameraValueSchema.safeParse({ ...value, assumed, ...change });
    if (checked.success) onPut(checked.data);
    const issue = checked.error?.issues[0];
    setProblem(
      issue ? `${FIELDS.find(({ name }) => name === issue.path[0])?.label ?? String(issue.path[0])} ${issue.message}.` : null,
    );
  };
  const sight = sightAt(value, 2);
  return (
    <section className={styles.card} aria-label={value.name}>
      <CommitText
        label="Name of the camera"
        value={value.name}
        schema={cameraValueSchema.shape.name}
        onCommit={(name) => put({ name })}
      />
      <div className={styles.fields}>
        {FIELDS.map(({ name, label, unit, step, times = 1 }) => (
          <label key={name}>
            <span>
              {label}
              {isAssumed(value, name) && <i> assumed</i>}
            </span>
            <InputNumber
              aria-label={label}
              value={Number((times * value[name]).toPrecision(6))}
              step={step}
              suffix={unit}
              onChange={(next) => next !== null && put({ [name]: next / times })}
            />
          </label>
        ))}
      </div>
      {problem && <p role="alert">{problem}</p>}
      {value.assumed.length > 0 && (
        <p className={styles.quiet}>
          What is marked “assumed” nobody said: usual values stand there. Type yours, or{' '}
          <Button type="link" size="small" onClick={() => put({ assumed: [] })}>
            say that they are right
          </Button>
        </p>
      )}
      <p className={styles.quiet}>
        A stated accuracy is taken as two standard uncertainties: ± {number(2 * value.calibrationK, 1)} K everywhere, and ±{' '}
        {number(200 * value.gain, 1)} % of the distance to the camera’s own temperature, which matters on hot and on cold things.
      </p>
      <p className={styles.quiet}>
        One pixel sees {number(1000 * sightAt(value, 1).pixel, 2)} mrad (IFOV). At 2 m it sees {sight.width.toFixed(2)} ×{' '}
        {sight.height.toFixed(2)} m; one pixel covers {(sight.pixel * 1000).toFixed(1)} mm, the smallest target that can be read
        is {(sight.smallest * 1000).toFixed(0)} mm ({HONEST_PIXELS} pixels a side); of a smaller one the very middle, from{' '}
        {(sight.centre * 1000).toFixed(0)} mm on.
      </p>
      <Names title="What belongs to it" add="Another part" names={value.parts} onChange={(parts) => put({ parts })} />
      <Names
        title="Who was shown how to use it"
        add="A borrower"
        names={value.trained.map(({ who }) => who)}
        onChange={(names) =>
          put({ trained: names.map((who) => value.trained.find((person) => person.who === who) ?? { who, at: now() }) })
        }
      />
      <GuideButton camera={value} />
      {!fixed && (
        <Button danger onClick={() => put({ archived: true })}>
          Take off the shelf
        </Button>
      )}
    </section>
  );
}

/** One page for whoever takes the camera along. */
function GuideButton({ camera }: { camera: CameraValue }) {
  const pdf = usePdf();
  return (
    <>
      {pdf.state.running ? (
        <Button onClick={pdf.cancel}>Making the guide … cancel</Button>
      ) : (
        <Button icon={<DownloadOutlined />} onClick={() => void pdf.make('/api/handouts', cameraGuide(camera))}>
          Guide to take along
        </Button>
      )}
      {pdf.state.problem && <p role="alert">{pdf.state.problem}</p>}
    </>
  );
}

function Names({
  title,
  add,
  names,
  onChange,
}: {
  title: string;
  add: string;
  names: string[];
  onChange(names: string[]): void;
}) {
  const [draft, setDraft] = useState('');
  const name = draft.trim().slice(0, 120);
  return (
    <div>
      <h2>{title}</h2>
      <ul className={styles.lines}>
        {names.map((one) => (
          <li key={one}>
            {one}
            <Button
              type="text"
              icon={<DeleteOutlined />}
              aria-label={`Remove ${one}`}
              onClick={() => onChange(names.filter((other) => other !== one))}
            />
          </li>
        ))}
      </ul>
      <form
        className={styles.bar}
        onSubmit={(event) => {
          event.preventDefault();
          if (!name || names.includes(name)) return;
          onChange([...names, name]);
          setDraft('');
        }}
      >
        <Input
          aria-label={add}
          placeholder={add}
          value={draft}
          maxLength={120}
          onChange={(event) => setDraft(event.target.value)}
          style={{ flex: 1 }}
        />
        <Button
          htmlType="submit"
          icon={<PlusOutlined />}
          aria-label={`Add: ${add.toLowerCase()}`}
          disabled={!name || names.includes(name)}
        />
      </form>
    </div>
  );
}
