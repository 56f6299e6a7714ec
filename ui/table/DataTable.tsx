'use client';

import { CopyOutlined } from '@ant-design/icons';
import { App, Button, Input, Table } from 'antd';
import Papa from 'papaparse';
import { useState, type ReactNode } from 'react';
import styles from './DataTable.module.css';

export interface DataColumn<R> {
  name: string;
  /** What it is sorted by and copied as. */
  value(row: R): string | number;
  /** What is shown; the value when left out. */
  show?(row: R): ReactNode;
  width?: number;
}

/** A table that can be sorted, filtered by any text in it, and copied out as CSV. */
export function DataTable<R>({
  name,
  columns,
  rows,
  rowKey,
}: {
  name: string;
  columns: DataColumn<R>[];
  rows: R[];
  rowKey(row: R): string;
}) {
  const { message } = App.useApp();
  const [filter, setFilter] = useState('');
  const wanted = filter.trim().toLowerCase();
  const shown = rows.filter((row) => columns.some(({ value }) => String(value(row)).toLowerCase().includes(wanted)));
  const copy = async () => {
    // Cells that a spreadsheet would take for formulae are defused.
    const csv = Papa.unparse(
      { fields: columns.map((column) => column.name), data: shown.map((row) => columns.map(({ value }) => value(row))) },
      { escapeFormulae: true },
    );
    await navigator.clipboard.writeText(csv);
    void message.success(`${shown.length} lines copied as CSV.`);
  };
  return (
    <div className={styles.table}>
      <div className={styles.bar}>
        <Input
          aria-label={`Filter: ${name}`}
          placeholder="Filter"
          value={filter}
          allowClear
          onChange={(event) => setFilter(event.target.value)}
        />
        <Button icon={<CopyOutlined />} onClick={() => void copy()}>
          Copy as CSV
        </Button>
      </div>
      <Table<R>
        size="small"
        pagination={false}
        aria-label={name}
        rowKey={rowKey}
        dataSource={shown}
        columns={columns.map(({ name: title, value, show, width }) => ({
          title,
          key: title,
          width,
          render: (_, row) => (show ? show(row) : value(row)),
          sorter: (a: R, b: R) => {
            const [x, y] = [value(a), value(b)];
            return typeof x === 'number' && typeof y === 'number' ? x - y : String(x).localeCompare(String(y));
          },
        }))}
      />
    </div>
  );
}
