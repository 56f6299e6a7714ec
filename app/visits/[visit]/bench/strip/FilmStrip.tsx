'use client';

import { useVirtualizer } from '@tanstack/react-virtual';
import { memo, useCallback, useEffect, useMemo, useRef, type MouseEvent } from 'react';
import { takenAtOf } from '@core/work/visit/frames';
import { siteOf } from '@core/work/visit/theVisit';
import { localTime } from '@core/ground/localTime';
import type { Row } from '@core/model/entities';
import { Thumb } from '@ui/picture/Thumb';
import { useVisitPart } from '@ui/visit/VisitProvider';
import { ITEM_WIDTHS, type StripItem } from './strip';
import styles from './FilmStrip.module.css';

interface Props {
  items: readonly StripItem[];
  currentId: string | null;
  /** Frames that several things are done to at once. */
  chosen: ReadonlySet<string>;
  onShow(id: string): void;
  onChoose(ids: ReadonlySet<string>): void;
}

/** The visit's frames by room, in the visit's steady colours; only what is in view is there, and no edit of a frame draws it anew. */
export const FilmStrip = memo(function FilmStrip({ items, currentId, chosen, onShow, onChoose }: Props) {
  const scroller = useRef<HTMLElement>(null);
  const last = useRef<string | null>(null);
  // The same functions as long as the items are the same: else the places of thousands are reckoned at every drawing.
  const estimateSize = useCallback((i: number) => ITEM_WIDTHS[items[i]!.kind], [items]);
  const getItemKey = useCallback((i: number) => items[i]!.key, [items]);
  // eslint-disable-next-line react-hooks/incompatible-library -- nothing here is memoised by the compiler
  const virtual = useVirtualizer({
    horizontal: true,
    count: items.length,
    getScrollElement: () => scroller.current,
    estimateSize,
    overscan: 6,
    getItemKey,
  });
  const currentAt = useMemo(() => items.findIndex((item) => holds(item, currentId)), [items, currentId]);
  useEffect(() => {
    if (currentAt >= 0) virtual.scrollToIndex(currentAt, { align: 'auto' });
  }, [virtual, currentAt]);

  const pick = (event: MouseEvent, item: StripItem) => {
    const ids = framesIn(item);
    const first = ids[0] ?? item.key;
    if (event.ctrlKey || event.metaKey) {
      const next = new Set(chosen);
      const on = ids.some((id) => !next.has(id));
      for (const id of ids) {
        if (on) next.add(id);
        else next.delete(id);
      }
      last.current = item.key;
      onChoose(next);
    } else if (event.shiftKey) {
      const from = items.findIndex(({ key }) => key === (last.current ?? items[currentAt]?.key));
      const to = items.indexOf(item);
      const between = items.slice(Math.max(0, Math.min(from, to)), Math.max(from, to) + 1);
      onChoose(new Set(between.flatMap(framesIn)));
    } else {
      last.current = item.key;
      onShow(first);
    }
  };

  return (
    <nav ref={scroller} className={styles.strip} aria-label="Frames of this visit">
      <div className={styles.rail} style={{ width: virtual.getTotalSize() }}>
        {virtual.getVirtualItems().map(({ index, start, size, key }) => {
          const item = items[index]!;
          return (
            <div key={key} className={styles.place} style={{ left: start, width: size }}>
              {item.kind === 'room' ? (
                <h3 className={styles.room}>{item.words}</h3>
              ) : (
                <Picture
                  item={item}
                  current={index === currentAt}
                  chosen={framesIn(item).some((id) => chosen.has(id))}
                  onPick={(event) => pick(event, item)}
                />
              )}
            </div>
          );
        })}
      </div>
    </nav>
  );
});

function framesIn(item: StripItem): string[] {
  if (item.kind === 'frame') return [item.frame.id];
  return item.kind === 'sequence' ? item.frames.map(({ id }) => id) : [];
}

function holds(item: StripItem, id: string | null): boolean {
  if (item.kind === 'evidence') return item.photo.id === id;
  // A moment that was picked stands by itself.
  if (item.kind === 'sequence') return item.frames.some((frame) => frame.id === id && !frame.value.picked);
  return item.kind === 'frame' && item.frame.id === id;
}

interface PictureProps {
  item: Exclude<StripItem, { kind: 'room' }>;
  current: boolean;
  chosen: boolean;
  onPick(event: MouseEvent): void;
}

function Picture({ item, current, chosen, onPick }: PictureProps) {
  const name =
    item.kind === 'frame' ? item.frame.value.name : item.kind === 'sequence' ? item.sequence.value.name : item.photo.value.name;
  return (
    <button
      type="button"
      className={styles.thumb}
      aria-current={current}
      data-chosen={chosen}
      data-kind={item.kind}
      onClick={onPick}
      title={`${name}. Ctrl or Shift and click chooses several.`}
    >
      {item.kind === 'evidence' ? (
        <img src={`/api/photos/${item.photo.id}/file`} alt="" loading="lazy" />
      ) : (
        <Thumb frame={item.kind === 'frame' ? item.frame : item.frames[0]!} />
      )}
      <small>
        {item.kind === 'frame' && <Time frame={item.frame} />}
        {item.kind === 'sequence' && `${item.frames.length} frames · `}
        {name}
      </small>
    </button>
  );
}

function Time({ frame }: { frame: Row<'frame'> }) {
  const time = useVisitPart(({ document }) => localTime(takenAtOf(document, frame.id), siteOf(document).timeZone));
  return <>{time} </>;
}
