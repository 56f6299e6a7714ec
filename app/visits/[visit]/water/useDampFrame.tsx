'use client';

import { Select } from 'antd';
import { useMemo, useState, type ReactNode } from 'react';
import type { Grid } from '@core/ground/grid';
import type { Row } from '@core/model/entities';
import { orderedFrames } from '@core/work/visit/frames';
import { surfaceFor } from '@core/work/visit/surface';
import { usePixels } from '@ui/visit/VisitProvider';
import { useHunt } from './useHunt';

/** The frame that is looked at: the chosen one, else the one that was read last, else the last; and how it is chosen. */
export function useDampFrame(): { frame: Row<'frame'> | null; surface: Grid | null; select: ReactNode } {
  const { document, hunt } = useHunt();
  const frames = useMemo(() => orderedFrames(document), [document]);
  const [chosen, setChosen] = useState<string | null>(null);
  const frame = frames.find(({ id }) => id === (chosen ?? hunt.meter.at(-1)?.frameId)) ?? frames.at(-1) ?? null;
  const values = usePixels(frame?.id ?? null)(frame?.id ?? '');
  const surface = useMemo(() => (frame && values ? surfaceFor(document, frame.id, values) : null), [document, frame, values]);
  const select = (
    <Select
      aria-label="Frame of the damp place"
      value={frame?.id ?? null}
      options={frames.map(({ id, value }) => ({ value: id, label: value.name }))}
      onChange={setChosen}
      popupMatchSelectWidth={false}
    />
  );
  return { frame, surface, select };
}
