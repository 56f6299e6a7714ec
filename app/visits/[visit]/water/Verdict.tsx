'use client';

import { ClockCircleOutlined, EnvironmentOutlined, EyeOutlined, QuestionOutlined } from '@ant-design/icons';
import { leakWords, otherWords, standingWords } from '@core/work/water/leakWords';
import type { Timelapse } from '@core/method/water/timelapse';
import { metresEachOf } from '@core/work/water/seek';
import { useUnits } from '@ui/units/UnitProvider';
import { useVisit } from '@ui/visit/VisitProvider';
import styles from './Water.module.css';

const ICONS = {
  waiting: <ClockCircleOutlined />,
  nothing: <QuestionOutlined />,
  standing: <EyeOutlined />,
  found: <EnvironmentOutlined />,
};

/** What the series says, in a sentence or two. */
export function Verdict({ found }: { found: Timelapse }) {
  const { document } = useVisit();
  const { unit } = useUnits();
  const { state, result, more } = leakWords(found, unit, metresEachOf(document, found.frames[0]!.name));
  return (
    <>
      <p className={styles.verdict} role="status">
        {ICONS[state]} <b>{result}</b> {more}
      </p>
      {found.standing.length > 0 && (
        <ul className={styles.others} aria-label="What stood out before">
          {found.standing.map((one, i) => (
            <li key={i}>
              {String.fromCharCode(65 + i)}: {standingWords(one, unit)}
            </li>
          ))}
        </ul>
      )}
      {found.others.length > 0 && (
        <ol className={styles.others} aria-label="What else grew">
          {found.others.map((other, i) => (
            <li key={i}>{otherWords(other)}</li>
          ))}
        </ol>
      )}
    </>
  );
}
