'use client';

import { useDrag } from '@use-gesture/react';
import { Segmented } from 'antd';
import { useMemo, useRef, useState } from 'react';
import { v7 as newId } from 'uuid';
import type { Emitter } from '@core/work/heating/emitters';
import { correctedGrid, facesOf } from '@core/work/heating/faces';
import { readingPuts, type Put } from '@core/work/heating/takeIn';
import type { FaceBox } from '@core/method/heating/faceBox';
import type { FaceStage } from '@core/method/heating/stages';
import { IDENTITY_LINE } from '@core/method/radiometry/measurement';
import { readingOf, regionsOf } from '@core/work/visit/readings';
import { FrameCanvas } from '@ui/picture/FrameCanvas';
import { Marks, type Mark } from '@ui/picture/Marks';
import { useSize } from '@ui/picture/useSize';
import { useUnits } from '@ui/units/UnitProvider';
import { usePixels, useVisit } from '@ui/visit/VisitProvider';
import { heatScale } from '@core/work/heating/heatScale';
import styles from './EmitterPicture.module.css';

const MARKINGS = ['face', 'flow tail', 'return tail'] as const;
type Marking = (typeof MARKINGS)[number];

interface Props {
  emitter: Emitter;
  frameId: string;
  stage: FaceStage;
  /** The walk that tails are read for; null: only the face is marked. */
  walk: number | null;
}

/** A frame of an emitter with its face and tails; what was not found, or found wrongly, is boxed by dragging over it. */
export function EmitterPicture({ emitter, frameId, stage, walk }: Props) {
  const { document, edit } = useVisit();
  const units = useUnits();
  const pixels = usePixels(frameId);
  const values = pixels(frameId);
  const frame = useRef<HTMLDivElement>(null);
  const size = useSize(frame) ?? { width: 0, height: 0 };
  const [marking, setMarking] = useState<Marking>(walk === null ? 'face' : 'flow tail');
  const [draft, setDraft] = useState<FaceBox | null>(null);
  const [tail, setTail] = useState<{ which: Exclude<Marking, 'face'>; box: FaceBox } | null>(null);
  const facts = document.frameFacts[frameId];
  const grid = useMemo(
    () => (values && facts ? correctedGrid(document, frameId, values) : null),
    [document, frameId, values, facts],
  );
  const zoom = facts && size.width > 0 ? size.width / facts.width : 0;
  const face = facesOf(document, emitter.id).findLast(({ value }) => value.frameId === frameId);
  const tails = regionsOf(document, frameId).filter(({ value }) => value.name.endsWith('tail'));
  const mark = (drawn: FaceBox) => {
    if (marking === 'face') {
      if (drawn.width < 6 || drawn.height < 6) return;
      const value = { frameId, serviceId: emitter.id, stage, box: drawn };
      return edit(`Face of ${emitter.name}`, [{ entity: 'face', rowId: face?.id ?? newId(), value }]);
    }
    // A tap takes what is under the finger.
    const box =
      drawn.width * drawn.height > 1 ? drawn : { x: Math.max(0, drawn.x - 1), y: Math.max(0, drawn.y - 1), width: 2, height: 3 };
    const there = tails.find(({ value }) => value.name === marking);
    if (there && walk !== null)
      return edit(`${marking}: ${emitter.name}`, [
        { entity: 'region', rowId: there.id, value: { ...there.value, shape: { kind: 'box', ...box } } },
      ]);
    if (tail && tail.which !== marking && walk !== null) {
      const [flow, back] = marking === 'flow tail' ? [box, tail.box] : [tail.box, box];
      const puts: Put[] = readingPuts(document, { emitter, frameId, stage, walk }, { flow, return: back }, newId);
      setTail(null);
      return edit(`Read: ${emitter.name}`, puts);
    }
    setTail({ which: marking, box });
    setMarking(marking === 'flow tail' ? 'return tail' : 'flow tail');
  };

  const bind = useDrag(
    ({ initial: [x0, y0], xy: [x1, y1], event, last, first }) => {
      const box = (event.currentTarget as Element | null)?.getBoundingClientRect() ?? null;
      if (!box || !facts || zoom === 0) return;
      const at = (value: number, from: number, most: number) =>
        Math.max(0, Math.min(most - 1, Math.floor((value - from) / zoom)));
      const [ax, bx] = [at(x0, box.left, facts.width), at(x1, box.left, facts.width)];
      const [ay, by] = [at(y0, box.top, facts.height), at(y1, box.top, facts.height)];
      const drawn = {
        x: Math.min(ax, bx),
        y: Math.min(ay, by),
        width: Math.abs(ax - bx) + 1,
        height: Math.abs(ay - by) + 1,
      };
      if (!last || first) return setDraft(drawn);
      setDraft(null);
      mark(drawn);
    },
    { pointer: { keys: false } },
  );
  if (!facts) return null;

  const marks: Mark[] = [
    ...(face ? [markOf('face', face.value.box, 'face')] : []),
    ...tails.flatMap(({ id, value }) => {
      if (value.shape.kind !== 'box' || !values) return [];
      const { mean } = readingOf(document, id, values).statistics;
      return [markOf(id, value.shape, `${value.name.split(' ')[0]} ${units.bareTemperature(mean)}`)];
    }),
    ...(tail ? [markOf('tail', tail.box, tail.which)] : []),
    ...(draft ? [{ ...markOf('draft', draft, ''), selected: true }] : []),
  ];
  const height = facts.height * zoom;
  return (
    <div className={styles.picture}>
      <div ref={frame} className={styles.stage} style={{ aspectRatio: `${facts.width} / ${facts.height}` }} {...bind()}>
        {grid && zoom > 0 ? (
          <>
            <FrameCanvas
              frame={facts}
              values={grid.values}
              line={IDENTITY_LINE}
              scale={heatScale(document)}
              stage={{ width: size.width, height }}
              placement={{ x: 0, y: 0, zoom }}
              label={`Frame of ${emitter.name}: ${marks.map(({ text }) => text).join(', ')}`}
            />
            <svg className={styles.marks} width={size.width} height={height}>
              <Marks
                marks={marks}
                points={[]}
                placement={{ x: 0, y: 0, zoom }}
                stage={{ width: size.width, height }}
                picture={facts}
              />
            </svg>
          </>
        ) : (
          <p>The frame is on its way …</p>
        )}
      </div>
      {walk !== null && (
        <Segmented
          block
          aria-label="What is boxed by dragging"
          value={marking}
          options={MARKINGS.map((one) => ({ value: one, label: one }))}
          onChange={(next) => setMarking(next)}
        />
      )}
      <p className={styles.hint}>
        {walk === null
          ? 'Found wrongly? Drag a box over the face.'
          : 'Drag a box over what is chosen here. Tails: painted pipe or tape, never the bright valve, which shows the room.'}
      </p>
    </div>
  );
}

function markOf(id: string, { x, y, width, height }: FaceBox, text: string): Mark {
  return { id, shape: { kind: 'box', x, y, width, height }, text, reference: false, selected: false };
}
