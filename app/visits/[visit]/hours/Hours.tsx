'use client';

import { onDemand } from '@ui/lazy/onDemand';
import { CalendarOutlined, MailOutlined } from '@ant-design/icons';
import { Alert, App, Button, Segmented, Select, Slider, Spin, Tag } from 'antd';
import { QuickLink } from '@ui/link/QuickLink';
import { useState } from 'react';
import { USUAL } from '@core/ground/usual';
import { KINDS } from '@core/model/visitKinds';
import { onlyRow, siteOf } from '@core/work/visit/theVisit';
import { headline, type Slot } from '@core/method/weather/bestSlots';
import { isoDay, localDayNumber } from '@core/method/weather/board';
import type { SeasonChoice, Strictness } from '@core/method/weather/plan';
import type { PlanValue } from '@core/model/planRow';
import { Later } from '@ui/shell/Later';
import { useNow } from '@ui/time/useNow';
import { UndoButtons } from '@ui/shell/UndoButtons';
import { AssumedTap } from '@ui/form/AssumedTap';
import { useUnits } from '@ui/units/UnitProvider';
import { useVisit } from '@ui/visit/VisitProvider';
import { downloadCalendar } from '@ui/weather/downloadCalendar';
import { WeatherSource } from '@ui/weather/WeatherSource';
import { isPractice, PRACTICE_WORD } from '@core/work/visit/practice';
import { weatherWords } from '@ui/weather/weatherWords';
import { AnyHour } from './AnyHour';
import { Board, type Picked } from './Board';
import { Nights } from './Nights';
import { SlotList } from './SlotList';
import { useHours, type ScoredWeek } from './useHours';
import { WallMemory } from './WallMemory';
import type { View } from './Why';
import styles from './Hours.module.css';

const Why = onDemand(() => import('./Why').then((m) => m.Why));
const SiteDialog = onDemand(() => import('@ui/site/SiteDialog').then((m) => m.SiteDialog));

const INSIDE = { min: 5, max: 30 };

/** Which hours are worth driving out for. */
export function Hours() {
  const { document, edit, refresh } = useVisit();
  const units = useUnits();
  const now = useNow();
  const row = onlyRow(document, 'plan');
  const site = siteOf(document);
  const [tried, setTried] = useState<number | null>(null);
  const [placing, setPlacing] = useState(false);
  const { plan, state, week, firstDay } = useHours(tried ?? undefined);
  const put = (label: string, change: Partial<PlanValue>) =>
    edit(label, [{ entity: 'plan', rowId: row.id, value: { ...row.value, ...change } }]);
  const inside = tried ?? row.value.insideC ?? USUAL.airC;
  const words = week && headline(week.result, week.slots, week.plan);
  return (
    <div className={styles.desk}>
      <div className={styles.head}>
        <div className={styles.answer}>
          <h1>{words?.title ?? 'Which hours are worth driving out for?'}</h1>
          <p>{words?.detail}</p>
        </div>
        <UndoButtons />
        <QuickLink href={`/visits/${document.visitId}/hours/letter`}>
          <Button icon={<MailOutlined />}>Letter to the householder</Button>
        </QuickLink>
        {week && <CalendarButton week={week} slot={row.value.slot ?? week.slots[0] ?? null} />}
      </div>
      {(KINDS[onlyRow(document, 'intake').value.kind].anyWeather || (plan && state.kind === 'none')) && (
        <AnyHour onSettle={(slot) => put(slot ? 'Slot settled' : 'Slot given up', { slot })} />
      )}
      {!plan || plan.facades.length === 0 ? (
        <section className={styles.card}>
          <h2>{plan ? 'Say which way the house faces' : 'Say where the house is'}</h2>
          <p className={styles.quiet}>
            The sun and each façade&apos;s good hours follow from latitude, longitude and façades.
            {plan ? ' Without façades only the inside is judged.' : ''}
          </p>
          <Button type="primary" onClick={() => setPlacing(true)}>
            {plan ? 'Add façades' : 'Set the place'}
          </Button>
        </section>
      ) : null}
      {plan && (
        <section className={styles.card}>
          <div className={styles.bar}>
            <h2>Readable hours</h2>
            <label className={styles.from}>
              Week from
              <input
                type="date"
                value={isoDay(firstDay)}
                onChange={(event) => event.target.value && put('Week looked at', { firstDay: event.target.value })}
              />
            </label>
            {row.value.firstDay && (
              <Button type="link" size="small" onClick={() => put('Week looked at', { firstDay: null })}>
                Today
              </Button>
            )}
            <WeatherSource
              weather={week?.weather ?? null}
              timeZone={site.timeZone}
              onBring={({ weatherId, start, count }) => {
                const today = localDayNumber(now, site.timeZone);
                const covered = now >= start && now < start + count * 3_600_000;
                const first = covered ? today : localDayNumber(start, site.timeZone);
                put('Weather file', { weatherId, firstDay: isoDay(first) });
              }}
              onForget={() => put('Without the weather file', { weatherId: null, firstDay: null })}
            />
            <span className={styles.space} />
            <Segmented<Strictness>
              aria-label="How strictly hours are judged"
              value={row.value.strictness}
              options={[
                { value: 'usual', label: 'Usual' },
                { value: 'strict', label: 'Strict: dark, 15 K' },
              ]}
              onChange={(strictness) => put('Strictness', { strictness })}
            />
            <WallMemory />
          </div>
          <div className={styles.bar}>
            <label className={styles.whatIf}>
              <span>What if it is inside</span>
              <Slider
                {...INSIDE}
                step={0.5}
                value={inside}
                ariaLabelForHandle="Expected temperature inside, °C"
                tooltip={{ open: false }}
                onChange={setTried}
                onChangeComplete={(insideC) => {
                  put('Expected inside', { insideC });
                  setTried(null);
                }}
              />
              <b>{units.temperature(inside)}</b>
            </label>
            {row.value.insideC === null && tried === null && (
              <AssumedTap
                field="Expected inside"
                words={units.temperature(USUAL.airC)}
                onSay={() => put('Expected inside', { insideC: USUAL.airC })}
              />
            )}
            <Select<SeasonChoice>
              aria-label="Heated or cooled"
              value={row.value.season}
              options={[
                { value: 'weather', label: 'Heated or cooled: by the hour' },
                { value: 'heated', label: 'The house is heated' },
                { value: 'cooled', label: 'The house is cooled' },
              ]}
              onChange={(season) => put('Heated or cooled', { season })}
            />
            {week && <Tag>{week.result.season === 'cooled' ? 'Cooled house: faults show warm inside' : 'Heated house'}</Tag>}
            {week?.plan.purpose === 'solar-gain' && <Tag>Solar gain: sunny hours wanted</Tag>}
          </div>
          {!isPractice(document) && row.value.weatherId === null && (
            <Nights nights={row.value.nights} firstDay={firstDay} onPut={(nights) => put('Nights typed', { nights })} />
          )}
          {state.kind === 'problem' && <Alert type="error" title={state.words} />}
          {state.kind === 'loading' && !week && <Spin />}
          {week && (
            <Picks key={`${week.firstDay} ${week.plan.facades.length}`} week={week} now={now} put={put} slot={row.value.slot} />
          )}
        </section>
      )}
      {placing && (
        <SiteDialog
          row={document.rows.site[document.siteId]!}
          onClose={() => setPlacing(false)}
          onKept={() => {
            setPlacing(false);
            void refresh();
          }}
        />
      )}
    </div>
  );
}

