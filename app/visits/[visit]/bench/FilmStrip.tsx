'use client';

import { useEffect, useMemo, useRef, useSyncExternalStore } from 'react';
import { radianceLine } from '@core/radiometry/measurement';
import { radiometricSettings } from '@core/radiometry/settings';
import { colourFrame } from '@core/scale/colourFrame';
import { anchorFor, orderedFrames, roomsOf, settingsFor, steadyScaleFor, siteOf } from '@core/visit/derive';
import type { VisitDocument } from '@core/visit/document';
import { localTime } from '@core/units/localTime';
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
            <Thumb key={frame.id} frame={frame} current={frame.id === currentId} onChoose={onChoose} />
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

function Thumb({ frame, current, onChoose }: { frame: Row<'frame'>; current: boolean; onChoose(frameId: string): void }) {
  const { document, thumbs, pixels } = useVisit();
  const canvas = useRef<HTMLCanvasElement>(null);
  const button = useRef<HTMLButtonElement>(null);
  useSyncExternalStore(thumbs.subscribe, thumbs.snapshot, () => 0);
  useSyncExternalStore(pixels.subscribe, pixels.snapshot, () => 0);
  const facts = document.frameFacts[frame.id]!;
  const values = thumbs.get(frame.id);
  useEffect(() => {
    const seen = new IntersectionObserver(([entry]) => entry!.isIntersecting && thumbs.want(frame.id), { rootMargin: '400px' });
    seen.observe(button.current!);
    return () => seen.disconnect();
  }, [thumbs, frame.id]);
  useEffect(() => {
    if (current) button.current?.scrollIntoView({ block: 'nearest', inline: 'nearest' });
  }, [current]);

  const anchor = anchorFor(document, frame.id, (id) => pixels.get(id));
  const scale = anchor && steadyScaleFor(document, anchor);
  const line = radianceLine(facts.basis, radiometricSettings(settingsFor(document, frame.id)));
  useEffect(() => {
    const { referenceInsideId, referenceOutsideId } = document.rows.visit[document.visitId]!.value;
    for (const id of [frame.value.referenceId, referenceInsideId, referenceOutsideId]) {
      const region = id ? document.rows.region[id] : undefined;
      if (region) pixels.want(region.value.frameId);
    }
  }, [document, frame, pixels]);

  const { width, height } = facts.thumb;
  const low = scale?.low;
  const high = scale?.high;
  const map = scale?.map;
  const { gain, offset } = line;
  useEffect(() => {
    const context = canvas.current?.getContext('2d');
    if (!context || !values || low === undefined || high === undefined || !map) return;
    const image = new ImageData(width, height);
    colourFrame(values, width, { gain, offset }, { low, high, map }, new Uint32Array(image.data.buffer));
    context.putImageData(image, 0, 0);
  }, [values, width, height, gain, offset, low, high, map]);

  return (
    <button
      ref={button}
      type="button"
      className={styles.thumb}
      aria-current={current}
      onClick={() => onChoose(frame.id)}
      title={frame.value.name}
    >
      <canvas ref={canvas} width={width} height={height} />
      <small>
        {localTime(facts.takenAt, siteOf(document).timeZone)} {frame.value.name}
      </small>
    </button>
  );
}
