'use client';

import { Alert, Form, Input, Modal, Select } from 'antd';
import { useState } from 'react';
import { v7 as newId } from 'uuid';
import type { Row } from '@core/model/entities';
import { loanValueSchema } from '@core/model/loanRow';
import { clockMoment, clockText } from '@ui/form/clockField';
import { problemsByField } from '@ui/form/problems';
import { putRow } from '@ui/form/putRow';
import styles from './NewLoanDialog.module.css';

const HOUR_MS = 3_600_000;
const SIX_DAYS_MS = 6 * 24 * HOUR_MS;

function nextFullHour(): number {
  return Math.ceil(Date.now() / HOUR_MS) * HOUR_MS;
}

/** What a loan begins with; its homes come next. */
export function NewLoanDialog({ sites, onClose, onMade }: { sites: Row<'site'>[]; onClose(): void; onMade(id: string): void }) {
  const placed = sites.filter(({ value }) => value.latitude !== null && value.longitude !== null && !value.archived);
  const [near, setNear] = useState(placed[0]?.id ?? null);
  const site = placed.find(({ id }) => id === near)?.value;
  const zone = site?.timeZone ?? 'UTC';
  const [name, setName] = useState('Shared camera');
  const [begin, setBegin] = useState(() => clockText(nextFullHour(), zone));
  const [end, setEnd] = useState(() => clockText(nextFullHour() + SIX_DAYS_MS, zone));
  const [problem, setProblem] = useState<string | null>(null);
  const [tried, setTried] = useState(false);
  const checked = loanValueSchema.safeParse({
    name,
    timeZone: zone,
    latitude: site?.latitude,
    longitude: site?.longitude,
    from: clockMoment(begin, zone),
    to: clockMoment(end, zone),
    insideC: 20,
    strictness: 'usual',
    practice: false,
    weatherId: null,
    archived: false,
  });
  const problems = tried ? problemsByField(checked.error) : {};
  const item = (field: string) => ({ validateStatus: problems[field] ? ('error' as const) : undefined, help: problems[field] });
  const make = async () => {
    setTried(true);
    if (!checked.success) return;
    const id = newId();
    try {
      await putRow('loan', id, 0, checked.data);
      onMade(id);
    } catch (error) {
      setProblem(error instanceof Error ? error.message : String(error));
    }
  };
  return (
    <Modal open title="New loan" okText="Make the loan" onOk={() => void make()} onCancel={onClose}>
      <Form layout="vertical" component="div" className={styles.form}>
        <Form.Item label="Name" htmlFor="loan-name" required {...item('name')}>
          <Input id="loan-name" value={name} onChange={(event) => setName(event.target.value)} />
        </Form.Item>
        <Form.Item
          label="Weather near"
          htmlFor="loan-near"
          {...item('latitude')}
          extra={placed.length === 0 ? 'No site has a place yet: set latitude and longitude of one first.' : undefined}
        >
          <Select
            id="loan-near"
            showSearch={{ optionFilterProp: 'label' }}
            value={near}
            options={placed.map(({ id, value }) => ({ value: id, label: value.name }))}
            onChange={setNear}
          />
        </Form.Item>
        <div className={styles.two}>
          <Form.Item label="From" htmlFor="loan-from" {...item('from')}>
            <input id="loan-from" type="datetime-local" value={begin} onChange={(event) => setBegin(event.target.value)} />
          </Form.Item>
          <Form.Item label="To" htmlFor="loan-to" {...item('to')}>
            <input id="loan-to" type="datetime-local" value={end} onChange={(event) => setEnd(event.target.value)} />
          </Form.Item>
        </div>
      </Form>
      {problem && <Alert type="error" title={problem} />}
    </Modal>
  );
}
