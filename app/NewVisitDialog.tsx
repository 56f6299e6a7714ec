'use client';

import { Alert, Form, Input, InputNumber, Modal, Select } from 'antd';
import { useState } from 'react';
import { newVisitSchema } from '@core/visit/newVisit';
import { useUnits } from '@ui/units/UnitProvider';
import styles from './NewVisitDialog.module.css';

interface Fields {
  siteName?: string;
  address?: string;
  timeZone?: string;
  title?: string;
  question?: string;
  insideC?: number | null;
  outsideC?: number | null;
  humidityPct?: number | null;
  rooms?: string;
}

const ZONES = Intl.supportedValuesOf('timeZone').map((zone) => ({ value: zone, label: zone }));

/** The few things that a visit begins with; only the name of the place is needed. */
export function NewVisitDialog({ onClose, onCreated }: { onClose(): void; onCreated(visitId: string): void }) {
  const units = useUnits();
  const [form] = Form.useForm<Fields>();
  const [problem, setProblem] = useState<string | null>(null);
  const [sending, setSending] = useState(false);

  const create = async () => {
    const typed = form.getFieldsValue();
    const celsius = (value: number | null | undefined) => (value === null || value === undefined ? null : units.fromField(value));
    const wanted = newVisitSchema.safeParse({
      siteName: typed.siteName ?? '',
      address: typed.address ?? '',
      timeZone: typed.timeZone,
      title: typed.title ?? '',
      question: typed.question ?? '',
      startedAt: Date.now(),
      insideC: celsius(typed.insideC),
      outsideC: celsius(typed.outsideC),
      humidityPct: typed.humidityPct ?? null,
      rooms: (typed.rooms ?? '')
        .split(/[,\n]/)
        .map((name) => name.trim())
        .filter(Boolean),
    });
    form.setFields(
      (Object.keys(typed) as (keyof Fields)[]).map((name) => ({
        name,
        errors: wanted.success ? [] : wanted.error.issues.filter((issue) => issue.path[0] === name).map((issue) => issue.message),
      })),
    );
    if (!wanted.success) return;
    setSending(true);
    const response = await fetch('/api/visits', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(wanted.data),
    });
    const answer = (await response.json()) as { visitId?: string; error?: { message: string } };
    setSending(false);
    if (answer.visitId) onCreated(answer.visitId);
    else setProblem(answer.error?.message ?? 'The visit could not be stored.');
  };

  return (
    <Modal
      open
      width={640}
      style={{ top: 40 }}
      title="New visit"
      okText="Begin the visit"
      onOk={() => void create()}
      onCancel={onClose}
      confirmLoading={sending}
    >
      <Form<Fields>
        form={form}
        layout="vertical"
        initialValues={{ title: 'First visit', timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone }}
        onFinish={() => void create()}
      >
        <div className={styles.two}>
          <Form.Item name="siteName" label="Place" required>
            <Input autoFocus placeholder="Old Kiln Row, No. 3" />
          </Form.Item>
          <Form.Item name="address" label="Address">
            <Input />
          </Form.Item>
          <Form.Item name="title" label="Visit" required>
            <Input />
          </Form.Item>
          <Form.Item name="timeZone" label="Time zone of the place" required>
            <Select showSearch options={ZONES} />
          </Form.Item>
        </div>
        <Form.Item name="question" label="What should it answer?">
          <Input.TextArea autoSize={{ minRows: 2, maxRows: 5 }} placeholder="Why does the front room never warm up?" />
        </Form.Item>
        <Form.Item name="rooms" label="Rooms, in the order of the round">
          <Input placeholder="Front room, Stairs, Back bedroom" />
        </Form.Item>
        <div className={styles.three}>
          <Form.Item name="insideC" label={`Air inside, °${units.unit}`}>
            <InputNumber className={styles.number} />
          </Form.Item>
          <Form.Item name="outsideC" label={`Air outside, °${units.unit}`}>
            <InputNumber className={styles.number} />
          </Form.Item>
          <Form.Item name="humidityPct" label="Humidity inside, %">
            <InputNumber className={styles.number} />
          </Form.Item>
        </div>
      </Form>
      {problem && <Alert type="error" message={problem} />}
    </Modal>
  );
}
