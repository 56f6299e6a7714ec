'use client';

import { Form, Input, Modal } from 'antd';
import { useState } from 'react';
import type { Row } from '@core/model/entities';
import { visitValueSchema } from '@core/model/visitRow';
import { clockMoment, clockText } from '@ui/form/clockField';
import { problemsByField } from '@ui/form/problems';
import styles from './VisitDialog.module.css';

type VisitValue = Row<'visit'>['value'];

/** Name and day of a visit. */
export function VisitDialog({
  visit,
  timeZone,
  onClose,
  onKeep,
}: {
  visit: Row<'visit'>;
  timeZone: string;
  onClose(): void;
  onKeep(change: Pick<VisitValue, 'title' | 'startedAt'>): void;
}) {
  const [title, setTitle] = useState(visit.value.title);
  const [begin, setBegin] = useState(() => clockText(visit.value.startedAt, timeZone));
  const checked = visitValueSchema
    .pick({ title: true, startedAt: true })
    .safeParse({ title, startedAt: clockMoment(begin, timeZone) });
  const problems = problemsByField(checked.error);
  return (
    <Modal
      open
      width={420}
      title="Change the visit"
      okText="Keep the visit"
      okButtonProps={{ disabled: !checked.success }}
      onOk={() => checked.success && onKeep(checked.data)}
      onCancel={onClose}
    >
      <Form layout="vertical" component="div">
        <Form.Item
          label="Visit"
          htmlFor="change-title"
          help={problems.title}
          validateStatus={problems.title ? 'error' : undefined}
        >
          <Input id="change-title" value={title} onChange={(event) => setTitle(event.target.value)} />
        </Form.Item>
        <Form.Item
          label="Day and hour"
          htmlFor="change-begin"
          help={problems.startedAt && 'must be a day and an hour'}
          validateStatus={problems.startedAt ? 'error' : undefined}
        >
          <input
            id="change-begin"
            className={styles.moment}
            type="datetime-local"
            value={begin}
            onChange={(event) => setBegin(event.target.value)}
          />
        </Form.Item>
      </Form>
    </Modal>
  );
}
