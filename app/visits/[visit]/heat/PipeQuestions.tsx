'use client';

import { DeleteOutlined, PlusOutlined } from '@ant-design/icons';
import { Button, Checkbox, Input, Select } from 'antd';
import { useMemo, useState } from 'react';
import { CartesianGrid, Legend, Line, LineChart, ReferenceLine, ResponsiveContainer, XAxis, YAxis } from 'recharts';
import { leverWords, valveOf, valveWords, zonesOf, type ValveSays } from '@core/work/heating/closedPipe';
import { lossOf, lossWords } from '@core/work/heating/pipeFacts';
import type { ToldPipe } from '@core/work/heating/toldPipe';
import { LEVERS, pipeValueSchema, type PipeValue } from '@core/model/pipeRow';
import { expectedClosed, ORIENTATIONS, type JudgedValve, type Orientation } from '@core/method/heating/valve/closedValve';
import { PAPER } from '@core/paper/palette';
import { number } from '@core/ground/format';
import { useNow } from '@ui/time/useNow';
import { useUnits } from '@ui/units/UnitProvider';
import { NumberField } from '@ui/form/NumberField';
import styles from './Heat.module.css';

interface Props {
  value: ToldPipe;
  onPut(label: string, change: Partial<PipeValue>): void;
}

const {
  points: pointsSchema,
  zones: zonesSchema,
  extent,
  waterC,
  hotC,
  surfaceC,
  hoursYear,
  pricePerKwh,
} = pipeValueSchema.shape;
const point = pointsSchema.element.shape;
const zone = zonesSchema.element.shape;

const VERDICTS: Record<JudgedValve['verdict'], { tone: 'good' | 'poor' | 'none'; words: string }> = {
  holds: { tone: 'good', words: 'holds' },
  passes: { tone: 'poor', words: 'lets by' },
  'cannot-say': { tone: 'none', words: 'cannot say yet' },
};
const ORIENTATION_WORDS: Record<Orientation, string> = { level: 'level', rising: 'rises' };

function VerdictChip({ says }: { says: ValveSays }) {
  if (says.kind === 'missing') return null;
  const { tone, words } =
    says.kind === 'far-end' ? { tone: 'care', words: 'warm from the far end' } : VERDICTS[says.judged.verdict];
  return (
    <span className={styles.chip} data-tone={tone}>
      {words}
    </span>
  );
}

/** What is known of the pipe at the moment at which its valve closed. */
function AtClosing({ value, onPut }: Props) {
  return (
    <>
      <label className={styles.field}>
        <span>The pipe runs</span>
        <Select
          aria-label="The pipe runs"
          value={value.orientation}
          placeholder="level or rising?"
          style={{ minWidth: 120 }}
          options={ORIENTATIONS.map((one) => ({ value: one, label: ORIENTATION_WORDS[one] }))}
          onChange={(orientation) => onPut('Level or rising', { orientation })}
        />
      </label>
      <NumberField
        label="Water before the valve"
        value={value.waterC}
        schema={waterC}
        celsius
        onCommit={(next) => onPut('Water before the valve', { waterC: next })}
      />
    </>
  );
}

/** Places along the pipe behind a closed valve, and what their cooling says. */
export function ValvePoints({ value, onPut }: Props) {
  const units = useUnits();
  const now = useNow();
  const [m, setM] = useState<number | null>(null);
  const [celsius, setCelsius] = useState<number | null>(null);
  const [typed, setTyped] = useState<number | null>(null);
  const [taped, setTaped] = useState(true);
  const says = useMemo(() => valveOf(value), [value]);
  const sorted = value.points.toSorted((a, b) => (a.minutes ?? 0) - (b.minutes ?? 0) || a.m - b.m);
  const since = value.closedAt === null ? null : Math.max(0, Math.round((now - value.closedAt) / 60_000));
  const minutes = typed ?? since;
  return (
    <>
      <div className={styles.fields}>
        <AtClosing value={value} onPut={onPut} />
        <NumberField
          label="Behind it, when it closed"
          value={value.hotC}
          schema={hotC}
          celsius
          onCommit={(next) => onPut('Pipe when it closed', { hotC: next })}
        />
        <Button disabled={value.hotC === null} onClick={() => onPut('Valve closed', { closedAt: Date.now() })}>
          {since === null ? 'Closed it now' : `Closed ${since} min ago · again`}
        </Button>
      </div>
      <div className={styles.fields}>
        <NumberField label="Away from the valve" value={m} schema={point.m.nullable()} suffix="m" step={0.1} onCommit={setM} />
        <NumberField label="Pipe reads" value={celsius} schema={point.celsius.nullable()} celsius onCommit={setCelsius} />
        <NumberField
          label="Minutes since it closed"
          value={minutes}
          schema={point.minutes.unwrap().unwrap().nullable()}
          suffix="min"
          onCommit={setTyped}
        />
        <Checkbox checked={taped} onChange={(event) => setTaped(event.target.checked)}>
          On tape or paint
        </Checkbox>
        <Button
          icon={<PlusOutlined />}
          disabled={m === null || celsius === null || minutes === null}
          onClick={() => {
            onPut(`Place at ${m} m`, { points: [...value.points, { m: m!, celsius: celsius!, taped, minutes }] });
            setM(null);
            setCelsius(null);
            // The clock goes on: minutes that were typed are of that place only.
            if (since !== null) setTyped(null);
          }}
        >
          Add the place
        </Button>
      </div>
      {sorted.length > 0 && (
        <ul aria-label="Places" className={styles.places}>
          {sorted.map((one) => (
            <li key={`${one.m} ${one.celsius} ${one.minutes ?? ''}`}>
              {number(one.m, 2)} m: {units.temperature(one.celsius)}
              {one.minutes === null || one.minutes === undefined ? ' · minutes not noted' : ` · ${Math.round(one.minutes)} min`}
              {one.taped ? '' : ' · bare metal: reads near the room'}{' '}
              <Button
                type="text"
                icon={<DeleteOutlined />}
                aria-label={`Remove the place at ${one.m} m`}
                onClick={() => onPut('Place removed', { points: value.points.filter((other) => other !== one) })}
              />
            </li>
          ))}
        </ul>
      )}
      <p role="status" className={says.kind === 'missing' ? styles.quiet : undefined}>
        <VerdictChip says={says} /> {valveWords(says, units.temperature)}
      </p>
      {says.kind === 'judged' && <AlongPipe name={value.name} says={says} />}
    </>
  );
}

