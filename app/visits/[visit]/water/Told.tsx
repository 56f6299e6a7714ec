'use client';

import { Button, Segmented, Select } from 'antd';
import { COVERING_WORDS } from '@core/work/water/huntWords';
import { noiseOf } from '@core/work/water/huntOf';
import { huntValueSchema, runsHot } from '@core/model/huntRow';
import { USUAL } from '@core/ground/usual';
import { conditionsOf } from '@core/work/visit/theVisit';
import { COVERING_NAMES, forecast, type Covering } from '@core/method/water/willShow';
import { localTime } from '@core/ground/localTime';
import { siteOf } from '@core/work/visit/theVisit';
import { AssumedTap } from '@ui/form/AssumedTap';
import { NumberField } from '@ui/form/NumberField';
import { useUnits } from '@ui/units/UnitProvider';
import { useHunt } from './useHunt';
import styles from './Water.module.css';

const { coverMm, waterC } = huntValueSchema.shape;
const USUAL_FLOOR_C = 19;

/** What is known of floor and water, and whether a leak will show before anybody waits. */
export function Told() {
  const { document, hunt, put } = useHunt();
  const { timeZone } = siteOf(document);
  return (
    <section aria-label="Will it show?">
      <h2>Floor and water</h2>
      <Segmented<'hot' | 'cold'>
        block
        aria-label="Which side is run"
        value={hunt.side ?? USUAL.side}
        options={[
          { value: 'hot', label: 'Hot side' },
          { value: 'cold', label: 'Cold side' },
        ]}
        onChange={(side) => put('Side', { side })}
      />
      {hunt.side === null && (
        <AssumedTap field="Which side is run" words="the hot side" onSay={() => put('Side', { side: USUAL.side })} />
      )}
      <div className={styles.fields}>
        <NumberField
          label="Cover over the pipe"
          suffix="mm"
          value={hunt.coverMm}
          schema={coverMm}
          onCommit={(value) => put('Cover', { coverMm: value })}
        />
        <label className={styles.field}>
          <span>Covering</span>
          <Select<Covering>
            aria-label="Covering"
            value={hunt.covering ?? USUAL.covering}
            options={COVERING_NAMES.map((value) => ({ value, label: COVERING_WORDS[value] }))}
            onChange={(covering) => put('Covering', { covering })}
          />
          {hunt.covering === null && (
            <AssumedTap
              field="Covering"
              words={COVERING_WORDS[USUAL.covering]}
              onSay={() => put('Covering', { covering: USUAL.covering })}
            />
          )}
        </label>
        <NumberField
          label="Water"
          celsius
          value={hunt.waterC}
          schema={waterC}
          onCommit={(value) => put('Water', { waterC: value })}
        />
      </div>
      <Forecast />
      <div className={styles.row}>
        <Button
          type={hunt.onAt === null ? 'primary' : 'default'}
          onClick={() => put('Water on', { onAt: hunt.onAt === null ? Date.now() : null })}
        >
          {hunt.onAt === null ? 'The water is on now' : `On since ${localTime(hunt.onAt, timeZone)}: take back`}
        </Button>
      </div>
    </section>
  );
}

function Forecast() {
  const { document, hunt } = useHunt();
  const units = useUnits();
  const floorC = conditionsOf(document)?.value.insideC ?? USUAL_FLOOR_C;
  if (hunt.coverMm === null || hunt.waterC === null)
    return <p className={styles.quiet}>Type cover and water to see, before anybody waits, whether a leak will show.</p>;
  const { showsAfterMin, contrasts, driveK } = forecast({
    coverMm: hunt.coverMm,
    covering: hunt.covering ?? USUAL.covering,
    waterC: hunt.waterC,
    floorC: floorC - 1,
    noiseK: noiseOf(document),
  });
  const { soonest, usual, latest } = showsAfterMin;
  const hot = runsHot(hunt);
  const wrong = hot ? driveK <= 3 : driveK >= -3;
  return (
    <>
      <p className={styles.forecast}>
        {usual === null
          ? 'A usual leak will not show within four hours.'
          : `A usual leak shows after ${minutes(usual)} (${soonest === null ? '—' : minutes(soonest)} to ${latest === null ? 'more than four hours' : minutes(latest)}).`}
        {wrong &&
          ` Water and floor differ by ${units.difference(Math.abs(driveK))} only: ${hot ? 'run hotter water' : 'this works when mains and floor differ'}.`}
      </p>
      <ul className={styles.contrasts}>
        {contrasts.map(({ minutes: after, kelvin }) => (
          <li key={after}>
            <span>{after} min</span>
            <b>{units.difference(kelvin)}</b>
          </li>
        ))}
      </ul>
    </>
  );
}

function minutes(value: number): string {
  return value < 90 ? `${Math.round(value)} min` : `${(value / 60).toFixed(1)} h`;
}
