'use client';

import { assumedOfGiven, flowForAll, givenOf } from '@core/work/heating/givenOf';
import { assumedLine, marked } from '@core/ground/source';
import { number } from '@core/ground/format';
import { DataTable } from '@ui/table/DataTable';
import { useUnits } from '@ui/units/UnitProvider';
import { NoEmitters } from './Radiators';
import { useHeatPixels } from './useJudged';
import { useHeat } from './useHeat';
import styles from './Heat.module.css';

const watts = (value: number | null) => (value === null ? '' : Math.round(value));

/** What every emitter gives, against what its room needs, and the flow temperature that would do. */
export function Given() {
  const { document, emitters, heating } = useHeat();
  const units = useUnits();
  const given = givenOf(document, useHeatPixels());
  const flow = flowForAll(given);
  const { flowSetC } = heating;
  const assumed = assumedLine(assumedOfGiven(given, units.unit));
  if (emitters.length === 0) return <NoEmitters visitId={document.visitId} />;
  const read = given.filter(({ nowW }) => nowW !== null);
  const total = read.reduce((sum, { nowW }) => sum + nowW!, 0);
  return (
    <div className={styles.single}>
      <div className={styles.main}>
        <section className={styles.card}>
          <h2>
            {read.length === 0
              ? 'Heat given follows from the first readings'
              : `${Math.round(total)} W given by ${read.length} of ${given.length} emitters now`}
          </h2>
          <p className={styles.quiet}>
            By rated output and mean excess over the room; litres a minute so that the drop fits. The ± holds 95 %: output by
            plate or by size, room, and what the drop was read with. {assumed}
          </p>
          {flow !== null && (
            <p>
              With drops on target, a flow of <b>{units.temperature(flow)}</b> would give every room what it needs; it is set to{' '}
              {marked(units.temperature(flowSetC), { source: heating.assumed.includes('flowSetC') ? 'assumed' : 'said' })}.
            </p>
          )}
          <DataTable
            name="Heat given"
            rows={given}
            rowKey={({ emitter }) => emitter.id}
            columns={[
              { name: 'Emitter', value: ({ emitter }) => emitter.name },
              { name: 'Rated, W', value: ({ emitter }) => watts(emitter.ratedW) },
              {
                name: 'Now, W',
                value: ({ nowW, nowShare }) => (nowW === null ? '' : `${Math.round(nowW)} ± ${Math.round(nowShare * nowW)}`),
              },
              {
                name: 'Water, l/min',
                value: ({ litresMin, litresShare }) =>
                  litresMin === null ? '' : `${number(litresMin, 2)} ± ${number(litresShare * litresMin, 2)}`,
              },
              { name: `At ${units.temperature(flowSetC)}, W`, value: ({ atSetW }) => watts(atSetW) },
              { name: 'Need, W', value: ({ needW }) => watts(needW) },
              {
                name: 'Enough',
                value: ({ atSetW, needW }) =>
                  atSetW === null || needW === null ? '' : atSetW >= needW ? 'yes' : `${Math.round(needW - atSetW)} W short`,
              },
              {
                name: `Flow that would do, °${units.unit}`,
                value: ({ wouldDoC, needW, emitter }) =>
                  wouldDoC !== null
                    ? units.bareTemperature(wouldDoC)
                    : needW !== null && emitter.ratedW !== null
                      ? 'too small'
                      : '',
              },
            ]}
          />
        </section>
      </div>
    </div>
  );
}