/** So far beyond the farthest place a curve goes, m, and so many points of it. */
const BEYOND_M = 0.5;
const CURVE_POINTS = 24;

/** What was read at the newest minute, beside what a tight valve's pipe would read. */
function AlongPipe({ name, says: { valve } }: { name: string; says: Extract<ValveSays, { kind: 'judged' }> }) {
  const units = useUnits();
  const rows = useMemo(() => {
    const last = Math.max(...valve.readings.map(({ minutes }) => minutes));
    const read = valve.readings.filter(({ minutes }) => minutes === last);
    const far = Math.max(...read.map(({ m }) => m)) + BEYOND_M;
    const curve = Array.from({ length: CURVE_POINTS }, (_, k) => (far * k) / (CURVE_POINTS - 1));
    return [
      ...curve.map((m) => ({ m, tight: expectedClosed(valve, last, m), read: undefined })),
      ...read.map(({ m, celsius }) => ({ m, tight: expectedClosed(valve, last, m), read: celsius })),
    ].sort((a, b) => a.m - b.m);
  }, [valve]);
  return (
    <div role="img" aria-label={`Temperature along ${name}`}>
      <ResponsiveContainer width="100%" height={190}>
        <LineChart
          data={rows.map(({ m, tight, read }) => ({
            m: Math.round(100 * m) / 100,
            tight: units.toField(tight),
            read: read === undefined ? undefined : units.toField(read),
          }))}
          margin={{ top: 8, right: 20, bottom: 4, left: 0 }}
        >
          <CartesianGrid vertical={false} stroke={PAPER.line} />
          <XAxis dataKey="m" type="number" domain={[0, 'dataMax']} stroke={PAPER.muted} unit=" m" tickCount={6} />
          <YAxis width={38} stroke={PAPER.muted} domain={['auto', 'auto']} />
          <ReferenceLine
            y={units.toField(valve.roomC)}
            stroke={PAPER.cool}
            strokeDasharray="4 4"
            label={{ value: 'air', position: 'insideBottomRight', fill: PAPER.cool, fontSize: 12 }}
          />
          <Legend />
          <Line
            dataKey="tight"
            name="if it holds"
            isAnimationActive={false}
            stroke={PAPER.muted}
            strokeWidth={2}
            strokeDasharray="5 4"
            dot={false}
          />
          <Line
            dataKey="read"
            name="read"
            isAnimationActive={false}
            stroke={PAPER.ember}
            strokeWidth={0}
            dot={{ r: 5, fill: PAPER.ember }}
          />
        </LineChart>
      </ResponsiveContainer>
    </div>
  );
}

