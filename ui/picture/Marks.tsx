'use client';

import type { Shape, Span } from '@core/method/frame/region';
import { markBox, markPath, type Placement } from '@core/paper/markPath';
import { placeLabels } from '@core/paper/placeLabels';
import type { Size } from './placement';
import { labelWidth } from './textWidth';
import styles from './Marks.module.css';

export interface Mark {
  id: string;
  shape: Shape;
  /** Pixels of what lies beyond a mark. */
  spans?: readonly Span[] | undefined;
  /** Name and value, as they stand on the picture. */
  text: string;
  reference: boolean;
  selected: boolean;
}

/** A single pixel with a word, such as the coldest of a region. */
export interface PointMark {
  id: string;
  x: number;
  y: number;
  text: string;
}

const LABEL_HEIGHT = 16;

/** Regions and extremes over a picture, outlined twice so that they read on any colour; labels keep clear of each other. */
export function Marks({
  marks,
  points,
  placement,
  stage,
  picture,
}: {
  marks: Mark[];
  points: PointMark[];
  placement: Placement;
  stage: Size;
  picture: Size;
}) {
  const boxes = marks.map((mark) => markBox(mark, placement));
  const rings = points.map((point) => ({
    x: placement.x + (point.x + 0.5) * placement.zoom - 6,
    y: placement.y + (point.y + 0.5) * placement.zoom - 6,
    width: 12,
    height: 12,
  }));
  const texts = [...marks.map((mark) => (mark.reference ? `◆ ${mark.text}` : mark.text)), ...points.map((point) => point.text)];
  const visible = {
    x: Math.max(0, placement.x),
    y: Math.max(0, placement.y),
    width: Math.min(stage.width, picture.width * placement.zoom),
    height: Math.min(stage.height, picture.height * placement.zoom),
  };
  const places = placeLabels(
    [...boxes, ...rings].map((target, i) => ({ target, width: labelWidth(texts[i]!), height: LABEL_HEIGHT })),
    visible,
    3,
  );
  return (
    <g aria-hidden="true">
      {marks.map((mark) => (
        <Outline key={mark.id} mark={mark} path={markPath(mark, placement)} />
      ))}
      {rings.map((ring, i) => (
        <g key={points[i]!.id}>
          <circle className={styles.under} cx={ring.x + 6} cy={ring.y + 6} r={5} />
          <circle className={styles.over} cx={ring.x + 6} cy={ring.y + 6} r={5} />
        </g>
      ))}
      {places.map((place, i) => (
        <text
          key={marks[i]?.id ?? points[i - marks.length]!.id}
          className={marks[i]?.reference ? styles.referenceText : styles.text}
          x={place.x + 2}
          y={place.y + 12.5}
        >
          {texts[i]}
        </text>
      ))}
    </g>
  );
}

function Outline({ mark, path }: { mark: Mark; path: string }) {
  if (mark.shape.kind === 'beyond') {
    return <path className={[styles.beyond, mark.selected ? styles.selectedBeyond : ''].join(' ')} d={path} />;
  }
  return (
    <g>
      <path className={styles.under} d={path} />
      <path
        className={[styles.over, mark.reference ? styles.reference : '', mark.selected ? styles.selected : ''].join(' ')}
        d={path}
      />
    </g>
  );
}
