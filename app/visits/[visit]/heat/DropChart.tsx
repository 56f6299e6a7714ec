'use client';

import { CartesianGrid, LabelList, Line, LineChart, ReferenceArea, ResponsiveContainer, XAxis, YAxis } from 'recharts';
import { dropsByWalk, walkWords } from '@core/work/heating/balance';
import { PAPER } from '@core/paper/palette';
import { DataTable } from '@ui/table/DataTable';
import { useUnits } from '@ui/units/UnitProvider';
import { useHeatPixels } from './useJudged';
import { useHeat } from './useHeat';
import styles from './Heat.module.css';

/** Drops of all emitters, walk by walk, on their way to the target; and the same as a table. */
export function DropChart({ now }: { now: string | null }) {
  const { document, emitters, heating } = useHeat();
  const units = useUnits();
  const walks = dropsByWalk(document, useHeatPixels());
  if (walks.length === 0)
    return <p className={styles.quiet}>The drops of all emitters come here, walk by walk, as you read them.</p>;
  // What was not read on a walk stands as it was read last.
  const last = new Map<string, number>();
  const shown = (kelvin: number) => Number.parseFloat(units.difference(kelvin).replace('−', '-'));
  const data = walks.map(({ walk, drops }) => {
    for (const [id, drop] of drops) last.set(id, drop);
    return {
      name: walkWords(walk),
      ...Object.fromEntries([...last].map(([id, k]) => [id, shown(k)])),
    };
  });
  const { targetK, toleranceK } = heating;
  return (
    <section className={styles.card}>
      <h2>Drop at every emitter in {units.differenceUnit}, walk by walk</h2>
      <div role="img" aria-label={`Drops over ${walks.length} walks; the target is ${units.difference(targetK)}`}>
        <ResponsiveContainer width="100%" height={230}>
          <LineChart data={data} margin={{ top: 8, right: 110, bottom: 0, left: 0 }}>
            <CartesianGrid vertical={false} stroke={PAPER.line} />
            <XAxis dataKey="name" stroke={PAPER.muted} tickLine={false} fontSize={12} />
            <YAxis width={34} stroke={PAPER.muted} fontSize={12} domain={[0, 'auto']} />
            <ReferenceArea
              y1={shown(targetK - toleranceK)}
              y2={shown(targetK + toleranceK)}
              fill={PAPER.good}
              fillOpacity={0.14}
              label={{ value: 'target', position: 'insideTopLeft', fill: PAPER.good, fontSize: 12 }}
            />
            {emitters.map(({ id, name }, k) => (
              <Line
                key={id}
                dataKey={id}
                name={name}
                connectNulls
                isAnimationActive={false}
                stroke={id === now ? PAPER.ember : PAPER.edge}
                strokeWidth={id === now ? 3 : 1.5}
                dot={{ r: 2.5 }}
              >
                {id === now && (
                  <LabelList
                    dataKey={id}
                    content={({ index, x, y }) =>
                      index === data.length - 1 ? (
                        <text x={Number(x) + 8} y={Number(y) + 4} fill={PAPER.ember} fontSize={12} fontWeight={600}>
                          {k + 1} {name}
                        </text>
                      ) : null
                    }
                  />
                )}
              </Line>
            ))}
          </LineChart>
        </ResponsiveContainer>
      </div>
      <details>
        <summary>As a table</summary>
        <DataTable
          name="Drops by walk"
          rows={emitters.map(({ id, name }, k) => ({ key: id, place: k + 1, name }))}
          rowKey={(row) => row.key}
          columns={[
            { name: 'Place', value: (row) => row.place },
            { name: 'Emitter', value: (row) => row.name },
            ...walks.map(({ walk, drops }) => ({
              name: walkWords(walk),
              value: (row: { key: string }) => (drops.has(row.key) ? shown(drops.get(row.key)!) : ''),
            })),
          ]}
        />
      </details>
    </section>
  );
}
