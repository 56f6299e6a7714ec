'use client';

import { useRef, type MouseEvent } from 'react';
import { moved } from '@core/ground/affine';
import { outlineOf } from '@core/method/frame/reshape';
import { useSize } from '@ui/picture/useSize';
import type { Row } from '@core/model/entities';
import { useVisit } from '@ui/visit/VisitProvider';
import { photoPlace } from '@core/work/visit/photoOver';
import { photoUrl } from '@ui/visit/photoUrl';
import type { FrameView } from '@core/work/visit/frameView';
import type { View } from '../view';
import styles from './Photo.module.css';

/** The daylight photo of the frame, beside it, with the same regions on it; while both are brought in line, places are marked on it. */
export function PhotoBeside({
  frame,
  photo,
  view,
  onPlace,
}: {
  frame: FrameView;
  photo: Row<'photo'>;
  view: View;
  /** Shares of the photo's width. */
  onPlace(at: [number, number]): void;
}) {
  const { document } = useVisit();
  const picture = useRef<HTMLDivElement>(null);
  const size = useSize(picture);
  const { width, height } = document.photoFacts[photo.id]!;
  const { alignment } = photoPlace(document, frame.id, photo);
  const shown = size && fitted({ width, height }, size);
  const onClick = (event: MouseEvent) => {
    if (!view.matching || !shown) return;
    const box = picture.current!.getBoundingClientRect();
    onPlace([(event.clientX - box.left - shown.x) / shown.width, (event.clientY - box.top - shown.y) / shown.width]);
  };
  const at = ([x, y]: readonly [number, number]) => {
    const [u, v] = moved(alignment, [(x + 0.5) / frame.facts.width, (y + 0.5) / frame.facts.width]);
    return `${shown!.x + u * shown!.width} ${shown!.y + v * shown!.width}`;
  };
  return (
    <figure className={styles.photo}>
      <div ref={picture} className={styles.picture} data-matching={view.matching !== null} onClick={onClick}>
        <img src={photoUrl(photo)} alt={`Photo ${photo.value.name} of this frame`} />
        {shown && (
          <svg className={styles.marks} width={size.width} height={size.height} aria-hidden="true">
            {!view.matching &&
              frame.regions.map(({ row }) => {
                const { shape } = row.value;
                if (shape.kind === 'beyond' || row.value.role === 'leftOut') return null;
                const path = `M${outlineOf(shape).map(at).join('L')}${shape.kind === 'line' ? '' : 'z'}`;
                return (
                  <g key={row.id}>
                    <path className={styles.under} d={path} />
                    <path className={styles.outline} data-selected={row.id === view.selectedId} d={path} />
                  </g>
                );
              })}
            {view.matching?.map(
              ({ photo: place }, i) =>
                place && (
                  <g key={i}>
                    <circle
                      className={styles.dot}
                      cx={shown.x + place[0] * shown.width}
                      cy={shown.y + place[1] * shown.width}
                      r={9}
                    />
                    <text className={styles.number} x={shown.x + place[0] * shown.width} y={shown.y + place[1] * shown.width + 4}>
                      {i + 1}
                    </text>
                  </g>
                ),
            )}
          </svg>
        )}
      </div>
      <figcaption>{photo.value.name}</figcaption>
    </figure>
  );
}

/** Where a picture lies that is shown whole in the middle of a box. */
function fitted(picture: { width: number; height: number }, box: { width: number; height: number }) {
  const zoom = Math.min(box.width / picture.width, box.height / picture.height);
  const [width, height] = [picture.width * zoom, picture.height * zoom];
  return { x: (box.width - width) / 2, y: (box.height - height) / 2, width, height };
}
