'use client';

import type { Block } from '@core/paper/block';
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
