'use client';

import { ArrowLeftOutlined, ImportOutlined } from '@ant-design/icons';
import {
  DndContext,
  DragOverlay,
  KeyboardSensor,
  MouseSensor,
  TouchSensor,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import { App, Button, InputNumber } from 'antd';
import { QuickLink } from '@ui/link/QuickLink';
import { useRef, useState, type KeyboardEvent, type ReactNode } from 'react';
import { STAND_IN_CAMERA } from '@core/model/standInCamera';
import { cameraOf } from '@core/work/round/round';
import { localTime } from '@core/ground/localTime';
import { siteOf } from '@core/work/visit/theVisit';
import type { Row } from '@core/model/entities';
import { ImportPanel } from '@ui/import/ImportPanel';
import { useImport } from '@ui/import/useImport';
import { Thumb } from '@ui/picture/Thumb';
import { UndoButtons } from '@ui/shell/UndoButtons';
import { useVisit } from '@ui/visit/VisitProvider';
import { useCard } from './useCard';
import styles from './Card.module.css';

const LOOSE = 'loose';

/** Frames that come later from a card are laid on stops by time; what lies wrong is dragged, or moved by keys. */
export function Card() {
  const { document, refresh } = useVisit();
  const { message } = App.useApp();
  const card = useCard();
  const { round, loose } = card;
  const camera = cameraOf(document);
  const [ahead, setAhead] = useState(camera?.value.clockAheadS ?? 0);
  const [held, setHeld] = useState<string | null>(null);
  const picker = useRef<HTMLInputElement>(null);
  const { state, start, cancel, dismiss } = useImport(document.visitId, async () => void (await refresh()));
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 5 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 150, tolerance: 8 } }),
    useSensor(KeyboardSensor),
  );
  const add = (files: File[]) =>
    void start(files, { roomId: null, side: 'inside', cameraId: camera && camera.id !== STAND_IN_CAMERA.id ? camera.id : null });
  const lay = () => {
    const laid = card.layAll(ahead);
    void message.info(
      laid === 0
        ? card.timed
          ? 'No stop is near these frames in time. Is the clock offset right?'
          : 'No stop of the round was opened or answered, so time does not tell: drag each frame to where it belongs.'
        : `${laid} frames laid on stops.`,
      4,
    );
  };
  const heldRow = held === null ? undefined : document.rows.frame[held];
  return (
    <div
      className={styles.board}
      onDragOver={(event) => event.preventDefault()}
      onDrop={(event) => {
        event.preventDefault();
        add([...event.dataTransfer.files]);
      }}
    >
      <header className={styles.head}>
        <QuickLink href={`/visits/${document.visitId}/round`}>
          <Button icon={<ArrowLeftOutlined />}>Round</Button>
        </QuickLink>
        <h1>Card to stops</h1>
        <UndoButtons />
      </header>
      <div className={styles.bar}>
        <Button icon={<ImportOutlined />} onClick={() => picker.current?.click()}>
          Add frames from a card
        </Button>
        <input
          ref={picker}
          type="file"
          multiple
          hidden
          aria-label="Frames from a card"
          onChange={(event) => {
            add([...(event.target.files ?? [])]);
            event.target.value = '';
          }}
        />
        <label className={styles.clock}>
          <span>Camera clock is ahead by</span>
          <InputNumber
            aria-label="Camera clock is ahead by, minutes"
            value={ahead / 60}
            step={1}
            suffix="min"
            onChange={(next) => setAhead(Math.round((next ?? 0) * 60))}
          />
        </label>
        <Button type="primary" disabled={loose.length === 0 || round.stops.length === 0} onClick={lay}>
          Lay {loose.length} on stops
        </Button>
      </div>
      <ImportPanel state={state} onCancel={cancel} onDismiss={dismiss} />
      <p className={styles.quiet}>
        Drag a frame to where it belongs. By keys: go to it with Tab, then the left and right arrows move it one stop, Delete
        takes it off.
      </p>
      <DndContext
        sensors={sensors}
        onDragStart={({ active }) => setHeld(String(active.id))}
        onDragCancel={() => setHeld(null)}
        onDragEnd={({ active, over }) => {
          setHeld(null);
          const row = document.rows.frame[String(active.id)];
          if (!row || !over) return;
          const stop = round.stops.find(({ key }) => key === over.id) ?? null;
          if ((stop?.key ?? null) !== row.value.stopKey) card.move(row, stop);
        }}
      >
        <Place id={LOOSE} title={`No stop yet · ${loose.length}`} empty={loose.length === 0}>
          {loose.map((row) => (
            <CardFrame key={row.id} row={row} onNudge={(by) => card.nudge(row, by)} onOff={() => undefined} />
          ))}
        </Place>
        {round.groups.map((group) => (
          <section key={group.id ?? 'house'} className={styles.group}>
            <h2>{group.name}</h2>
            <div className={styles.places}>
              {group.stops.map((stop) => {
                const frames = card.framesOn(stop.key);
                return (
                  <Place key={stop.key} id={stop.key} where={group.name} title={stop.title} empty={frames.length === 0}>
                    {frames.map((row) => (
                      <CardFrame
                        key={row.id}
                        row={row}
                        onNudge={(by) => card.nudge(row, by)}
                        onOff={() => card.move(row, null)}
                      />
                    ))}
                  </Place>
                );
              })}
            </div>
          </section>
        ))}
        <DragOverlay>{heldRow && <Thumb frame={heldRow} className={styles.thumb} />}</DragOverlay>
      </DndContext>
    </div>
  );
}

function Place({
  id,
  where,
  title,
  empty,
  children,
}: {
  id: string;
  /** The room, so that two floors are not taken for one. */
  where?: string;
  title: string;
  empty: boolean;
  children: ReactNode;
}) {
  const { setNodeRef, isOver } = useDroppable({ id });
  return (
    <div
      ref={setNodeRef}
      className={styles.place}
      data-over={isOver}
      data-empty={empty}
      role="group"
      aria-label={where ? `${where}: ${title}` : title}
    >
      <h3>{title}</h3>
      <div className={styles.frames}>{children}</div>
    </div>
  );
}

function CardFrame({ row, onNudge, onOff }: { row: Row<'frame'>; onNudge(by: -1 | 1): void; onOff(): void }) {
  const { document } = useVisit();
  const { setNodeRef, listeners, attributes, isDragging } = useDraggable({ id: row.id });
  const onKey = (event: KeyboardEvent) => {
    if (event.key === 'ArrowLeft' || event.key === 'ArrowRight') {
      event.preventDefault();
      onNudge(event.key === 'ArrowLeft' ? -1 : 1);
    } else if (event.key === 'Delete' || event.key === 'Backspace') {
      event.preventDefault();
      onOff();
    } else {
      (listeners as Record<string, (event: KeyboardEvent) => void> | undefined)?.onKeyDown?.(event);
    }
  };
  return (
    <div
      ref={setNodeRef}
      {...attributes}
      {...listeners}
      onKeyDown={onKey}
      className={styles.frame}
      data-held={isDragging}
      aria-label={row.value.name}
      data-testid="card-frame"
    >
      <Thumb frame={row} className={styles.thumb} />
      <small>
        {localTime(document.frameFacts[row.id]!.takenAt, siteOf(document).timeZone)} {row.value.name}
      </small>
    </div>
  );
}
