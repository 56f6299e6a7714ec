import { Line, Polyline, Rect, StyleSheet, Svg, Text, View } from '@react-pdf/renderer';
import type { Block } from '@core/paper/block';
import { PAPER } from '@core/paper/palette';
import { percent } from '@core/ground/format';

type Of<K extends Block['kind']> = { block: Extract<Block, { kind: K }> };

const styles = StyleSheet.create({
  line: { flexDirection: 'row', borderBottomWidth: 0.5, borderBottomColor: PAPER.line, paddingVertical: 2.5 },
  head: { color: PAPER.muted, fontSize: 8.5 },
  chart: { marginVertical: 6 },
  names: { flexDirection: 'row', justifyContent: 'space-between', color: PAPER.muted, fontSize: 8.5 },
});

/** Words take twice the room of numbers. */
const grow = (align: 'left' | 'right') => (align === 'left' ? 1.6 : 1);

export function TableView({ block: { head, align, rows } }: Of<'table'>) {
  const cell = (words: string, k: number) => (
    <Text key={k} style={{ flex: grow(align[k]!), textAlign: align[k]!, paddingRight: 8 }}>
      {words}
    </Text>
  );
  return (
    <View>
      <View style={[styles.line, styles.head]}>{head.map(cell)}</View>
      {rows.map((row, i) => (
        <View key={i} style={styles.line} wrap={false}>
          {row.map(cell)}
        </View>
      ))}
    </View>
  );
}

const BAR_WIDTH = 52;
const BAR_HEIGHT = 7;

/** Shares as bars with their numbers. */
export function BarsView({ block: { stages, rows } }: Of<'bars'>) {
  return (
    <View>
      <View style={[styles.line, styles.head]}>
        <Text style={{ flex: 1.3 }} />
        {stages.map((stage) => (
          <Text key={stage} style={{ flex: 1 }}>
            {stage}
          </Text>
        ))}
      </View>
      {rows.map(({ name, shares }) => (
        <View key={name} style={styles.line} wrap={false}>
          <Text style={{ flex: 1.3 }}>{name}</Text>
          {shares.map((share, k) => (
            <View key={k} style={{ flex: 1, flexDirection: 'row', alignItems: 'center', gap: 4 }}>
              {share === null ? (
                <Text>–</Text>
              ) : (
                <>
                  <Svg width={BAR_WIDTH} height={BAR_HEIGHT}>
                    <Rect x={0} y={0} width={BAR_WIDTH} height={BAR_HEIGHT} fill={PAPER.line} />
                    <Rect x={0} y={0} width={Math.max(0.5, BAR_WIDTH * share)} height={BAR_HEIGHT} fill={PAPER.cool} />
                  </Svg>
                  <Text>{percent(share)}</Text>
                </>
              )}
            </View>
          ))}
        </View>
      ))}
    </View>
  );
}

const CHART_HEIGHT = 130;
const AXIS = 24;

export function LinesView({ block: { names, lines, band }, width }: Of<'lines'> & { width: number }) {
  const most = Math.max(band.high, ...lines.flatMap(({ values }) => values.map((value) => value ?? 0))) * 1.08;
  const x = (k: number) => AXIS + (k * (width - AXIS - 6)) / Math.max(1, names.length - 1);
  const y = (value: number) => CHART_HEIGHT - (value / most) * CHART_HEIGHT;
  const step = most > 24 ? 10 : 5;
  const ticks = Array.from({ length: Math.floor(most / step) + 1 }, (_, k) => k * step);
  return (
    <View style={styles.chart} wrap={false}>
      <Svg width={width} height={CHART_HEIGHT + 4} viewBox={`0 -4 ${width} ${CHART_HEIGHT + 8}`}>
        <Rect
          x={AXIS}
          y={y(band.high)}
          width={width - AXIS}
          height={y(band.low) - y(band.high)}
          fill={PAPER.good}
          fillOpacity={0.15}
        />
        {ticks.map((tick) => (
          <Line key={tick} x1={AXIS} x2={width} y1={y(tick)} y2={y(tick)} stroke={PAPER.line} strokeWidth={0.5} />
        ))}
        {ticks.map((tick) => (
          <Text key={`t${tick}`} x={0} y={y(tick) + 3} style={{ fontSize: 7.5 }} fill={PAPER.muted}>
            {String(tick)}
          </Text>
        ))}
        {lines.map(({ name, values }) => (
          <Polyline
            key={name}
            points={values.flatMap((value, k) => (value === null ? [] : [`${x(k)},${y(value)}`])).join(' ')}
            fill="none"
            stroke={PAPER.edge}
            strokeWidth={1}
          />
        ))}
      </Svg>
      <View style={[styles.names, { marginLeft: AXIS }]}>
        {names.map((name) => (
          <Text key={name}>{name}</Text>
        ))}
      </View>
    </View>
  );
}
