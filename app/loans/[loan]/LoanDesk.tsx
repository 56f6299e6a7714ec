'use client';

import { CalendarOutlined, PrinterOutlined } from '@ant-design/icons';
import { Alert, App, Button, Spin } from 'antd';
import { useState } from 'react';
import { loanSheet } from '@core/paper/loanSheet';
import type { LoanHomes, PlannedLoan } from '@core/work/loan/planLoan';
import { BOARD_DAYS, LEAD_DAYS } from '@core/method/weather/board';
import type { Row, Values } from '@core/model/entities';
import { loanValueSchema } from '@core/model/loanRow';
import { CommitText } from '@ui/form/CommitText';
import { usePdf } from '@ui/pdf/usePdf';
import { Desk } from '@ui/shell/Desk';
import { Conflicts } from '@ui/store/Conflicts';
import { byId } from '@ui/store/held';
import { RowStore } from '@ui/store/rowStore';
import { saveWords } from '@ui/store/saving';
import { usePart } from '@ui/store/useRowStore';
import { useUnits } from '@ui/units/UnitProvider';
import { downloadCalendar } from '@ui/weather/downloadCalendar';
import { PRACTICE_WORD } from '@core/work/visit/practice';
import { useWeather } from '@ui/weather/useWeather';
import { weatherWords } from '@ui/weather/weatherWords';
import { Handovers } from './Handovers';
import { HomeList } from './HomeList';
import { LoanFields } from './LoanFields';
import { TurnList } from './TurnList';
import { usePlanned } from './usePlanned';
import styles from './LoanDesk.module.css';

const DAY_MS = 24 * 3_600_000;

interface Props {
  loan: Row<'loan'>;
  homes: Row<'loanHome'>[];
  sites: Row<'site'>[];
  /** Cameras that can be lent, and who has had them. */
  cameras: Row<'camera'>[];
  handovers: Row<'handover'>[];
}

/** One loan: its days, the homes that wait, who has the camera when, and how it came back. */
export function LoanDesk(props: Props) {
  return (
    <Desk here="/loans" wide>
      <Work {...props} />
    </Desk>
  );
}

function Work({ loan, homes, sites, cameras, handovers }: Props) {
  const [store] = useState(
    () => new RowStore({ rows: { loan: byId([loan]), loanHome: byId(homes), handover: byId(handovers) } }),
  );
  const rows = usePart(store, (state) => state.document.rows);
  const saving = usePart(store, (state) => state.saving);
  const own = rows.loan[loan.id]!;
  const { value } = own;
  const putLoan = (next: Values['loan']) => store.edit('Loan', [{ entity: 'loan', rowId: loan.id, value: next }]);
  const putHome = (id: string, next: Values['loanHome'] | null) =>
    store.edit('Home', [{ entity: 'loanHome', rowId: id, value: next }]);
  const site = new Map(sites.map((row) => [row.id, row]));
  const waiting: LoanHomes = {
    loan: own,
    homes: Object.values(rows.loanHome)
      .sort((a, b) => a.value.ordinal - b.value.ordinal)
      .map((row) => ({ row, site: site.get(row.value.siteId)! })),
  };
  const weather = useWeather(
    value.weatherId !== null || value.practice
      ? {
          weatherId: value.weatherId,
          latitude: value.latitude,
          longitude: value.longitude,
          from: value.from - LEAD_DAYS * DAY_MS,
          to: value.from + (BOARD_DAYS + 1) * DAY_MS,
        }
      : null,
  );
  const found = weather.kind === 'ready' ? weather.weather : null;
  const state = usePlanned(waiting, found);
  const planned = found && state.kind === 'ready' ? state.planned : null;
  return (
    <>
      <div className={styles.head}>
        <div className={styles.name}>
          <h1 className={styles.heading}>{value.name}</h1>
          <CommitText
            label="Name of the loan"
            value={value.name}
            schema={loanValueSchema.shape.name}
            onCommit={(name) => putLoan({ ...value, name })}
          />
        </div>
        <span role="status" className={styles.quiet}>
          {saveWords(saving)}
        </span>
        {planned && found && <Outputs loan={waiting} planned={planned} weather={weatherWords(found, value.timeZone)} />}
      </div>
      <LoanFields value={value} weather={found} onChange={putLoan} />
      {weather.kind === 'problem' && <Alert type="error" title={weather.words} />}
      <div className={styles.columns}>
        <HomeList loan={waiting} sites={sites} onPut={putHome} />
        <section className={styles.card} aria-label="Who has it when">
          <h2>Who has it when</h2>
          {weather.kind === 'none' ? (
            <p className={styles.quiet}>
              No weather yet. Bring a weather file: who has it when follows from the hours that are worth it.
            </p>
          ) : (
            state.kind === 'working' && <Spin />
          )}
          {state.kind === 'problem' && (
            <Alert
              type="error"
              title={state.words}
              action={
                state.again && (
                  <Button size="small" onClick={state.again}>
                    Try again
                  </Button>
                )
              }
            />
          )}
          {planned && <TurnList loan={waiting} planned={planned} />}
        </section>
      </div>
      <section className={`${styles.card} ${styles.below}`} aria-label="The camera itself">
        <h2>The camera itself</h2>
        <Handovers
          loanId={loan.id}
          timeZone={value.timeZone}
          cameras={cameras}
          rows={Object.values(rows.handover)}
          onPut={(id, next) => store.edit('Handover', [{ entity: 'handover', rowId: id, value: next }])}
        />
      </section>
      <Conflicts store={store} />
    </>
  );
}

function Outputs({ loan, planned, weather }: { loan: LoanHomes; planned: PlannedLoan; weather: string }) {
  const { message } = App.useApp();
  const pdf = usePdf();
  const units = useUnits();
  const site = new Map(loan.homes.map(({ row, site: one }) => [row.id, one.value]));
  const write = () =>
    downloadCalendar(
      loan.loan.value.name,
      planned.turns.map((turn) => ({
        uid: `${turn.homeId}@glow-den`,
        from: turn.from,
        to: turn.to,
        title: `${loan.loan.value.practice ? `${PRACTICE_WORD}: ` : ''}${loan.loan.value.name}: ${site.get(turn.homeId)!.name}`,
        description: [planned.tradeOffs.find(({ homeId }) => homeId === turn.homeId)?.words, `Planned by ${weather}.`]
          .filter(Boolean)
          .join('\n'),
        location: site.get(turn.homeId)!.address,
      })),
    ).catch((error: Error) => message.error(error.message));
  return (
    <>
      {pdf.state.problem && <Alert type="error" title={pdf.state.problem} />}
      {pdf.state.running ? (
        <Button onClick={pdf.cancel}>Making the sheet … cancel</Button>
      ) : (
        <Button
          icon={<PrinterOutlined />}
          onClick={() =>
            void pdf.make('/api/handouts', loanSheet(loan, planned, weather, units.temperature(loan.loan.value.insideC)))
          }
        >
          Sheet to print
        </Button>
      )}
      <Button type="primary" icon={<CalendarOutlined />} disabled={planned.turns.length === 0} onClick={() => void write()}>
        Put in calendar
      </Button>
    </>
  );
}
