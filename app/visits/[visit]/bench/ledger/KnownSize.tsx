'use client';

import { Button, InputNumber } from 'antd';
import { useState } from 'react';
import { measureSchema, type Measure } from '@core/method/frame/metric';
import { boundsOf } from '@core/method/frame/region';
import type { Row } from '@core/model/entities';
import { useVisit } from '@ui/visit/VisitProvider';
import type { FrameView } from '@core/work/visit/frameView';
import styles from './KnownSize.module.css';

/** Says how long a line is, or that four corners are a rectangle of known sides: sizes on this frame follow from that. */
export function KnownSize({ frame, region }: { frame: FrameView; region: Row<'region'> }) {
  const { edit } = useVisit();
  const { shape, role } = region.value;
  const [length, setLength] = useState<number | null>(null);
  const [sides, setSides] = useState<{ width: number | null; height: number | null }>({ width: null, height: null });
  const put = (measure: Measure | null, label: string) =>
    edit(label, [{ entity: 'frame', rowId: frame.id, value: { ...frame.row.value, measure } }]);
  const corners = cornersOf(region);

  if (shape.kind === 'line') {
    const measure = measureSchema.safeParse({
      kind: 'length',
      from: [shape.x1, shape.y1],
      to: [shape.x2, shape.y2],
      metres: length,
    });
    return (
      <div className={styles.size}>
        <label htmlFor={`known-${region.id}`}>It is really</label>
        <InputNumber id={`known-${region.id}`} size="small" min={0} step={0.1} suffix="m" value={length} onChange={setLength} />
        <Button size="small" disabled={!measure.success} onClick={() => measure.success && put(measure.data, 'Known length')}>
          Set the scale
        </Button>
        <Current frame={frame} onClear={() => put(null, 'Known size taken away')} />
      </div>
    );
  }
  if (role !== 'length' && corners && shape.kind === 'poly') {
    const measure = measureSchema.safeParse({ kind: 'plane', corners, widthM: sides.width, heightM: sides.height });
    return (
      <div className={styles.size}>
        <span>A rectangle of</span>
        <InputNumber
          aria-label="Width of the rectangle"
          size="small"
          min={0}
          step={0.1}
          suffix="m"
          value={sides.width}
          onChange={(width) => setSides((now) => ({ ...now, width }))}
        />
        <span>×</span>
        <InputNumber
          aria-label="Height of the rectangle"
          size="small"
          min={0}
          step={0.1}
          suffix="m"
          value={sides.height}
          onChange={(height) => setSides((now) => ({ ...now, height }))}
        />
        <Button size="small" disabled={!measure.success} onClick={() => measure.success && put(measure.data, 'Plane marked')}>
          Mark the plane
        </Button>
        <Current frame={frame} onClear={() => put(null, 'Known size taken away')} />
      </div>
    );
  }
  return null;
}

function Current({ frame, onClear }: { frame: FrameView; onClear(): void }) {
  const { measure } = frame.row.value;
  if (!measure) return null;
  return (
    <p className={styles.current}>
      {measure.kind === 'length'
        ? `Sizes come from a length of ${measure.metres} m.`
        : `Sizes come from a rectangle of ${measure.widthM} × ${measure.heightM} m.`}{' '}
      <Button size="small" type="link" onClick={onClear}>
        Take from the distance
      </Button>
    </p>
  );
}

/** Four corners, from the upper left round to the lower left as they are seen; null for any other shape. */
function cornersOf(region: Row<'region'>): [number, number][] | null {
  const { shape } = region.value;
  if (shape.kind !== 'poly' || shape.points.length !== 4) return null;
  const { x, y, width, height } = boundsOf(shape);
  const [cx, cy] = [x + width / 2, y + height / 2];
  const round = [...shape.points].sort((a, b) => Math.atan2(a[1] - cy, a[0] - cx) - Math.atan2(b[1] - cy, b[0] - cx));
  // Going round from −180° the corner up and to the left comes first.
  return round;
}
