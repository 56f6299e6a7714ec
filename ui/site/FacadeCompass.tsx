'use client';

import { DeleteOutlined, PlusOutlined } from '@ant-design/icons';
import { useDrag } from '@use-gesture/react';
import { Button, InputNumber, Select } from 'antd';
import { useRef } from 'react';
import { compassWord, type Facade } from '@core/method/weather/plan';
import { WALL_WORDS, WALLS } from '@core/method/weather/wallMemory';
import { bearingTo, pointAt } from './bearing';
import styles from './FacadeCompass.module.css';

const RADIUS = 62;
const STEP = 5;
const MOST = 12;
const WALL_OPTIONS = WALLS.map((wall) => ({ value: wall, label: WALL_WORDS[wall] }));

/** Façades by where they face and what they are made of: turned on a compass by hand or keys, or typed. */
export function FacadeCompass({ facades, onChange }: { facades: Facade[]; onChange(facades: Facade[]): void }) {
  const svg = useRef<SVGSVGElement>(null);
  const put = (index: number, change: Partial<Facade>) =>
    onChange(facades.map((facade, i) => (i === index ? { ...facade, ...change } : facade)));
  const turn = useDrag(
    ({ args: [index], xy: [x, y] }) => {
      const box = svg.current!.getBoundingClientRect();
      put(index as number, { azimuth: bearingTo(x - box.left - box.width / 2, y - box.top - box.height / 2, STEP) });
    },
    { pointer: { keys: false } },
  );
  return (
    <div className={styles.compass}>
      <svg ref={svg} viewBox="-100 -100 200 200" className={styles.rose} role="group" aria-label="Compass of façades">
        <circle r={RADIUS} className={styles.ring} />
        {['N', 'E', 'S', 'W'].map((letter, i) => {
          const { x, y } = pointAt(i * 90, 90);
          return (
            <text key={letter} x={x} y={y} className={styles.letter}>
              {letter}
            </text>
          );
        })}
        {facades.map(({ azimuth }, i) => {
          const end = pointAt(azimuth, RADIUS);
          return (
            <g
              key={i}
              {...turn(i)}
              className={styles.arrow}
              role="slider"
              tabIndex={0}
              aria-label={`Façade ${i + 1} faces`}
              aria-valuemin={0}
              aria-valuemax={359}
              aria-valuenow={azimuth}
              aria-valuetext={`${azimuth}°, ${compassWord(azimuth)}`}
              onKeyDown={(event) => {
                const by = { ArrowRight: STEP, ArrowUp: STEP, ArrowLeft: -STEP, ArrowDown: -STEP }[event.key];
                if (by === undefined) return;
                event.preventDefault();
                put(i, { azimuth: (azimuth + by + 360) % 360 });
              }}
            >
              <line x2={end.x} y2={end.y} />
              <circle cx={end.x} cy={end.y} r={12} />
              <text x={end.x} y={end.y}>
                {i + 1}
              </text>
            </g>
          );
        })}
      </svg>
      <ol className={styles.list}>
        {facades.map(({ azimuth, wall }, i) => (
          <li key={i}>
            <span>{i + 1}</span>
            <InputNumber
              aria-label={`Façade ${i + 1}, degrees from north`}
              value={azimuth}
              min={0}
              max={359}
              suffix="°"
              onChange={(next) => next !== null && put(i, { azimuth: next })}
            />
            <span className={styles.word}>{compassWord(azimuth)}</span>
            <Select
              aria-label={`Façade ${i + 1}, wall`}
              value={wall}
              options={WALL_OPTIONS}
              onChange={(next) => put(i, { wall: next })}
            />
            <Button
              type="text"
              icon={<DeleteOutlined />}
              aria-label={`Remove façade ${i + 1}`}
              onClick={() => onChange(facades.filter((_, k) => k !== i))}
            />
          </li>
        ))}
        <li className={styles.add}>
          <Button
            icon={<PlusOutlined />}
            disabled={facades.length >= MOST}
            onClick={() =>
              onChange([
                ...facades,
                { azimuth: ((facades.at(-1)?.azimuth ?? 270) + 90) % 360, wall: facades.at(-1)?.wall ?? 'brick' },
              ])
            }
          >
            Add a façade
          </Button>
          {facades.length === 0 && (
            <Button onClick={() => onChange([0, 90, 180, 270].map((azimuth) => ({ azimuth, wall: 'brick' })))}>Four sides</Button>
          )}
        </li>
      </ol>
    </div>
  );
}
