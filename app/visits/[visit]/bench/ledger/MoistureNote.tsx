'use client';

import { Select } from 'antd';
import type { Reading } from '@core/method/frame/reading';
import { USUAL } from '@core/ground/usual';
import { moistureOf, MOULD_FACTORS } from '@core/work/visit/moisture';
import { moistureWords } from '@core/work/visit/moistureWords';
import { visitRow } from '@core/work/visit/theVisit';
import { number } from '@core/ground/format';
import { AssumedTap } from '@ui/form/AssumedTap';
import { useVisit } from '@ui/visit/VisitProvider';
import styles from './Ledger.module.css';

/** What a reading means for moisture, with the limit that its temperature factor is held against. */
export function MoistureNote({ frameId, reading }: { frameId: string; reading: Reading }) {
  const { document, edit } = useVisit();
  const moisture = moistureOf(document, frameId, reading);
  if (!moisture) return null;
  const facts = moistureWords(moisture);
  const visit = visitRow(document);
  const { mouldFactor } = visit.value;
  const choose = (factor: number) =>
    edit('Limit for mould', [{ entity: 'visit', rowId: visit.id, value: { ...visit.value, mouldFactor: factor } }]);
  return (
    <>
      {facts.map(({ label, value }) => (
        <p key={label} className={styles.quiet}>
          <b>{label}</b> {value}.
        </p>
      ))}
      {moisture.factor && 'limit' in moisture.factor && (
        <Select
          size="small"
          aria-label="Limit of the temperature factor"
          value={mouldFactor ?? USUAL.mouldFactor}
          popupMatchSelectWidth={false}
          options={MOULD_FACTORS.map(({ factor, words }) => ({ value: factor, label: `Limit ${number(factor, 2)} · ${words}` }))}
          onChange={choose}
        />
      )}
      {moisture.factor && 'limit' in moisture.factor && mouldFactor === null && (
        <AssumedTap
          field="Limit of the temperature factor"
          words={number(USUAL.mouldFactor, 2)}
          onSay={() => choose(USUAL.mouldFactor)}
        />
      )}
    </>
  );
}
