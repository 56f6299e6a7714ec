'use client';

import type { Shape } from '@core/frame/region';
import { placeLabels } from '@core/report/placeLabels';
import { screenBox, type Placement, type Size } from './placement';
import { labelWidth } from './textWidth';
import styles from './Marks.module.css';

export interface Mark {
  id: string;
  shape: Shape;
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
  const boxes = marks.map((mark) => screenBox(mark.shape, placement));
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
      {marks.map((mark, i) => (
        <Outline key={mark.id} kind={mark.shape.kind} box={boxes[i]!} reference={mark.reference} selected={mark.selected} />
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

function Outline({
  kind,
  box,
  reference,
  selected,
}: {
  kind: Shape['kind'];
  box: { x: number; y: number; width: number; height: number };
  reference: boolean;
  selected: boolean;
}) {
  const over = [styles.over, reference ? styles.reference : '', selected ? styles.selected : ''].join(' ');
  if (kind === 'spot') {
    const x = box.x + box.width / 2;
    const y = box.y + box.height / 2;
    const r = Math.max(5, box.width / 2);
    const path = `M${x - r - 4} ${y}h${r}M${x + 4} ${y}h${r}M${x} ${y - r - 4}v${r}M${x} ${y + 4}v${r}`;
    return (
      <g>
        <path className={styles.under} d={path} />
        <path className={over} d={path} />
      </g>
    );
  }
  return (
    <g>
      <rect className={styles.under} {...box} rx={2} />
      <rect className={over} {...box} rx={2} />
    </g>
  );
}
