'use client';

import { Button, Checkbox, Empty, InputNumber, Select } from 'antd';
import { useState } from 'react';
import { v7 as newId } from 'uuid';
import { dryingOf, dryingWords, meterDays } from '@core/work/water/drying';
import type { HuntValue } from '@core/model/huntRow';
import { wetOrNot, WET_WALLS, WETNESS_WORDS, type WetWall } from '@core/work/water/wet';
import { wetWallOf } from '@core/work/water/wetWall';
import { INSTRUMENT_U } from '@core/ground/instruments';
import { localDay } from '@core/ground/localTime';
import { settingsFor } from '@core/work/visit/settingsInForce';
import { conditionsOf, siteOf } from '@core/work/visit/theVisit';
import { useUnits } from '@ui/units/UnitProvider';
import { PlacePicture } from './PlacePicture';
import { useDampFrame } from './useDampFrame';
import { useHunt } from './useHunt';
import styles from './Water.module.css';

/** A place is read over so many pixels to each side. */
const REACH = 2;

const WALL_WORDS: Record<WetWall, string> = {
  outer: 'an outer wall or ceiling: cold behind',
  inner: 'an inner wall or ceiling: a room behind',
  floor: 'a floor: ground or a cellar below',
};

/** Whether a cold place can be wet, and what a moisture meter read at places of a frame, day after day. */
export function WetOrNot() {
  const { document, hunt, put } = useHunt();
  const units = useUnits();
  const { frame, surface, select } = useDampFrame();
  const [clicked, setClicked] = useState<{ of: string; x: number; y: number } | null>(null);
  const [typed, setTyped] = useState<number | null>(null);
  const [said, setSaid] = useState<{ of: string; wall: WetWall } | null>(null);
  const [heated, setHeated] = useState(false);
  if (!frame) return <Empty description="Take a frame of the damp place first." />;
  const spot = clicked?.of === frame.id ? { x: clicked.x, y: clicked.y } : null;
  const { timeZone } = siteOf(document);
  const days = meterDays(hunt.meter, frame.id, (at) => localDay(at, timeZone));
  const drying = dryingOf(days);
  const { airC, humidityPct } = settingsFor(document, frame.id);
  const celsius = spot && surface ? meanAround(surface, spot) : null;
  const known = airC.origin !== 'default' && humidityPct.value !== null && humidityPct.value > 0;
  const wall = said?.of === frame.id ? said.wall : wetWallOf(document, frame.id);
  const behindC = wall === 'outer' ? (conditionsOf(document)?.value.outsideC ?? null) : null;
  const says =
    celsius !== null && known
      ? wetOrNot({
          surfaceC: celsius,
          surfaceU: INSTRUMENT_U.surfaceK,
          airC: airC.value,
          humidity: Math.min(1, humidityPct.value! / 100),
          wall,
          behindC,
          coverHeated: heated,
        })
      : null;
  const add = () => {
    if (!spot || typed === null) return;
    put('Meter reading', {
      meter: [...hunt.meter, readNow(frame.id, spot, typed)],
    });
    setTyped(null);
  };
  return (
    <>
      <div className={styles.bar}>
        {select}
        <Select<WetWall>
          aria-label="What it belongs to"
          value={wall}
          options={WET_WALLS.map((one) => ({ value: one, label: WALL_WORDS[one] }))}
          onChange={(next) => setSaid({ of: frame.id, wall: next })}
          popupMatchSelectWidth={false}
        />
        <Checkbox checked={heated} onChange={(event) => setHeated(event.target.checked)}>
          Heated from behind
        </Checkbox>
      </div>
      <span className={styles.quiet}>Click a place: can it be wet? Then type what the meter reads there.</span>
      {surface && (
        <PlacePicture surface={surface} label="The damp place" onPlace={(place) => setClicked({ of: frame.id, ...place })}>
          {(zoom) => (
            <>
              <svg className={styles.marks} width={surface.width * zoom} height={surface.height * zoom} aria-hidden>
                {spot && (
                  <rect className={styles.spot} x={spot.x * zoom - 4} y={spot.y * zoom - 4} width={zoom + 8} height={zoom + 8} />
                )}
              </svg>
              {days.at(-1)?.readings.map(({ id, x, y, value }) => (
                <b key={id} className={styles.read} style={{ left: (x + 0.5) * zoom, top: (y + 0.5) * zoom }}>
                  {value}
                </b>
              ))}
            </>
          )}
        </PlacePicture>
      )}
      {spot && celsius !== null && (
        <div className={styles.verdict}>
          <p role="status">
            <b>{units.temperature(celsius)}</b>{' '}
            {says
              ? `against a dew point of ${units.temperature(says.dewC)} ± ${units.difference(2 * says.dewU)}; a wet place here is at most ${units.temperature(says.warmestC)} ± ${units.difference(2 * says.warmestU)}. ${WETNESS_WORDS[says.says]}`
              : 'Type air and humidity in the chip above to hold it against the dew point.'}
          </p>
          <div className={styles.bar}>
            <InputNumber
              className={styles.meter!}
              aria-label="Meter reads"
              placeholder="Meter reads"
              min={0}
              max={2000}
              value={typed}
              onChange={setTyped}
              onPressEnter={add}
            />
            <Button type="primary" disabled={typed === null} onClick={add}>
              Add the reading
            </Button>
          </div>
        </div>
      )}
      {days.length > 0 && (
        <table className={styles.days} aria-label="Meter readings by day">
          <thead>
            <tr>
              <th>Day</th>
              <th>Places</th>
              <th>Mean</th>
              <th>Highest</th>
            </tr>
          </thead>
          <tbody>
            {days.map(({ at, readings, mean, highest }) => (
              <tr key={at}>
                <td>{localDay(at, timeZone)}</td>
                <td>{readings.length}</td>
                <td>{mean.toFixed(1)}</td>
                <td>{highest}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {drying && (
        <p role="status" className={styles.forecast}>
          {dryingWords(drying)}
        </p>
      )}
    </>
  );
}

function readNow(frameId: string, place: { x: number; y: number }, value: number): HuntValue['meter'][number] {
  return { id: newId(), at: Date.now(), frameId, ...place, value };
}

function meanAround(
  { width, height, values }: { width: number; height: number; values: Float32Array },
  { x, y }: { x: number; y: number },
): number | null {
  let [sum, n] = [0, 0];
  for (let v = Math.max(0, y - REACH); v <= Math.min(height - 1, y + REACH); v += 1)
    for (let u = Math.max(0, x - REACH); u <= Math.min(width - 1, x + REACH); u += 1) {
      const value = values[v * width + u]!;
      if (!Number.isNaN(value)) {
        sum += value;
        n += 1;
      }
    }
  return n === 0 ? null : sum / n;
}
