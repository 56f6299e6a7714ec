'use client';

import { ArrowDownOutlined, ArrowUpOutlined, DeleteOutlined } from '@ant-design/icons';
import { Button, InputNumber, Select } from 'antd';
import { v7 as newId } from 'uuid';
import type { LoanHomes } from '@core/work/loan/planLoan';
import { MOST_HOMES } from '@core/work/loan/shareCamera';
import { localDay } from '@core/ground/localTime';
import { isoDay, localDayNumber } from '@core/method/weather/board';
import { compassWord } from '@core/method/weather/plan';
import type { Row, Values } from '@core/model/entities';
import { loanHomeValueSchema } from '@core/model/loanHomeRow';
import { PresenceCell } from './PresenceCell';
import styles from './HomeList.module.css';

const EVENING = { from: '17:30', to: '22:00' };

/** The waiting list: how long each home takes, which sides matter, and when somebody is in. */
export function HomeList({
  loan: { loan, homes },
  sites,
  onPut,
}: {
  loan: LoanHomes;
  sites: Row<'site'>[];
  onPut(id: string, value: Values['loanHome'] | null): void;
}) {
  const { value } = loan;
  const first = localDayNumber(value.from, value.timeZone);
  const days = Array.from({ length: localDayNumber(value.to, value.timeZone) - first + 1 }, (_, d) => isoDay(first + d));
  const free = sites.filter(({ id, value: site }) => !site.archived && !homes.some(({ row }) => row.value.siteId === id));
  const put = (row: Row<'loanHome'>, change: Partial<Values['loanHome']>) => {
    const checked = loanHomeValueSchema.safeParse({ ...row.value, ...change });
    if (checked.success) onPut(row.id, checked.data);
  };
  const swap = (i: number, k: number) => {
    const [a, b] = [homes[i]!.row, homes[k]!.row];
    put(a, { ordinal: b.value.ordinal });
    put(b, { ordinal: a.value.ordinal });
  };
  const dayName = (iso: string) => localDay(`${iso}T12:00Z`, 'UTC', 'shortest');
  return (
    <section className={styles.card} aria-label="Homes that wait">
      <div className={styles.bar}>
        <h2>Homes that wait, in their order</h2>
        <Select
          className={styles.add}
          aria-label="Add a home"
          placeholder="Add a home"
          value={null}
          showSearch={{ optionFilterProp: 'label' }}
          disabled={homes.length >= MOST_HOMES}
          options={free.map(({ id, value: site }) => ({ value: id, label: site.name }))}
          onChange={(siteId: string | null) =>
            siteId &&
            onPut(newId(), {
              loanId: loan.id,
              siteId,
              ordinal: Math.max(-1, ...homes.map(({ row }) => row.value.ordinal)) + 1,
              minutes: 90,
              travelMinutes: 15,
              presences: [],
              facades: null,
            })
          }
        />
      </div>
      {homes.length === 0 && (
        <p className={styles.quiet}>Add the homes that want the camera in these days: up to {MOST_HOMES}.</p>
      )}
      <ol className={styles.list}>
        {homes.map(({ row, site }, i) => (
          <li key={row.id}>
            <div className={styles.home}>
              <span className={styles.order}>
                <Button
                  type="text"
                  size="small"
                  icon={<ArrowUpOutlined />}
                  disabled={i === 0}
                  aria-label={`${site.value.name}: earlier in the order`}
                  onClick={() => swap(i, i - 1)}
                />
                <Button
                  type="text"
                  size="small"
                  icon={<ArrowDownOutlined />}
                  disabled={i === homes.length - 1}
                  aria-label={`${site.value.name}: later in the order`}
                  onClick={() => swap(i, i + 1)}
                />
              </span>
              <b>{site.value.name}</b>
              <InputNumber
                aria-label={`${site.value.name}: minutes needed`}
                value={row.value.minutes}
                min={15}
                max={600}
                step={15}
                suffix="min"
                onChange={(minutes) => minutes !== null && put(row, { minutes: Math.round(minutes) })}
              />
              <InputNumber
                aria-label={`${site.value.name}: minutes to get there`}
                value={row.value.travelMinutes}
                min={0}
                max={240}
                step={5}
                suffix="min away"
                onChange={(travelMinutes) => travelMinutes !== null && put(row, { travelMinutes: Math.round(travelMinutes) })}
              />
              <Select
                aria-label={`${site.value.name}: façades that matter`}
                mode="multiple"
                maxTagCount="responsive"
                placeholder="All façades"
                value={row.value.facades ?? []}
                options={site.value.facades.map(({ azimuth }) => ({ value: azimuth, label: compassWord(azimuth) }))}
                onChange={(facades: number[]) => put(row, { facades: facades.length === 0 ? null : facades })}
              />
              <Button
                type="text"
                icon={<DeleteOutlined />}
                aria-label={`Take ${site.value.name} off the list`}
                onClick={() => onPut(row.id, null)}
              />
            </div>
            <div className={styles.days} role="group" aria-label={`${site.value.name}: when somebody is in`}>
              {days.map((day) => (
                <PresenceCell
                  key={day}
                  name={`${site.value.name}, ${dayName(day)}`}
                  day={dayName(day)}
                  presence={row.value.presences.find((one) => one.day === day) ?? null}
                  usual={row.value.presences.at(-1) ?? EVENING}
                  onChange={(times) =>
                    put(row, {
                      presences: [
                        ...row.value.presences.filter((one) => one.day !== day),
                        ...(times ? [{ day, ...times }] : []),
                      ].sort((a, b) => a.day.localeCompare(b.day)),
                    })
                  }
                />
              ))}
            </div>
          </li>
        ))}
      </ol>
    </section>
  );
}
