'use client';

import { WarningOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { warmingOf } from '@core/work/heating/heatingOf';
import { heatingValueSchema } from '@core/model/heatingRow';
import { localDay } from '@core/ground/localTime';
import { siteOf } from '@core/work/visit/theVisit';
import { NumberField } from '@ui/form/NumberField';
import { useFaces } from './useJudged';
import { useHeat } from './useHeat';
import styles from './Heat.module.css';

const DAY_MS = 86_400_000;
const LISTEN_DAYS = 3;
/** Fallen below the maker's mark by so much, bar, is said. */
const LOW_BAR = 0.1;

/** Who has air, in the order in which they are bled, and the pressure before and after. */
export function Bleeding() {
  const { document, emitters, heating, edit, heatingPut, warmingPut, now, clock } = useHeat();
  const faces = useFaces();
  const airy = emitters
    .filter(({ id }) => faces.get(id)?.pattern === 'cold-top' || warmingOf(document, id).value.bledAt !== null)
    .toSorted((a, b) => b.storey - a.storey);
  const { markBar, beforeBar, afterBar } = heatingValueSchema.shape;
  const pressure = (label: string, name: 'markBar' | 'beforeBar' | 'afterBar', schema: typeof markBar) => (
    <NumberField
      label={label}
      value={heating[name]}
      schema={schema}
      suffix="bar"
      step={0.1}
      onCommit={(next) => edit(label, [heatingPut({ [name]: next })])}
    />
  );
  const low = heating.markBar !== null && heating.afterBar !== null && heating.afterBar < heating.markBar - LOW_BAR;
  return (
    <section className={styles.card}>
      <h2>Air</h2>
      <p className={styles.caution} role="note">
        <WarningOutlined />
        Heating off and cool before a vent is opened: the water scalds and is under pressure. Towel under it, top storey first.
        Some bleed while low-temperature heat runs; off is safer.
      </p>
      {airy.length === 0 && <p className={styles.quiet}>No face shows air. Frames of hot radiators tell it.</p>}
      {airy.map(({ id, name, storey }) => {
        const { bledAt } = warmingOf(document, id).value;
        return (
          <div key={id} className={styles.row}>
            <b>{name}</b>
            <span className={styles.quiet}>storey {storey}</span>
            {bledAt === null ? (
              <Button type="primary" onClick={() => edit(`Bled: ${name}`, [warmingPut(id, { bledAt: now() })])}>
                Bled it
              </Button>
            ) : (
              <>
                <span className={styles.quiet}>bled at {clock(bledAt)}</span>
                <Button onClick={() => edit(`Not bled: ${name}`, [warmingPut(id, { bledAt: null })])}>Not yet</Button>
              </>
            )}
          </div>
        );
      })}
      <div className={styles.fields}>
        {pressure('Maker’s cold mark', 'markBar', markBar)}
        {pressure('Pressure before', 'beforeBar', beforeBar)}
        {pressure('Pressure after', 'afterBar', afterBar)}
      </div>
      {low && (
        <p role="alert" className={styles.problem}>
          {heating.afterBar} bar is below the mark of {heating.markBar} bar: fill up, cold, then bleed again.
        </p>
      )}
      <div className={styles.row}>
        {heating.listenAt === null ? (
          <Button onClick={() => edit('Listen again', [heatingPut({ listenAt: now() + LISTEN_DAYS * DAY_MS })])}>
            Listen again in {LISTEN_DAYS} days
          </Button>
        ) : (
          <>
            <span>Listen again on {localDay(heating.listenAt, siteOf(document).timeZone)}</span>
            <Button onClick={() => edit('No listening', [heatingPut({ listenAt: null })])}>Take it off</Button>
          </>
        )}
      </div>
    </section>
  );
}
