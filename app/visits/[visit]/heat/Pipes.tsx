'use client';

import { DeleteOutlined, PlusOutlined } from '@ant-design/icons';
import { Button, Select } from 'antd';
import { useState } from 'react';
import { v7 as newId } from 'uuid';
import type { Row } from '@core/model/entities';
import { toldPipe } from '@core/work/heating/toldPipe';
import { PIPE_QUESTIONS, pipeValueSchema, type PipeQuestion, type PipeValue } from '@core/model/pipeRow';
import { PIPE_FACTS, PIPE_MATERIALS } from '@core/method/heating/pipes';
import { CommitText } from '@ui/form/CommitText';
import { useVisit } from '@ui/visit/VisitProvider';
import { AssumedTap } from '@ui/form/AssumedTap';
import { NumberField } from '@ui/form/NumberField';
import { PipeLoss, ValvePoints, Zones } from './PipeQuestions';
import styles from './Heat.module.css';

const QUESTION_WORDS: Record<PipeQuestion, { title: string; name: string }> = {
  valve: { title: 'Does a closed valve hold?', name: 'Pipe behind the valve' },
  zones: { title: 'Do zone valves hold?', name: 'Zones' },
  run: { title: 'What does a run of pipe lose?', name: 'Pipe in the cellar' },
  cylinder: { title: 'What does the cylinder lose?', name: 'Hot water cylinder' },
};

/** Valves, and heat where there should be none. */
export function Pipes() {
  const { document, edit } = useVisit();
  const [question, setQuestion] = useState<PipeQuestion>('valve');
  const rows = Object.values(document.rows.pipe).sort((a, b) => (a.id < b.id ? -1 : 1));
  const add = () => {
    const { name } = QUESTION_WORDS[question];
    const value: PipeValue = {
      visitId: document.visitId,
      name,
      question,
      material: null,
      outerMm: null,
      wallMm: null,
      laggingMm: null,
      airC: null,
      orientation: null,
      closedAt: null,
      hotC: null,
      points: [],
      zones: [],
      extent: null,
      waterC: null,
      surfaceC: null,
      hoursYear: null,
      pricePerKwh: null,
    };
    edit(`Pipe: ${name}`, [{ entity: 'pipe', rowId: newId(), value }]);
  };
  return (
    <div className={styles.single}>
      <div className={styles.main}>
        <div className={styles.row}>
          <Select
            aria-label="What is asked"
            value={question}
            style={{ minWidth: 260 }}
            options={PIPE_QUESTIONS.map((one) => ({ value: one, label: QUESTION_WORDS[one].title }))}
            onChange={setQuestion}
          />
          <Button type="primary" icon={<PlusOutlined />} onClick={add}>
            Begin
          </Button>
        </div>
        {rows.length === 0 && (
          <p className={styles.quiet}>
            A full pipe behind a closed valve cools slowly and in a known way: how it cools tells whether the valve holds, and so
            does a zone after its call. Bare pipes and cylinders lose heat all year: in watts and money.
          </p>
        )}
        {rows.map((row) => (
          <PipeCard key={row.id} row={row} />
        ))}
      </div>
    </div>
  );
}

function PipeCard({ row }: { row: Row<'pipe'> }) {
  const { document, edit } = useVisit();
  const { value } = row;
  const told = toldPipe(document, value);
  const put = (label: string, change: Partial<PipeValue>) =>
    edit(label, [{ entity: 'pipe', rowId: row.id, value: { ...value, ...change } }]);
  const { outerMm, wallMm, laggingMm, airC, name } = pipeValueSchema.shape;
  const number = (label: string, field: 'outerMm' | 'wallMm' | 'laggingMm', schema: typeof outerMm) => (
    <NumberField
      label={label}
      value={value[field]}
      schema={schema}
      suffix="mm"
      usual={told[field]}
      onCommit={(next) => put(label, { [field]: next })}
    />
  );
  return (
    <section className={styles.card} aria-label={value.name}>
      <div className={styles.row}>
        <h2>{QUESTION_WORDS[value.question].title}</h2>
        <div className={styles.name}>
          <CommitText
            label="Name of the pipe"
            value={value.name}
            schema={name}
            onCommit={(next) => put('Name', { name: next })}
          />
        </div>
        <Button
          type="text"
          icon={<DeleteOutlined />}
          aria-label={`Remove ${value.name}`}
          onClick={() => edit(`Removed: ${value.name}`, [{ entity: 'pipe', rowId: row.id, value: null }])}
        />
      </div>
      <div className={styles.fields}>
        {value.question !== 'cylinder' && (
          <>
            <label className={styles.field}>
              <span>Material</span>
              <Select
                aria-label="Material"
                value={told.material}
                options={PIPE_MATERIALS.map((one) => ({ value: one, label: PIPE_FACTS[one].words }))}
                onChange={(material) => put('Material', { material })}
              />
              {value.material === null && (
                <AssumedTap
                  field="Material"
                  words={PIPE_FACTS[told.material].words.toLowerCase()}
                  onSay={() => put('Material', { material: told.material })}
                />
              )}
            </label>
            {number('Outer diameter', 'outerMm', outerMm)}
            {number('Wall', 'wallMm', wallMm)}
            {number('Lagging', 'laggingMm', laggingMm)}
          </>
        )}
        <NumberField
          label="Air around it"
          value={value.airC}
          schema={airC}
          usual={told.airC}
          celsius
          onCommit={(next) => put('Air', { airC: next })}
        />
      </div>
      {value.question === 'valve' && <ValvePoints value={told} onPut={put} />}
      {value.question === 'zones' && <Zones value={told} onPut={put} />}
      {(value.question === 'run' || value.question === 'cylinder') && <PipeLoss value={told} onPut={put} />}
    </section>
  );
}