/** Board, slots and reasons, with what is picked on the board. */
function Picks({
  week,
  now,
  slot,
  put,
}: {
  week: ScoredWeek;
  now: number;
  slot: PlanValue['slot'];
  put(label: string, change: Partial<PlanValue>): void;
}) {
  const [picked, setPicked] = useState<Picked>(() => firstPick(week));
  const [view, setView] = useState<View>('Chart');
  return (
    <>
      <Board week={week} now={now} picked={picked} slot={slot} onPick={setPicked} />
      <div className={styles.columns} data-view={view}>
        <Later>
          <Why week={week} picked={picked} slot={slot} view={view} onView={setView} />
        </Later>
        <Later>
          <SlotList
            week={week}
            slot={slot}
            onSettle={(next) => put(next ? 'Slot settled' : 'Slot given up', { slot: next })}
            onLook={(one) => setPicked({ ...picked, day: dayOf(week, one) })}
          />
        </Later>
      </div>
    </>
  );
}

function dayOf(week: ScoredWeek, slot: { from: number }): number {
  return Math.max(
    0,
    week.days.findLastIndex(({ start }) => start <= slot.from),
  );
}

/** The best slot's day, and the façade that keeps most of the sun. */
function firstPick(week: ScoredWeek): Picked {
  const day = week.slots[0] ? dayOf(week, week.slots[0]) : 0;
  const most = week.plan.facades.map((_, k) => Math.max(0, ...week.days[day]!.hours.map((hour) => hour.facades[k]!.sunExcessK)));
  return { day, row: most.length === 0 ? 'inside' : most.indexOf(Math.max(...most)) };
}

function CalendarButton({ week, slot }: { week: ScoredWeek; slot: PlanValue['slot'] }) {
  const { document } = useVisit();
  const { message } = App.useApp();
  const site = siteOf(document);
  const known: Slot | undefined = week.slots.find(({ from }) => from === slot?.from);
  const write = () => {
    if (!slot) return;
    downloadCalendar(`${site.name} survey`, [
      {
        uid: `${document.visitId}@glow-den`,
        from: slot.from,
        to: slot.to,
        title: `${isPractice(document) ? `${PRACTICE_WORD}: ` : ''}Thermal survey: ${site.name}`,
        description: [
          known && `${known.summary} Chosen by ${weatherWords(week.weather, site.timeZone)}.`,
          onlyRow(document, 'intake').value.access,
        ]
          .filter(Boolean)
          .join('\n'),
        location: site.address,
      },
    ]).catch((error: Error) => message.error(error.message));
  };
  return (
    <Button type="primary" icon={<CalendarOutlined />} disabled={!slot} onClick={write}>
      Put in calendar
    </Button>
  );
}
