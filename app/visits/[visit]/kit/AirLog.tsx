'use client';

import { DeleteOutlined, PlusOutlined, UploadOutlined } from '@ant-design/icons';
import { App, Button, InputNumber, Select } from 'antd';
import { useRef, useState } from 'react';
import { v7 as newId } from 'uuid';
import { CoreError } from '@core/ground/errors';
import { isHeated } from '@core/model/heated';
import { REMEMBERED_H } from '@core/work/visit/wallHistoryOf';
import { readLogger } from '@core/work/visit/readLogger';
import type { Row } from '@core/model/entities';
import { type LogEntry, type LogValue, logEntrySchema } from '@core/model/logRow';
import { number } from '@core/ground/format';
import { localTime } from '@core/ground/localTime';
import { byHandLog } from '@core/work/visit/byHandLog';
import { hoursOf, usualReadAt } from '@core/work/visit/readAt';
import { roomsOf, siteOf } from '@core/work/visit/theVisit';
import { clockMoment, clockText } from '@ui/form/clockField';
import { DataTable } from '@ui/table/DataTable';
import { useNow } from '@ui/time/useNow';
import { useUnits } from '@ui/units/UnitProvider';
import { useVisit } from '@ui/visit/VisitProvider';
import styles from './Kit.module.css';
import { WeatherBefore } from './WeatherBefore';

const HOUR_MS = 3_600_000;
const LARGEST_LOG_BYTES = 8 * 1024 * 1024;
const HOUSE = 'house';
const signed = (value: number) => `${value > 0 ? '+' : ''}${number(value, 1)}`;

