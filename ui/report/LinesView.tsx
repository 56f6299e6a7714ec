'use client';

import { CartesianGrid, Line, LineChart, ReferenceArea, ResponsiveContainer, XAxis, YAxis } from 'recharts';
import type { Block } from '@core/paper/block';
import { PAPER } from '@core/paper/palette';

type Of<K extends Block['kind']> = { block: Extract<Block, { kind: K }> };

export function LinesView({ block: { names, lines, band } }: Of<'lines'>) {
  const data = names.map((name, k) => ({ name, ...Object.fromEntries(lines.map((line, n) => [n, line.values[k]])) }));
  return (
    <div role="img" aria-label={`${lines.length} lines over ${names.length} walks towards the ${band.words}`}>
      <ResponsiveContainer width="100%" height={190}>
        <LineChart data={data} margin={{ top: 6, right: 12, bottom: 0, left: 0 }}>
          <CartesianGrid vertical={false} stroke={PAPER.line} />
          <XAxis dataKey="name" stroke={PAPER.muted} tickLine={false} />
          <YAxis width={34} stroke={PAPER.muted} />
          <ReferenceArea y1={band.low} y2={band.high} fill={PAPER.good} fillOpacity={0.14} />
          {lines.map(({ name }, n) => (
            <Line key={name} dataKey={n} name={name} connectNulls isAnimationActive={false} stroke={PAPER.edge} dot={{ r: 2 }} />
          ))}
        </LineChart>
      </ResponsiveContainer>
    </div>
  );
}
