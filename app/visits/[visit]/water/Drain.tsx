'use client';

import { Button, Empty } from 'antd';
import { useMemo, useState } from 'react';
import { CartesianGrid, Line, LineChart, ReferenceLine, ResponsiveContainer, XAxis, YAxis } from 'recharts';
import { metresEachOf } from '@core/work/water/seek';
import { DEN } from '@core/paper/palette';
import { drainProfile } from '@core/method/water/drainWidth';
import { PlacePicture } from './PlacePicture';
import { useDampFrame } from './useDampFrame';
import { useHunt } from './useHunt';
import styles from './Water.module.css';

interface End {
  x: number;
  y: number;
}

/** How wide a drain with warm water in it shows along its run: where it is wider, water leaves it. */
export function Drain() {
  const { document } = useHunt();
  const { frame, surface, select } = useDampFrame();
  const [ends, setEnds] = useState<{ of: string; list: readonly End[] }>({ of: '', list: [] });
  const list = frame && ends.of === frame.id ? ends.list : [];
  const [from, to] = list;
  const profile = useMemo(() => (surface && from && to ? drainProfile(surface, from, to) : null), [surface, from, to]);
  if (!frame) return <Empty description="Fill the drain with warm water and take a frame of the floor first." />;
  const each = metresEachOf(document, frame.id);
  const size = (pixels: number) => (each === null ? pixels : 100 * each * pixels);
  const unit = each === null ? 'pixels' : 'cm';
  const at = (s: number) => {
    const length = Math.hypot(to!.x - from!.x, to!.y - from!.y);
    return { x: from!.x + (s * (to!.x - from!.x)) / length, y: from!.y + (s * (to!.y - from!.y)) / length };
  };
  return (
    <>
      <div className={styles.bar}>
        {select}
        <span className={styles.quiet}>{list.length < 2 ? 'Click both ends of the drain.' : 'The line follows the drain.'}</span>
        {list.length > 0 && <Button onClick={() => setEnds({ of: frame.id, list: [] })}>Other ends</Button>}
      </div>
      {surface && (
        <PlacePicture
          surface={surface}
          label="The floor over the drain"
          onPlace={(place) => setEnds({ of: frame.id, list: list.length >= 2 ? [place] : [...list, place] })}
        >
          {(zoom) => (
            <svg className={styles.marks} width={surface.width * zoom} height={surface.height * zoom} aria-hidden>
              {from && <circle className={styles.circle} cx={from.x * zoom} cy={from.y * zoom} r={6} />}
              {from && to && (
                <line className={styles.run} x1={from.x * zoom} y1={from.y * zoom} x2={to.x * zoom} y2={to.y * zoom} />
              )}
              {profile?.wide.map(({ from: begin, to: end }) => (
                <line
                  key={begin}
                  className={styles.wide}
                  x1={at(begin).x * zoom}
                  y1={at(begin).y * zoom}
                  x2={at(end).x * zoom}
                  y2={at(end).y * zoom}
                />
              ))}
            </svg>
          )}
        </PlacePicture>
      )}
      {from && to && (
        <p className={styles.verdict} role="status">
          {profile === null
            ? 'Hardly anything along this line stands out: fill the drain with warmer water, or follow it better.'
            : profile.wide.length === 0
              ? `As wide everywhere: ${size(profile.usual).toFixed(1)} ${unit}. Nothing says that water leaves it here.`
              : `Wider than usual (${size(profile.usual).toFixed(1)} ${unit}) ${profile.wide
                  .map((part) => `from ${size(part.from).toFixed(0)} to ${size(part.to).toFixed(0)} ${unit}`)
                  .join(' and ')} from the first end: water leaves it there, or it bends.`}
        </p>
      )}
      {profile && (
        <div role="img" aria-label="Width along the drain">
          <ResponsiveContainer width="100%" height={150}>
            <LineChart
              data={profile.along.map((s, i) => ({
                s: size(s),
                width: profile.widths[i] === null ? null : size(profile.widths[i]!),
              }))}
              margin={{ top: 6, right: 12, bottom: 0, left: 0 }}
            >
              <CartesianGrid vertical={false} stroke={DEN.line} />
              <XAxis
                dataKey="s"
                type="number"
                domain={['dataMin', 'dataMax']}
                stroke={DEN.muted}
                fontSize={12}
                tickFormatter={(s: number) => s.toFixed(0)}
              />
              <YAxis width={40} stroke={DEN.muted} fontSize={12} />
              <ReferenceLine y={size(profile.usual)} stroke={DEN.muted} strokeDasharray="4 4" />
              <Line dataKey="width" dot={false} stroke={DEN.ember} strokeWidth={2} isAnimationActive={false} />
            </LineChart>
          </ResponsiveContainer>
        </div>
      )}
    </>
  );
}
