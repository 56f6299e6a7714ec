'use client';

import { useEffect, useMemo, useRef } from 'react';
import { orderedFrames, roomsOf, siteOf } from '@core/visit/derive';
import type { VisitDocument } from '@core/visit/document';
import { localTime } from '@core/units/localTime';
import { Thumb } from '@ui/picture/Thumb';
import { useVisit } from '@ui/visit/VisitProvider';
import type { Row } from '@core/visit/rows';
import styles from './FilmStrip.module.css';

/** The visit's frames by room, in the visit's steady colours. */
export function FilmStrip({ currentId, onChoose }: { currentId: string | null; onChoose(frameId: string): void }) {
  const { document } = useVisit();
  const groups = useMemo(() => byRoom(document), [document]);
  return (
    <nav className={styles.strip} aria-label="Frames of this visit">
      {groups.map(({ room, frames }) => (
        <div key={room} className={styles.group}>
          <h3 className={styles.room}>{room}</h3>
          {frames.map((frame) => (
            <Picture key={frame.id} frame={frame} current={frame.id === currentId} onChoose={onChoose} />
          ))}
        </div>
      ))}
    </nav>
  );
}

function byRoom(document: VisitDocument): { room: string; frames: Row<'frame'>[] }[] {
  const names = new Map(roomsOf(document).map(({ id, value }) => [id, value.name]));
  const groups: { room: string; frames: Row<'frame'>[] }[] = [];
  for (const frame of orderedFrames(document)) {
    const room = names.get(frame.value.roomId ?? '') ?? 'No place yet';
    const last = groups.at(-1);
    if (last?.room === room) last.frames.push(frame);
    else groups.push({ room, frames: [frame] });
  }
  return groups;
}

function Picture({ frame, current, onChoose }: { frame: Row<'frame'>; current: boolean; onChoose(frameId: string): void }) {
  const { document } = useVisit();
  const button = useRef<HTMLButtonElement>(null);
  const facts = document.frameFacts[frame.id]!;
  useEffect(() => {
    if (current) button.current?.scrollIntoView({ block: 'nearest', inline: 'nearest' });
  }, [current]);
  return (
    <button
      ref={button}
      type="button"
      className={styles.thumb}
      aria-current={current}
      onClick={() => onChoose(frame.id)}
      title={frame.value.name}
    >
      <Thumb frame={frame} />
      <small>
        {localTime(facts.takenAt, siteOf(document).timeZone)} {frame.value.name}
      </small>
    </button>
  );
}