/** Air while the round goes on, by hand or from a logger; each frame takes what was true at its time. */
export function AirLog() {
  const { document, edit } = useVisit();
  const { message } = App.useApp();
  const units = useUnits();
  const shown = (celsius: number | null) => (celsius === null ? '' : units.toField(celsius));
  const picker = useRef<HTMLInputElement>(null);
  const site = siteOf(document);
  const [roomId, setRoomId] = useState<string | null>(null);
  const roomName = roomId === null ? null : (document.rows.room[roomId]?.value.name ?? null);
  const logs = Object.values(document.rows.log);
  const [draft, setDraft] = useState<Omit<LogEntry, 'at'>>({ insideC: null, outsideC: null, humidityPct: null });
  const instruments = Object.values(document.rows.instrument).filter(
    ({ value }) => !value.archived && (value.kind === 'air' || value.kind === 'hygrometer'),
  );
  const [used, setUsed] = useState<string[]>([]);
  const now = useNow();
  const usualAt = usualReadAt(document, roomId, now);
  const [typedAt, setTypedAt] = useState<string | null>(null);
  const readAt = typedAt === null ? usualAt : clockMoment(typedAt, site.timeZone);
  const byHand = byHandLog(document, roomId);
  const put = (row: Row<'log'>, label: string, value: LogValue | null) => edit(label, [{ entity: 'log', rowId: row.id, value }]);
  // What the instruments of the kit show is corrected by their own offsets.
  const [air, hygrometer] = (['air', 'hygrometer'] as const).map((kind) =>
    instruments.find(({ id, value }) => value.kind === kind && used.includes(id)),
  );
  const plus = (value: number | null, offset = 0) => (value === null ? null : value + offset);
  const checked = logEntrySchema.safeParse({
    at: 0,
    insideC: plus(draft.insideC, air?.value.offset),
    outsideC: plus(draft.outsideC, air?.value.offset),
    humidityPct: plus(draft.humidityPct, hygrometer?.value.offset),
  });
  const empty = draft.insideC === null && draft.outsideC === null && draft.humidityPct === null;

  const addFile = async (file: File) => {
    try {
      if (file.size > LARGEST_LOG_BYTES)
        throw new CoreError('too_large', 'The file is larger than 8 MB.', {}, 'Export the hours of the visit only.');
      const { from, to } = hoursOf(document);
      // As far back as walls remember.
      const hours = { from: from - (REMEMBERED_H + 1) * HOUR_MS, to };
      const { entries, outside } = readLogger(await file.text(), { timeZone: site.timeZone, ...hours });
      edit(`Logger: ${file.name}`, [
        {
          entity: 'log',
          rowId: newId(),
          value: {
            visitId: document.visitId,
            roomId,
            name: `${roomName ? `${roomName}: ` : ''}${file.name}`.slice(0, 160),
            entries,
          },
        },
      ]);
      void message.success(
        `${entries.length} readings taken in${outside > 0 ? `; ${outside} outside of the visit left out` : ''}.`,
        5,
      );
    } catch (error) {
      if (!(error instanceof CoreError)) throw error;
      void message.error(`${error.message} ${error.hint}`, 10);
    }
  };
  const rows = logs
    .flatMap((row) => row.value.entries.map((entry, i) => ({ key: `${row.id} ${i}`, source: row.value.name, ...entry })))
    .sort((a, b) => a.at - b.at);
  const field = (label: string, name: keyof typeof draft, celsius: boolean) => (
    <InputNumber
      aria-label={label}
      placeholder={label}
      value={draft[name] === null ? null : celsius ? units.toField(draft[name]) : draft[name]}
      suffix={celsius ? `°${units.unit}` : '%'}
      onChange={(next) => setDraft({ ...draft, [name]: next === null ? null : celsius ? units.fromField(next) : next })}
    />
  );
  return (
    <section className={styles.card}>
      <h2>Air during the round</h2>
      <p className={styles.quiet}>
        A frame takes the air of its own time from here, straight between two readings; without a reading near, the conditions of
        the visit hold. A loft, a cellar, a garage has an air of its own: read it there. What a logger or a weather file tells of
        the 48 hours before says what heat the walls still hold.
      </p>
      <div className={styles.log}>
        <Select<string | typeof HOUSE>
          aria-label="Air of"
          popupMatchSelectWidth={false}
          value={roomId ?? HOUSE}
          options={[
            { value: HOUSE, label: 'Air of the house' },
            ...roomsOf(document).map(({ id, value }) => ({
              value: id,
              label: isHeated(value) ? value.name : `${value.name} (own air)`,
            })),
          ]}
          onChange={(next: string) => setRoomId(next === HOUSE ? null : next)}
        />
        {field('Air inside', 'insideC', true)}
        {field('Air outside', 'outsideC', true)}
        {field('Humidity inside', 'humidityPct', false)}
        <label className={styles.readAt}>
          Read at
          <input
            type="datetime-local"
            value={typedAt ?? clockText(usualAt, site.timeZone)}
            onChange={(event) => setTypedAt(event.target.value)}
          />
          {typedAt === null && usualAt !== now && <span>assumed: when the last frame was taken</span>}
        </label>
        {instruments.length > 0 && (
          <Select
            mode="multiple"
            aria-label="Read with"
            placeholder="Read with"
            className={styles.instruments}
            value={used}
            options={instruments.map(({ id, value }) => ({ value: id, label: value.name }))}
            onChange={setUsed}
          />
        )}
        <Button
          icon={<PlusOutlined />}
          disabled={empty || !checked.success || readAt === null}
          onClick={() => {
            put(byHand, 'Air noted', { ...byHand.value, entries: [...byHand.value.entries, { ...checked.data!, at: readAt! }] });
            setTypedAt(null);
            setDraft({ insideC: null, outsideC: null, humidityPct: null });
          }}
        >
          {typedAt === null && usualAt === now ? 'Note for now' : 'Note for then'}
        </Button>
        <Button icon={<UploadOutlined />} onClick={() => picker.current?.click()}>
          Logger file (CSV)
        </Button>
        <WeatherBefore />
        <input
          ref={picker}
          type="file"
          accept=".csv,.txt,text/csv"
          hidden
          aria-label="Logger file"
          onChange={(event) => {
            const file = event.target.files?.[0];
            if (file) void addFile(file);
            event.target.value = '';
          }}
        />
      </div>
      {(air ?? hygrometer) && (
        <p className={styles.quiet}>
          Kept with{' '}
          {[
            air && `${units.signedDifference(air.value.offset)} of air`,
            hygrometer && `${signed(hygrometer.value.offset)} % of humidity`,
          ]
            .filter(Boolean)
            .join(' and ')}{' '}
          added, as these instruments need it.
        </p>
      )}
      {!checked.success && <p role="alert">{checked.error.issues[0]!.message}</p>}
      {logs.map((row) => (
        <p key={row.id} className={styles.quiet}>
          {row.value.name}: {row.value.entries.length} {row.value.entries.length === 1 ? 'reading' : 'readings'}{' '}
          <Button
            type="text"
            icon={<DeleteOutlined />}
            aria-label={`Remove ${row.value.name}`}
            onClick={() => put(row, `Removed: ${row.value.name}`, null)}
          />
        </p>
      ))}
      {rows.length > 0 && (
        <DataTable
          name="Air during the round"
          rows={rows}
          rowKey={(row) => row.key}
          columns={[
            { name: 'Time', value: (row) => localTime(row.at, site.timeZone) },
            { name: `Inside, °${units.unit}`, value: (row) => shown(row.insideC) },
            { name: `Outside, °${units.unit}`, value: (row) => shown(row.outsideC) },
            { name: 'Humidity, %', value: (row) => row.humidityPct ?? '' },
            { name: 'From', value: (row) => row.source },
          ]}
        />
      )}
    </section>
  );
}
