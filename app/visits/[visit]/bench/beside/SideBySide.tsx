'use client';

import { Button, Input, Modal, Segmented } from 'antd';
import { useEffect, useState } from 'react';
import { v7 as newId } from 'uuid';
import { orderedScale, type Scale } from '@core/method/scale/scale';
import { throughLine } from '@core/method/radiometry/measurement';
import { anchorFor, steadyScaleFor } from '@core/work/visit/colours';
import { type FindingValue, emptyFinding, findingValueSchema } from '@core/model/findingRow';
import { freshRange } from '@core/work/visit/frameView';
import { lineFor } from '@core/work/visit/settingsInForce';
import { visitRow } from '@core/work/visit/theVisit';
import type { VisitDocument } from '@core/model/document';
import { scaleGradient } from '@ui/picture/ScaleBar';
import type { Edit } from '@ui/store/rowStore';
import { useUnits } from '@ui/units/UnitProvider';
import { usePixels, useVisit } from '@ui/visit/VisitProvider';
import { BesidePicture, type View } from './BesidePicture';
import styles from './SideBySide.module.css';

/** So many frames are compared at once. */
export const BESIDE = { least: 2, most: 4 };

type Pixels = (id: string) => Float32Array | undefined;

/** One scale for all of them: the visit's span around the first frame's reference, or stretched over what all of them show. */
function commonScale(document: VisitDocument, ids: readonly string[], pixels: Pixels, stretched: boolean): Scale | null {
  const [first] = ids;
  const anchor = first === undefined ? null : anchorFor(document, first, pixels);
  if (!anchor || first === undefined) return null;
  if (!stretched) return steadyScaleFor(document, first, anchor);
  const ranges = ids.flatMap((id) => {
    const values = pixels(id);
    return values ? [freshRange(document, id, values)] : [];
  });
  const [low, high] = [Math.min(...ranges.map((range) => range.low)), Math.max(...ranges.map((range) => range.high))];
  return orderedScale(low, high, visitRow(document).value.span.colourMap);
}

/** Up to four frames in one scale; what is pointed at in one is read in all, what is enlarged in one in all. */
export function SideBySide({ ids, onClose }: { ids: readonly string[]; onClose(kept: FindingValue | null): void }) {
  const { document, edit, pixels } = useVisit();
  const units = useUnits();
  const values = usePixels(ids[0] ?? null);
  useEffect(() => {
    for (const id of ids) pixels.want(id);
  }, [ids, pixels]);
  const [stretched, setStretched] = useState(false);
  const [view, setView] = useState<View>({ zoom: 1, x: 0.5, y: 0.5 });
  const [at, setAt] = useState<{ x: number; y: number } | null>(null);
  const [title, setTitle] = useState('');
  const scale = commonScale(document, ids, values, stretched);
  const readings = ids.map((id) => (at ? readAt(document, id, values(id), at) : null));
  const checked = findingValueSchema.shape.title.safeParse(title);
  const keep = () => {
    if (!checked.success) return;
    const findingId = newId();
    const value = emptyFinding(document.visitId, { basis: 'side-by-side', frameId: ids[0]!, title: checked.data });
    const beside = ids.slice(1).map((frameId, i): Edit => ({
      entity: 'exhibit',
      rowId: newId(),
      value: {
        findingId,
        role: 'beside',
        frameId,
        thisRegionId: null,
        thatRegionId: null,
        by: 'mean',
        photoId: null,
        note: '',
        // In the order in which they stand here.
        addedAt: Date.now() + i,
      },
    }));
    edit('Comparison kept', [{ entity: 'finding', rowId: findingId, value }, ...beside]);
    onClose(value);
  };
  return (
    <Modal open title="Side by side" width="min(1240px, 96vw)" onCancel={() => onClose(null)} footer={null}>
      <div className={styles.bar}>
        <Segmented
          aria-label="Scale of all"
          value={stretched}
          options={[
            { value: false, label: 'Steady' },
            { value: true, label: 'Stretched over all' },
          ]}
          onChange={setStretched}
        />
        {scale && (
          <div className={styles.scale}>
            <span>{units.temperature(scale.low)}</span>
            <i style={{ background: scaleGradient(scale, 'to right') }} />
            <span>{units.temperature(scale.high)}</span>
          </div>
        )}
        <Button disabled={view.zoom === 1} onClick={() => setView({ zoom: 1, x: 0.5, y: 0.5 })}>
          Whole frames
        </Button>
      </div>
      <div className={styles.grid} data-count={ids.length}>
        {ids.map((id, i) => {
          const pixelsOf = values(id);
          const reading = readings[i] ?? null;
          const first = readings[0] ?? null;
          return (
            <figure key={id} className={styles.one}>
              {pixelsOf && scale ? (
                <BesidePicture
                  frame={document.frameFacts[id]!}
                  values={pixelsOf}
                  line={lineFor(document, id)}
                  scale={scale}
                  name={document.rows.frame[id]!.value.name}
                  view={view}
                  onView={setView}
                  at={at}
                  onAt={setAt}
                />
              ) : (
                <p className={styles.waiting}>{pixels.problem(id) ?? 'The frame is on its way …'}</p>
              )}
              <figcaption>
                <b>{document.rows.frame[id]!.value.name}</b>
                <span data-testid="beside-reading">
                  {reading === null ? ' ' : units.temperature(reading)}
                  {i > 0 && reading !== null && first !== null ? ` · ${units.signedDifference(reading - first)}` : ''}
                </span>
              </figcaption>
            </figure>
          );
        })}
      </div>
      <div className={styles.keep}>
        <Input
          aria-label="What the comparison shows"
          placeholder="What does it show? Old window beside new"
          value={title}
          onChange={(event) => setTitle(event.target.value)}
          onPressEnter={(event) => {
            event.preventDefault();
            keep();
          }}
        />
        <Button type="primary" disabled={!checked.success} onClick={keep}>
          Keep as a finding
        </Button>
      </div>
      <p className={styles.quiet}>
        One pixel is a glance: for a difference with its ±, mark two regions. Frames of different hours are not compared this way.
      </p>
    </Modal>
  );
}

/** The temperature of a place, given in shares of width and height; null where nothing is read. */
function readAt(
  document: VisitDocument,
  id: string,
  values: Float32Array | undefined,
  at: { x: number; y: number },
): number | null {
  if (!values) return null;
  const { width, height } = document.frameFacts[id]!;
  const [x, y] = [Math.floor(at.x * width), Math.floor(at.y * height)];
  if (x < 0 || y < 0 || x >= width || y >= height) return null;
  const celsius = throughLine(values[y * width + x]!, lineFor(document, id));
  return Number.isFinite(celsius) ? celsius : null;
}
