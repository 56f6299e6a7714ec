'use client';

import { PlusOutlined } from '@ant-design/icons';
import { Button, Form, Input, InputNumber, Modal } from 'antd';
import { useState } from 'react';
import { v7 as newId } from 'uuid';
import { MATERIALS, type Material } from '@core/model/materials';
import type { Row } from '@core/model/entities';
import { type MaterialValue, materialValueSchema } from '@core/model/materialRow';
import { DataTable } from '@ui/table/DataTable';
import styles from './Shelf.module.css';

/** Emissivities by material and finish: those that come with the shelf, and those that people add. */
export function MaterialList({ rows, onPut }: { rows: Row<'material'>[]; onPut(id: string, value: MaterialValue): void }) {
  const [adding, setAdding] = useState(false);
  const own: Material[] = rows
    .filter(({ value }) => !value.archived)
    .map(({ id, value }) => ({ ...value, key: id, group: 'own' }));
  const takeOff = (key: string) => {
    const row = rows.find(({ id }) => id === key);
    if (row) onPut(row.id, { ...row.value, archived: true });
  };
  return (
    <section className={styles.card} aria-label="Materials">
      <h2>Materials</h2>
      <p className={styles.quiet}>Values for rough guidance. Tape or a contact thermometer beats every table.</p>
      <div className={styles.long} tabIndex={0} role="group" aria-label="Table of materials">
        <DataTable<Material>
          name="Materials"
          rows={[...own, ...MATERIALS]}
          rowKey={({ key }) => key}
          columns={[
            { name: 'Group', value: ({ group }) => group, width: 130 },
            { name: 'Material', value: ({ name }) => name, width: 150 },
            { name: 'Finish', value: ({ finish }) => finish, width: 170 },
            {
              name: 'Emissivity',
              value: ({ emissivity }) => emissivity,
              show: ({ emissivity }) => emissivity.toFixed(2),
              width: 100,
            },
            {
              name: 'Found between',
              value: ({ low }) => low,
              show: ({ low, high }) => `${low.toFixed(2)} … ${high.toFixed(2)}`,
              width: 130,
            },
            { name: 'Note', value: ({ note }) => note },
            {
              name: 'Source',
              value: ({ source }) => source,
              show: ({ source, group, key, name }) =>
                group === 'own' ? (
                  <>
                    {source}{' '}
                    <Button size="small" danger aria-label={`Take off ${name}`} onClick={() => takeOff(key)}>
                      Take off
                    </Button>
                  </>
                ) : (
                  source
                ),
            },
          ]}
        />
      </div>
      <Button icon={<PlusOutlined />} onClick={() => setAdding(true)}>
        Add a material
      </Button>
      {adding && (
        <MaterialDialog
          onAdd={(value) => {
            onPut(newId(), value);
            setAdding(false);
          }}
          onClose={() => setAdding(false)}
        />
      )}
    </section>
  );
}

const FIELDS = [
  { name: 'name', label: 'Material' },
  { name: 'finish', label: 'Finish' },
  { name: 'note', label: 'Note' },
  { name: 'source', label: 'Source' },
] as const;

function MaterialDialog({ onAdd, onClose }: { onAdd(value: MaterialValue): void; onClose(): void }) {
  const [form] = Form.useForm<Partial<MaterialValue>>();
  const finish = (typed: Partial<MaterialValue>) => {
    const { emissivity } = typed;
    const checked = materialValueSchema.safeParse({
      ...typed,
      finish: typed.finish ?? '',
      note: typed.note ?? '',
      source: typed.source ?? '',
      low: typed.low ?? emissivity,
      high: typed.high ?? emissivity,
      archived: false,
    });
    if (checked.success) onAdd(checked.data);
    else {
      form.setFields(
        checked.error.issues.map((issue) => ({ name: String(issue.path[0]) as keyof MaterialValue, errors: [issue.message] })),
      );
    }
  };
  return (
    <Modal open title="A material of your own" okText="Add" onOk={form.submit} onCancel={onClose}>
      <Form form={form} layout="vertical" onFinish={finish}>
        {FIELDS.map(({ name, label }) => (
          <Form.Item key={name} name={name} label={label}>
            <Input />
          </Form.Item>
        ))}
        <div className={styles.fields}>
          {(['emissivity', 'low', 'high'] as const).map((name) => (
            <Form.Item key={name} name={name} label={{ emissivity: 'Emissivity', low: 'Lowest', high: 'Highest' }[name]}>
              <InputNumber min={0.01} max={1} step={0.01} />
            </Form.Item>
          ))}
        </div>
      </Form>
    </Modal>
  );
}
