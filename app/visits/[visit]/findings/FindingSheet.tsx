'use client';

import { DeleteOutlined } from '@ant-design/icons';
import { Button, Input, Popconfirm, Select } from 'antd';
import Link from 'next/link';
import { useState } from 'react';
import type { ReportFinding } from '@core/report/model';
import { photosOf } from '@core/visit/frames';
import { compareRegions } from '@core/visit/readings';
import { type FindingValue, findingValueSchema } from '@core/visit/findingRow';
import { DifferenceHero } from '@ui/finding/DifferenceHero';
import { BY_WORDS } from '@core/visit/byWords';
import { FigureView } from '@ui/finding/FigureView';
import { useVisit } from '@ui/visit/VisitProvider';
import styles from './Findings.module.css';

/** One finding: its words to edit, its picture beside its photo, its numbers. */
export function FindingSheet({ finding, values }: { finding: ReportFinding; values(frameId: string): Float32Array | undefined }) {
  const { document, edit } = useVisit();
  const row = document.rows.finding[finding.id]!;
  const { value } = row;
  const change = (label: string, next: Partial<FindingValue>) => {
    edit(label, [{ entity: 'finding', rowId: row.id, value: { ...value, ...next } }]);
  };
  const pixels = values(value.frameId);
  const otherPixels = values(document.rows.region[value.thatRegionId]!.value.frameId);
  const { stated } = finding;
  return (
    <article className={styles.sheet} aria-label={`Finding ${finding.number}`}>
      <header className={styles.head}>
        <span>
          Finding {finding.number} · {finding.place} · {finding.takenAt}
        </span>
        <span className={styles.acts}>
          <Link href={`/visits/${document.visitId}/bench/${value.frameId}/${value.thisRegionId}`}>
            <Button>Open on the bench</Button>
          </Link>
          <Popconfirm
            title="Remove this finding?"
            description="Its frame and regions stay."
            okText="Remove finding"
            onConfirm={() => edit('Finding removed', [{ entity: 'finding', rowId: row.id, value: null }])}
          >
            <Button icon={<DeleteOutlined />} aria-label="Remove this finding" />
          </Popconfirm>
        </span>
      </header>
      <TextField
        key={`t${value.title}`}
        label="What is it?"
        field="title"
        stored={value.title}
        onKeep={(title) => change('Finding renamed', { title })}
      />
      {stated && pixels && otherPixels ? (
        <>
          <div className={styles.pair}>
            <FigureView
              figure={stated.figure}
              values={pixels}
              label={`Thermal frame: ${stated.this.name} ${stated.this.mean}, ${stated.that.name} ${stated.that.mean}`}
            />
            <div>
              {value.photoId ? (
                <img className={styles.photo} src={`/api/photos/${value.photoId}/file`} alt="Photo of the same place" />
              ) : (
                <div className={styles.noPhoto}>No photo</div>
              )}
              <label className={styles.photoChoice}>
                <span>Photo</span>
                <Select
                  value={value.photoId}
                  aria-label="Photo of this finding"
                  onChange={(photoId) => change('Photo chosen', { photoId })}
                  options={[
                    { value: null, label: 'No photo' },
                    ...photosOf(document).map((photo) => ({ value: photo.id, label: photo.value.name })),
                  ]}
                />
              </label>
            </div>
          </div>
          <div className={styles.numbers}>
            <DifferenceHero
              thisName={`${BY_WORDS[value.by]}${stated.this.name}`}
              thatName={stated.that.name}
              comparison={compareRegions(document, value.thisRegionId, value.thatRegionId, pixels, otherPixels, value.by)}
              more={stated.across ?? undefined}
            />
            <table className={styles.table}>
              <thead>
                <tr>
                  <th scope="col">Region</th>
                  <th scope="col">Mean</th>
                  <th scope="col">95 %</th>
                  <th scope="col">Range</th>
                </tr>
              </thead>
              <tbody>
                {[stated.this, stated.that].map((region, i) => (
                  <tr key={i}>
                    <th scope="row">
                      {i === 1 && '◆ '}
                      {region.name}
                    </th>
                    <td>{region.mean}</td>
                    <td>{region.plusMinus}</td>
                    <td>{region.range}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
        </>
      ) : (
        <p role="status">{finding.problem}</p>
      )}
      <TextField
        key={`n${value.note}`}
        label="Note"
        field="note"
        stored={value.note}
        onKeep={(note) => change('Note changed', { note })}
      />
      <section className={styles.settings}>
        <h2>Settings</h2>
        <dl>
          {finding.settings.map(({ label, value: words }) => (
            <div key={label}>
              <dt>{label}</dt>
              <dd>{words}</dd>
            </div>
          ))}
        </dl>
      </section>
    </article>
  );
}

function TextField({
  label,
  field,
  stored,
  onKeep,
}: {
  label: string;
  field: 'title' | 'note';
  stored: string;
  onKeep(text: string): void;
}) {
  const [typed, setTyped] = useState(stored);
  const checked = findingValueSchema.shape[field].safeParse(typed);
  const keep = () => {
    if (checked.success && checked.data !== stored) onKeep(checked.data);
  };
  const common = { value: typed, status: checked.success ? ('' as const) : ('error' as const), onBlur: keep };
  return (
    <label className={styles.text}>
      <span>{label}</span>
      {field === 'title' ? (
        <Input
          {...common}
          size="large"
          onChange={(event) => setTyped(event.target.value)}
          onPressEnter={(event) => event.currentTarget.blur()}
        />
      ) : (
        <Input.TextArea {...common} autoSize={{ minRows: 3, maxRows: 12 }} onChange={(event) => setTyped(event.target.value)} />
      )}
      {!checked.success && (
        <em role="alert">
          {label} {checked.error.issues[0]!.message}.
        </em>
      )}
    </label>
  );
}