/** Zones with and without their call. */
export function Zones({ value, onPut }: Props) {
  const [name, setName] = useState('');
  const put = (k: number, change: Partial<PipeValue['zones'][number]>) =>
    onPut('Zone', { zones: value.zones.map((one, n) => (n === k ? { ...one, ...change } : one)) });
  const checked = zone.name.safeParse(name);
  const units = useUnits();
  const judged = useMemo(() => zonesOf(value), [value]);
  const lever = (k: number, of: 'leverOn' | 'leverOff', words: string) => (
    <label className={styles.field}>
      <span>{words}</span>
      <Select
        aria-label={`${words}, ${value.zones[k]!.name}`}
        allowClear
        value={value.zones[k]![of] ?? null}
        placeholder="lever?"
        style={{ minWidth: 110 }}
        options={LEVERS.map((one) => ({ value: one, label: one }))}
        onChange={(next) => put(k, { [of]: next ?? null })}
      />
    </label>
  );
  return (
    <>
      <div className={styles.fields}>
        <AtClosing value={value} onPut={onPut} />
      </div>
      {judged.map((one, k) => (
        <div key={one.name} className={styles.card}>
          <div className={styles.row}>
            <b>{one.name}</b>
            <Button
              type="text"
              icon={<DeleteOutlined />}
              aria-label={`Remove zone ${one.name}`}
              onClick={() => onPut('Zone removed', { zones: value.zones.filter((_, n) => n !== k) })}
            />
          </div>
          <div className={styles.fields}>
            <NumberField
              label="With its call"
              named={`With its call, ${one.name}`}
              value={one.onC}
              schema={zone.onC}
              celsius
              onCommit={(next) => put(k, { onC: next })}
            />
            <NumberField
              label="After its call"
              named={`After its call, ${one.name}`}
              value={one.offC}
              schema={zone.offC}
              celsius
              onCommit={(next) => put(k, { offC: next })}
            />
            <NumberField
              label="Minutes since"
              named={`Minutes since its call, ${one.name}`}
              value={one.minutes ?? null}
              schema={zone.minutes.unwrap().unwrap().nullable()}
              suffix="min"
              onCommit={(next) => put(k, { minutes: next })}
            />
            {lever(k, 'leverOn', 'Lever with the call')}
            {lever(k, 'leverOff', 'Lever without')}
          </div>
          <span role="status" aria-label={`Verdict, ${one.name}`}>
            <VerdictChip says={one.says} /> {valveWords(one.says, units.temperature)} {leverWords(one)}
          </span>
        </div>
      ))}
      <form
        className={styles.row}
        onSubmit={(event) => {
          event.preventDefault();
          if (!checked.success || value.zones.some((one) => one.name === checked.data)) return;
          onPut(`Zone: ${checked.data}`, { zones: [...value.zones, { name: checked.data, onC: null, offC: null }] });
          setName('');
        }}
      >
        <Input
          aria-label="Name of a zone"
          placeholder="Name of a zone"
          style={{ maxWidth: 220 }}
          value={name}
          onChange={(event) => setName(event.target.value)}
        />
        <Button htmlType="submit" icon={<PlusOutlined />} disabled={!checked.success}>
          Add the zone
        </Button>
      </form>
      <p className={styles.quiet}>
        Read the pipe a hand’s length beyond the valve, on tape: hot with its call, and some minutes after the call ended. A full
        pipe cools slowly, so that it says when to read again. Try the lever both ways: slack means driven open already.
      </p>
    </>
  );
}

/** What a run of pipe or a cylinder loses, in watts and money. */
export function PipeLoss({ value, onPut }: Props) {
  const loss = lossOf(value);
  const cylinder = value.question === 'cylinder';
  const money = (kwh: number) =>
    value.pricePerKwh === null ? '' : ` (${number(kwh * value.pricePerKwh, 0)} a year at that price)`;
  return (
    <>
      <div className={styles.fields}>
        <NumberField
          label={cylinder ? 'Outside area' : 'Length'}
          value={value.extent}
          schema={extent}
          suffix={cylinder ? 'm²' : 'm'}
          onCommit={(next) => onPut('Extent', { extent: next })}
        />
        <NumberField
          label="Water in it"
          value={value.waterC}
          schema={waterC}
          celsius
          onCommit={(next) => onPut('Water', { waterC: next })}
        />
        {cylinder && (
          <NumberField
            label="Outside reads"
            value={value.surfaceC}
            schema={surfaceC}
            celsius
            onCommit={(next) => onPut('Outside', { surfaceC: next })}
          />
        )}
        <NumberField
          label="Hot for so long a year"
          value={value.assumed.includes('hoursYear') ? null : value.hoursYear}
          schema={hoursYear}
          usual={value.hoursYear}
          suffix="h"
          step={100}
          onCommit={(next) => onPut('Hours', { hoursYear: next })}
        />
        <NumberField
          label="Price of a kWh of heat"
          value={value.pricePerKwh}
          schema={pricePerKwh}
          step={0.01}
          onCommit={(next) => onPut('Price', { pricePerKwh: next })}
        />
      </div>
      {loss ? (
        <p role="status">
          Loses <b>{lossWords(loss)}</b>
          {money(loss.kwhYear)}. Lagged as usual {Math.round(loss.laggedW)} W: saves {Math.round(loss.saveKwhYear)} kWh
          {money(loss.saveKwhYear)}. What is lost in heated rooms in winter is not all lost.
        </p>
      ) : (
        <p className={styles.quiet}>It follows from the fields above.</p>
      )}
    </>
  );
}
