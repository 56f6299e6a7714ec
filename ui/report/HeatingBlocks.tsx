'use client';

import { CartesianGrid, Line, LineChart, ReferenceArea, ResponsiveContainer, XAxis, YAxis } from 'recharts';
import type { Block } from '@core/paper/block';
import { PAPER } from '@core/paper/palette';
import { percent } from '@core/ground/format';
import styles from './HeatingBlocks.module.css';

type Of<K extends Block['kind']> = { block: Extract<Block, { kind: K }> };

export function TableView({ block: { head, align, rows } }: Of<'table'>) {
  return (
    <table className={styles.table}>
      <thead>
        <tr>
          {head.map((words, k) => (
            <th key={k} scope="col" data-align={align[k]}>
              {words}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map((row, i) => (
          <tr key={i}>
            {row.map((cell, k) => (
              <td key={k} data-align={align[k]}>
                {cell}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** Shares as bars: their number stands beside each. */
export function BarsView({ block: { stages, rows } }: Of<'bars'>) {
  return (
    <table className={styles.table}>
      <thead>
        <tr>
          <th />
          {stages.map((stage) => (
            <th key={stage} scope="col">
              {stage}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map(({ name, shares }) => (
          <tr key={name}>
            <th scope="row">{name}</th>
            {shares.map((share, k) => (
              <td key={k}>
                {share === null ? (
                  '–'
                ) : (
                  <span className={styles.bar}>
                    <i style={{ width: `${Math.round(100 * share)}%` }} />
                    {percent(share)}
                  </span>
                )}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

export function LinesView({ block: { names, lines, band } }: Of<'lines'>) {
  const data = names.map((name, k) => ({ name, ...Object.fromEntries(lines.map((line, n) => [n, line.values[k]])) }));
  return (
    <div role="img" aria-label={`${lines.length} lines over ${names.length} walks towards the ${band.words}`}>
      <ResponsiveContainer width="100%" height={190}>
        <LineChart data={data} margin={{ top: 6, right: 12, bottom: 0, left: 0 }}>
          <CartesianGrid vertical={false} stroke={PAPER.line} />
          <XAxis dataKey="name" stroke={PAPER.muted} tickLine={false} />
          <YAxis width={34} stroke={PAPER.muted} />
          <ReferenceArea y1={band.low} y2={band.high} fill={PAPER.good} fillOpacity={0.14} />
          {lines.map(({ name }, n) => (
            <Line key={name} dataKey={n} name={name} connectNulls isAnimationActive={false} stroke={PAPER.edge} dot={{ r: 2 }} />
          ))}
        </LineChart>
      </ResponsiveContainer>
    </div>
  );
}
