'use client';

import { turnWords } from '@core/work/heating/balance';
import styles from './TurnDial.module.css';

const CENTRE = 56;
const RADIUS = 44;

/** A lockshield seen from its end: where its mark stands now and where it comes to; whole turns are said in words. */
export function TurnDial({ from, to }: { from: number; to: number }) {
  const by = to - from;
  // Closing is clockwise.
  const sweep = -by * 360;
  const rest = Math.abs(sweep) % 360;
  const shown = Math.abs(sweep) >= 360 && rest === 0 ? 359.9 : rest;
  const end = point(Math.sign(sweep) * shown, RADIUS - 12);
  const hand = point(sweep, RADIUS - 4);
  const whole = Math.floor(Math.abs(by));
  return (
    <div className={styles.dial}>
      <svg
        viewBox="0 0 112 112"
        width={112}
        height={112}
        role="img"
        aria-label={`${turnWords(Math.abs(by))} turn ${by < 0 ? 'clockwise' : 'anticlockwise'}`}
      >
        <circle cx={CENTRE} cy={CENTRE} r={RADIUS} className={styles.body} />
        <line x1={CENTRE} y1={CENTRE} x2={CENTRE} y2={CENTRE - RADIUS + 4} className={styles.before} />
        <path
          d={`M${CENTRE} ${CENTRE - RADIUS + 12} A${RADIUS - 12} ${RADIUS - 12} 0 ${shown > 180 ? 1 : 0} ${sweep > 0 ? 1 : 0} ${end.x} ${end.y}`}
          className={styles.way}
        />
        <line x1={CENTRE} y1={CENTRE} x2={hand.x} y2={hand.y} className={styles.after} />
      </svg>
      <dl>
        <dt>open now</dt>
        <dd>{turnWords(from)} turns</dd>
        <dt>after</dt>
        <dd className={styles.to}>
          {turnWords(to)} turns, {by < 0 ? 'clockwise' : 'anticlockwise'}
          {whole > 0 ? `, ${whole} whole round${whole > 1 ? 's' : ''} in it` : ''}
        </dd>
      </dl>
    </div>
  );
}

function point(degrees: number, radius: number): { x: number; y: number } {
  const angle = ((degrees - 90) * Math.PI) / 180;
  return { x: CENTRE + radius * Math.cos(angle), y: CENTRE + radius * Math.sin(angle) };
}
