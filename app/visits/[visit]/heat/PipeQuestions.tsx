'use client';

import { DeleteOutlined, PlusOutlined } from '@ant-design/icons';
import { Button, Checkbox, Input } from 'antd';
import { useState } from 'react';
import { CartesianGrid, Line, LineChart, ReferenceLine, ResponsiveContainer, XAxis, YAxis } from 'recharts';
import { lossOf, valveOf, valveWords, zonesOf } from '@core/circuit/pipeFacts';
import { pipeValueSchema, type PipeValue } from '@core/heating/rows/pipeRow';
import type { ValveReading } from '@core/heating/pipes';
import { PAPER } from '@core/report/palette';
import { number } from '@core/units/format';
import { useUnits } from '@ui/units/UnitProvider';
import { NumberField } from '@ui/form/NumberField';
import styles from './Heat.module.css';

interface Props {
  value: PipeValue;
  onPut(label: string, change: Partial<PipeValue>): void;
}

const { points: pointsSchema, zones: zonesSchema, extent, waterC, surfaceC, hoursYear, pricePerKwh } = pipeValueSchema.shape;
const point = pointsSchema.element.shape;
const zone = zonesSchema.element.shape;

const VERDICT_TONE: Record<ValveReading['verdict'], 'good' | 'care' | 'poor' | 'none'> = {
  holds: 'good',
  passes: 'poor',
  'far-end': 'care',
  'cannot-say': 'none',
};
const VERDICT_WORDS: Record<ValveReading['verdict'], string> = {
  holds: 'holds',
  passes: 'lets by',
  'far-end': 'warm from the far end',
  'cannot-say': 'cannot say',
};

/** Places along a pipe away from a closed valve, and what their fading says. */
export function ValvePoints({ value, onPut }: Props) {
  const units = useUnits();
  const [m, setM] = useState<number | null>(null);
  const [celsius, setCelsius] = useState<number | null>(null);
  const [taped, setTaped] = useState(true);
  const found = valveOf(value);
  const sorted = value.points.toSorted((a, b) => a.m - b.m);
  return (
    <>
      <div className={styles.fields}>
        <NumberField label="Away from the valve" value={m} schema={point.m.nullable()} suffix="m" step={0.1} onCommit={setM} />
        <NumberField label="Pipe reads" value={celsius} schema={point.celsius.nullable()} celsius onCommit={setCelsius} />
        <Checkbox checked={taped} onChange={(event) => setTaped(event.target.checked)}>
          On tape or paint
        </Checkbox>
        <Button
          icon={<PlusOutlined />}
          disabled={m === null || celsius === null}
          onClick={() => {
            onPut(`Place at ${m} m`, { points: [...value.points, { m: m!, celsius: celsius!, taped }] });
            setM(null);
            setCelsius(null);
          }}
        >
          Add the place
        </Button>
      </div>
      {sorted.length > 0 && (
        <ul aria-label="Places" className={styles.places}>
          {sorted.map((one) => (
            <li key={`${one.m} ${one.celsius}`}>
              {number(one.m, 2)} m: {units.temperature(one.celsius)}
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
      {'missing' in found ? (
        <p className={styles.quiet}>{found.missing}</p>
      ) : (
        <p role="status">
          <span className={styles.chip} data-tone={VERDICT_TONE[found.verdict]}>
            {VERDICT_WORDS[found.verdict]}
          </span>{' '}
          {valveWords(found)}
        </p>
      )}
      {sorted.length > 1 && (
        <div role="img" aria-label={`Temperature along ${value.name}`}>
          <ResponsiveContainer width="100%" height={180}>
            <LineChart
              data={sorted.map((one) => ({ m: one.m, c: units.toField(one.celsius) }))}
              margin={{ top: 8, right: 20, bottom: 4, left: 0 }}
            >
              <CartesianGrid vertical={false} stroke={PAPER.line} />
              <XAxis dataKey="m" type="number" domain={[0, 'dataMax']} stroke={PAPER.muted} unit=" m" />
              <YAxis width={38} stroke={PAPER.muted} />
              <ReferenceLine
                y={units.toField(value.airC)}
                stroke={PAPER.cool}
                strokeDasharray="4 4"
                label={{ value: 'air', position: 'insideBottomRight', fill: PAPER.cool, fontSize: 12 }}
              />
              <Line dataKey="c" isAnimationActive={false} stroke={PAPER.ember} strokeWidth={2} dot={{ r: 4 }} />
            </LineChart>
          </ResponsiveContainer>
        </div>
      )}
    </>
  );
}

/** Zones with and without their call. */
export function Zones({ value, onPut }: Props) {
  const [name, setName] = useState('');
  const put = (k: number, change: Partial<PipeValue['zones'][number]>) =>
    onPut('Zone', { zones: value.zones.map((one, n) => (n === k ? { ...one, ...change } : one)) });
  const checked = zone.name.safeParse(name);
  return (
    <>
      {zonesOf(value).map((one, k) => (
        <div key={one.name} className={styles.fields}>
          <b>{one.name}</b>
          <NumberField
            label="With its call"
            named={`With its call, ${one.name}`}
            value={one.onC}
            schema={zone.onC}
            celsius
            onCommit={(next) => put(k, { onC: next })}
          />
          <NumberField
            label="Without"
            named={`Without a call, ${one.name}`}
            value={one.offC}
            schema={zone.offC}
            celsius
            onCommit={(next) => put(k, { offC: next })}
          />
          <span className={styles.chip} data-tone={VERDICT_TONE[one.verdict]}>
            {VERDICT_WORDS[one.verdict]}
          </span>
          <Button
            type="text"
            icon={<DeleteOutlined />}
            aria-label={`Remove zone ${one.name}`}
            onClick={() => onPut('Zone removed', { zones: value.zones.filter((_, n) => n !== k) })}
          />
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
        Read the pipe beyond the valve, on tape, ten minutes after the call began and ended. A motor that turns without resistance
        moves no valve.
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
          value={value.hoursYear}
          schema={hoursYear}
          suffix="h"
          step={100}
          onCommit={(next) => next !== null && onPut('Hours', { hoursYear: next })}
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
          Loses <b>{Math.round(loss.watts)} W</b>, {Math.round(loss.kwhYear)} kWh a year{money(loss.kwhYear)}. Lagged as usual{' '}
          {Math.round(loss.laggedW)} W: saves {Math.round(loss.saveKwhYear)} kWh{money(loss.saveKwhYear)}. Right to about a fifth;
          what is lost in heated rooms in winter is not all lost.
        </p>
      ) : (
        <p className={styles.quiet}>It follows from the fields above.</p>
      )}
    </>
  );
}
