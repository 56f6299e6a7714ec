'use client';

import type { Placement } from '@core/paper/markPath';
import { useVisit } from '@ui/visit/VisitProvider';
import type { Row } from '@core/model/entities';
import { photoPlace } from '@core/work/visit/photoOver';
import { photoUrl } from '@ui/visit/photoUrl';
import type { FrameView } from '@core/work/visit/frameView';
import styles from './Photo.module.css';

/** The photo over the frame, as much of it as is wanted. */
export function PhotoOver({
  frame,
  photo,
  placement,
  mix,
}: {
  frame: FrameView;
  photo: Row<'photo'>;
  placement: Placement;
  mix: number;
}) {
  const { document } = useVisit();
  const { alignment } = photoPlace(document, frame.id, photo);
  const { width, height } = document.photoFacts[photo.id]!;
  const [a, b, c, d, e, f] = alignment;
  // The alignment leads from the frame to the photo; drawn is the way back, in shares of each width, then pixels.
  const det = a * e - b * d;
  const unit = frame.facts.width * placement.zoom;
  const scale = unit / width;
  const matrix = [e / det, -d / det, -b / det, a / det, (b * f - c * e) / det, (c * d - a * f) / det];
  const [m11, m12, m21, m22, dx, dy] = matrix as [number, number, number, number, number, number];
  return (
    <div
      className={styles.clip}
      style={{
        left: placement.x,
        top: placement.y,
        width: unit,
        height: frame.facts.height * placement.zoom,
      }}
    >
      <img
        src={photoUrl(photo)}
        alt=""
        width={width}
        height={height}
        className={styles.over}
        style={{
          opacity: mix,
          transform: `matrix(${m11 * scale}, ${m12 * scale}, ${m21 * scale}, ${m22 * scale}, ${dx * unit}, ${dy * unit})`,
        }}
      />
    </div>
  );
}
