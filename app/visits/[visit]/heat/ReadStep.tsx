'use client';

import { Button } from 'antd';
import { useState } from 'react';
import type { Emitter } from '@core/work/heating/emitters';
import { ofWalk, roomAirOf } from '@core/work/heating/heatingOf';
import type { VisitDocument } from '@core/model/document';
import { tailReadingValueSchema } from '@core/model/tailReadingRow';
import { EmitterCamera } from './EmitterCamera';
import { EmitterPicture } from './EmitterPicture';
import { NumberField } from '@ui/form/NumberField';
import { heatingPutOf, useHeat } from './useHeat';
import styles from './Heat.module.css';
import own from './Start.module.css';

/** Later than this after the wait was over is said, ms. */
const LATE_MS = 600_000;

/** One emitter to read: by a frame, whose tails are found or marked, or by two typed values. */
export function ReadStep({
  walk,
  emitter,
  last,
  overdueMs,
}: {
  walk: number;
  emitter: Emitter;
  /** The last one of the walk. */
  last: boolean;
  overdueMs: number;
}) {
  const { document, edit, now, heatingPut } = useHeat();
  const [unread, setUnread] = useState<string | null>(null);
  const [typed, setTyped] = useState<{ flowC: number | null; returnC: number | null; roomC: number | null }>({
    flowC: null,
    returnC: null,
    roomC: null,
  });
  const usualRoom = roomAirOf(document, emitter.id);
  const { flowC, returnC, roomC } = tailReadingValueSchema.shape;
  const ends = (now: VisitDocument) => (last ? [heatingPutOf(now, { walk: walk + 1, waitUntil: null })] : []);
  const complete = typed.flowC !== null && typed.returnC !== null;
  const note = (values: { flowC: number; returnC: number; roomC: number | null }) => {
    const regions = { frameId: null, flowRegionId: null, returnRegionId: null };
    const value = { visitId: document.visitId, serviceId: emitter.id, walk, at: now(), ...regions, ...values };
    const rowId = ofWalk(document.visitId, 'reading', walk, emitter.id);
    edit(`Read: ${emitter.name}`, [{ entity: 'tailReading', rowId, value }, ...ends(document)]);
  };
  const keep = () => {
    if (complete) note({ flowC: typed.flowC!, returnC: typed.returnC!, roomC: typed.roomC });
  };
  const cold = () => {
    const air = typed.roomC ?? usualRoom.value;
    note({ flowC: air, returnC: air, roomC: typed.roomC });
  };
  const field = (label: string, name: keyof typeof typed, schema: typeof flowC, usual?: number) => (
    <NumberField
      label={label}
      named={`${label}, ${emitter.name}`}
      value={typed[name]}
      schema={schema}
      usual={usual}
      celsius
      onCommit={(next) => setTyped((before) => ({ ...before, [name]: next }))}
    />
  );
  return (
    <>
      <p className={own.step}>Read {emitter.name}: flow and return tail</p>
      {overdueMs > LATE_MS && (
        <span className={styles.quiet}>The wait was over {Math.round(overdueMs / 60_000)} min ago; readings count.</span>
      )}
      {unread !== null ? (
        <>
          <p role="alert" className={styles.problem}>
            The tails did not stand out in this frame. Drag a box over each below, or take another.
          </p>
          <EmitterPicture emitter={emitter} frameId={unread} stage="found" walk={walk} />
          <Button onClick={() => setUnread(null)}>Take another frame</Button>
        </>
      ) : (
        <EmitterCamera
          emitter={emitter}
          stage="found"
          walk={walk}
          more={(taken, fresh) => (taken.tails ? ends(fresh) : [])}
          onTaken={(taken) => setUnread(taken.tails ? null : taken.frameId)}
        />
      )}
      <Button onClick={cold}>It is cold at both ends</Button>
      <details className={styles.card}>
        <summary>Type it instead</summary>
        <div className={styles.fields}>
          {field('Flow tail', 'flowC', flowC)}
          {field('Return tail', 'returnC', returnC)}
          {field('Room', 'roomC', roomC, usualRoom.value)}
        </div>
        <Button type="primary" className={styles.big} disabled={!complete} onClick={keep}>
          Note it
        </Button>
      </details>
      <Button onClick={() => edit(`Walk ${walk} ended`, [heatingPut({ walk: walk + 1, waitUntil: null })])}>
        Go on with what was read
      </Button>
    </>
  );
}
