import type { Placement } from '@core/paper/markPath';
import type { ArguedCandidate } from '@core/work/findings/argue';
import styles from './Candidates.module.css';

/** Outlines of candidates over the picture, each with its number in the list. */
export function CandidateMarks({
  candidates,
  chosen,
  placement,
  onChoose,
}: {
  candidates: readonly ArguedCandidate[];
  chosen: number | null;
  placement: Placement;
  onChoose(index: number): void;
}) {
  const at = ([x, y]: readonly [number, number]) =>
    `${placement.x + (x + 0.5) * placement.zoom},${placement.y + (y + 0.5) * placement.zoom}`;
  return (
    <g>
      {candidates.map(({ index, seen, ruling }, i) => {
        const points = seen.outline.map(at).join(' ');
        const { x, y } = seen.shape.extremeAt;
        const [cx, cy] = at([x, y]).split(',').map(Number) as [number, number];
        return (
          <g
            key={index}
            className={styles.mark}
            data-chosen={index === chosen}
            data-ruled={ruling !== null}
            onPointerDown={(event) => {
              event.stopPropagation();
              onChoose(index);
            }}
          >
            <polygon className={styles.under} points={points} />
            <polygon className={styles.over} points={points} />
            <circle className={styles.badge} cx={cx} cy={cy} r={9} />
            <text className={styles.number} x={cx} y={cy + 4}>
              {i + 1}
            </text>
          </g>
        );
      })}
    </g>
  );
}
