'use client';

import { Button, InputNumber, Segmented } from 'antd';
import { useState } from 'react';
import { CartesianGrid, Legend, Line, LineChart, ReferenceLine, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts';
import { CoreError } from '@core/ground/errors';
import {
  bathTemperature,
  offeredCorrection,
  pressureFromAltitude,
  readingOnWater,
  WATER_EMISSIVITY,
} from '@core/work/camera/checks';
import type { Correction } from '@core/work/camera/correction';
import type { CameraCheck, CameraValue } from '@core/model/cameraRow';
import type { Row } from '@core/model/entities';
import { PAPER } from '@core/paper/palette';
import { number } from '@core/ground/format';
import { localDay } from '@core/ground/localTime';
import { DataTable } from '@ui/table/DataTable';
import { useUnits } from '@ui/units/UnitProvider';
import styles from './Shelf.module.css';

const BATHS = { ice: 'Melting ice', boiling: 'Boiling water' } as const;
const now = () => Date.now();
const signed = (value: number) => `${value > 0 ? '+' : ''}${number(value, 1)}`;
/** Offset and slope, as far as there is one. */
const correctionWords = ({ offsetK, slope }: Correction) =>
  `${signed(offsetK)} K at room temperature${slope === 0 ? '' : ` and ${signed(100 * slope)} % of the distance from it`}`;
const dayOf = (at: number) => localDay(at, 'UTC');

/** Checks in melting ice and boiling water, how the camera drifts between them, and the offset that they speak for. */
export function CameraChecks({ row, onPut }: { row: Row<'camera'>; onPut(value: CameraValue): void }) {
  const { value } = row;
  const [bath, setBath] = useState<CameraCheck['bath']>('ice');
  const units = useUnits();
  const [readC, setRead] = useState<number | null>(null);
  const [altitude, setAltitude] = useState(0);
  const [pressure, setPressure] = useState<number | null>(null);
  const [emissivity, setEmissivity] = useState(WATER_EMISSIVITY);
  const [aroundC, setAround] = useState(20);
  const expected = expectedAt(bath, altitude, pressure, emissivity, aroundC);
  const offer = offeredCorrection(value.checks);
  const checks = [...value.checks].sort((a, b) => a.at - b.at);
  const data = checks.map((check) => ({ at: check.at, [check.bath]: Math.round(100 * (check.readC - check.expectedC)) / 100 }));
  return (
    <section className={styles.card}>
      <h2>Checks</h2>
      <p className={styles.quiet}>
        Crushed ice in water, stirred, read square on: {units.temperature(0)}. Water at a rolling boil, read from the side and not
        through the steam. Boiling water scalds; keep children and the lens away.
      </p>
      <Segmented
        aria-label="What it is checked against"
        value={bath}
        options={[
          { value: 'ice', label: BATHS.ice },
          { value: 'boiling', label: BATHS.boiling },
        ]}
        onChange={setBath}
      />
      <div className={styles.bar}>
        {bath === 'boiling' && (
          <>
            <label>
              <span>Altitude</span>
              <InputNumber
                aria-label="Altitude"
                value={altitude}
                step={50}
                suffix="m"
                onChange={(next) => setAltitude(next ?? 0)}
              />
            </label>
            <label>
              <span>or pressure, if you have it</span>
              <InputNumber aria-label="Air pressure" value={pressure} step={1} suffix="hPa" onChange={setPressure} />
            </label>
          </>
        )}
        <label>
          <span>Its emissivity is set to</span>
          <InputNumber
            aria-label="Its emissivity is set to"
            value={emissivity}
            step={0.01}
            min={0.1}
            max={1}
            onChange={(next) => setEmissivity(next ?? WATER_EMISSIVITY)}
          />
        </label>
        <label>
          <span>Room around</span>
          <InputNumber
            aria-label="Room around"
            value={units.toField(aroundC)}
            step={1}
            suffix={`°${units.unit}`}
            onChange={(next) => setAround(next === null ? 20 : units.fromField(next))}
          />
        </label>
        <label>
          <span>The camera reads</span>
          <InputNumber
            aria-label="The camera reads"
            value={readC === null ? null : units.toField(readC)}
            step={0.1}
            suffix={`°${units.unit}`}
            onChange={(next) => setRead(next === null ? null : units.fromField(next))}
          />
        </label>
        <Button
          disabled={readC === null || 'problem' in expected}
          onClick={() => {
            if (readC === null || 'problem' in expected) return;
            onPut({ ...value, checks: [...value.checks, { at: now(), bath, readC, expectedC: expected.celsius }] });
            setRead(null);
          }}
        >
          Keep check
        </Button>
      </div>
      {'problem' in expected ? (
        <p role="alert">{expected.problem}</p>
      ) : (
        <p className={styles.quiet}>
          It should read {units.temperature(expected.celsius)}: water at {units.temperature(expected.waterC)} emits{' '}
          {WATER_EMISSIVITY} and mirrors the room.
        </p>
      )}
      {offer && (
        <div className={styles.offer} data-testid="offset-offer">
          <span>
            The {offer.checks === 1 ? 'check' : `${offer.checks} checks`} of {dayOf(offer.at)} speak for{' '}
            <b>{correctionWords(offer)}</b>; {correctionWords(value)} is added to new frames.
          </span>
          {(Math.abs(offer.offsetK - value.offsetK) >= 0.05 || Math.abs(offer.slope - value.slope) >= 0.001) && (
            <Button
              type="primary"
              onClick={() =>
                onPut({ ...value, offsetK: Math.round(offer.offsetK * 100) / 100, slope: Math.round(offer.slope * 1e4) / 1e4 })
              }
            >
              Add {signed(offer.offsetK)} K to new frames
            </Button>
          )}
        </div>
      )}
      {checks.length > 0 && (
        <>
          <div
            style={{ height: 180 }}
            role="img"
            aria-label="What the camera read too much, over time; the numbers stand in the table"
          >
            <ResponsiveContainer>
              <LineChart data={data} margin={{ top: 8, right: 12, bottom: 0, left: -14 }}>
                <CartesianGrid stroke={PAPER.line} />
                <XAxis
                  dataKey="at"
                  type="number"
                  scale="time"
                  domain={['dataMin', 'dataMax']}
                  tickFormatter={dayOf}
                  fontSize={11}
                />
                <YAxis unit=" K" fontSize={11} />
                <Tooltip labelFormatter={(at) => dayOf(Number(at))} />
                <Legend />
                <ReferenceLine y={0} stroke={PAPER.edge} />
                <Line dataKey="ice" name={BATHS.ice} stroke={PAPER.cool} connectNulls isAnimationActive={false} />
                <Line dataKey="boiling" name={BATHS.boiling} stroke={PAPER.warm} connectNulls isAnimationActive={false} />
              </LineChart>
            </ResponsiveContainer>
          </div>
          <DataTable
            name="Checks"
            rows={checks}
            rowKey={(check) => `${check.at} ${check.bath}`}
            columns={[
              { name: 'Day', value: (check) => new Date(check.at).toISOString().slice(0, 10), show: (check) => dayOf(check.at) },
              { name: 'Against', value: (check) => BATHS[check.bath] },
              { name: 'Read', value: (check) => check.readC, show: (check) => units.temperature(check.readC) },
              { name: 'Should be', value: (check) => check.expectedC, show: (check) => units.temperature(check.expectedC) },
              {
                name: 'Off by, K',
                value: (check) => check.readC - check.expectedC,
                show: (check) => signed(check.readC - check.expectedC),
              },
            ]}
          />
        </>
      )}
    </section>
  );
}

function expectedAt(
  bath: CameraCheck['bath'],
  altitude: number,
  pressure: number | null,
  emissivity: number,
  aroundC: number,
): { celsius: number; waterC: number } | { problem: string } {
  try {
    const waterC = bathTemperature(bath, pressure === null ? pressureFromAltitude(altitude) : pressure * 100);
    return { celsius: readingOnWater(waterC, emissivity, aroundC), waterC };
  } catch (error) {
    if (!(error instanceof CoreError)) throw error;
    return { problem: PROBLEMS[argumentOf(error)] ?? `${error.message} ${error.hint}` };
  }
}

const argumentOf = (error: CoreError) => error.where.argument ?? '';

const PROBLEMS: Record<string, string> = {
  altitude: 'The altitude must lie between −400 and 5000 m.',
  pressure: 'The pressure must lie between 300 and 1200 hPa, not reduced to sea level.',
  emissivity: 'The emissivity must lie between 0.1 and 1.',
  'temperature of the surroundings': 'The room must lie between −50 and 60 °C.',
};
