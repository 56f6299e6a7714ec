'use client';

import { Checkbox } from 'antd';
import { flushOf } from '@core/work/heating/heatingOf';
import { flushValueSchema, type FlushValue } from '@core/model/flushRow';
import { NumberField } from '@ui/form/NumberField';
import { useHeat } from './useHeat';
import styles from './Heat.module.css';

type Mark = FlushValue['marks'][number];
const { agitatedMin } = flushValueSchema.shape.marks.element.shape;

/** What was done at each emitter: agitated for how long, flushed alone, both ways. */
export function FlushMarks() {
  const { document, emitters, edit } = useHeat();
  const row = flushOf(document);
  const markOf = (serviceId: string): Mark =>
    row.value.marks.find((one) => one.serviceId === serviceId) ?? {
      serviceId,
      agitatedMin: null,
      alone: false,
      bothWays: false,
    };
  const put = (name: string, mark: Mark) =>
    edit(`Flushed: ${name}`, [
      {
        entity: 'flush',
        rowId: row.id,
        value: { ...row.value, marks: [...row.value.marks.filter((one) => one.serviceId !== mark.serviceId), mark] },
      },
    ]);
  return (
    <section className={styles.card}>
      <h2>Emitter by emitter</h2>
      {emitters.map(({ id, name }) => {
        const mark = markOf(id);
        return (
          <div key={id} className={styles.fields}>
            <b>{name}</b>
            <NumberField
              label="Agitated"
              named={`Agitated, ${name}`}
              value={mark.agitatedMin}
              schema={agitatedMin}
              suffix="min"
              onCommit={(next) => put(name, { ...mark, agitatedMin: next })}
            />
            <Checkbox checked={mark.alone} onChange={(event) => put(name, { ...mark, alone: event.target.checked })}>
              Alone
            </Checkbox>
            <Checkbox checked={mark.bothWays} onChange={(event) => put(name, { ...mark, bothWays: event.target.checked })}>
              Both ways
            </Checkbox>
          </div>
        );
      })}
    </section>
  );
}
