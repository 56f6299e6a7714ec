'use client';

import { CheckOutlined, FireOutlined, WarningOutlined } from '@ant-design/icons';
import { Button, Segmented } from 'antd';
import { heatingOf, warmingOf } from '@core/work/heating/heatingOf';
import { warmingOrder } from '@core/work/heating/warmingOrder';
import { whyLate } from '@core/work/heating/whyLate';
import { heatingValueSchema, START_CHECKS, type StartCheck } from '@core/model/heatingRow';
import { USUAL } from '@core/ground/usual';
import { SCHOOLS, TARGETS, type School } from '@core/method/heating/school';
import { openChanges } from '@core/work/round/round';
import { PutBackList } from '@ui/round/PutBackList';
import { useUnits } from '@ui/units/UnitProvider';
import { Bleeding } from './Bleeding';
import { AssumedTap } from '@ui/form/AssumedTap';
import { NumberField } from '@ui/form/NumberField';
import { useFaces } from './useJudged';
import { useHeat, useHeatNow } from './useHeat';
import styles from './Heat.module.css';
import own from './Start.module.css';

const CHECK_WORDS: Record<StartCheck, string> = {
  'heads-open': 'All heads open',
  'pump-heard': 'Pump heard',
  'pump-felt': 'Pump felt running',
  'flow-rises': 'Flow pipe warms',
  bled: 'Air bled',
};
const BEFORE: readonly StartCheck[] = ['heads-open'];

/** The start of a season: what was changed, heat on, who warms when, and who does not. */
export function Start() {
  return (
    <div className={styles.columns}>
      <div className={styles.main}>
        <Source />
        <Warming />
        <Bleeding />
        <section className={styles.card}>
          <h2>To put back</h2>
          <p className={styles.quiet}>
            Whatever you raise, open, tape or cap: here, at once. It stays in view until it is as it was.
          </p>
          <PutBackList />
        </section>
      </div>
      <aside className={styles.side}>
        <Next />
      </aside>
    </div>
  );
}

function Source() {
  const { document, heating, edit, heatingPut, now, clock } = useHeat();
  const { flowSetC, targetK, toleranceK, flows } = heatingValueSchema.shape;
  const units = useUnits();
  const school = (next: School) =>
    edit('School of the drop', [
      heatingPut(
        next === 'own'
          ? { school: next }
          : { school: next, targetK: TARGETS[next].targetK, toleranceK: TARGETS[next].toleranceK },
      ),
    ]);
  const check = (one: StartCheck) => {
    const checks = { ...heating.checks };
    if (checks[one] === undefined) checks[one] = now();
    else delete checks[one];
    edit(CHECK_WORDS[one], [heatingPut({ checks })]);
  };
  return (
    <section className={styles.card}>
      <h2>Source</h2>
      <div className={styles.row}>
        {START_CHECKS.map((one) => (
          <Button
            key={one}
            aria-pressed={heating.checks[one] !== undefined}
            icon={heating.checks[one] === undefined ? undefined : <CheckOutlined />}
            disabled={heating.onAt === null && !BEFORE.includes(one)}
            onClick={() => check(one)}
          >
            {CHECK_WORDS[one]}
            {heating.checks[one] === undefined ? '' : ` ${clock(heating.checks[one])}`}
          </Button>
        ))}
      </div>
      <Segmented
        aria-label="Drop that is aimed at"
        value={heating.school}
        options={SCHOOLS.map((one) => ({ value: one, label: one === 'own' ? 'Own' : TARGETS[one].words }))}
        onChange={school}
      />
      {heating.assumed.includes('school') && (
        <AssumedTap field="Drop that is aimed at" words={units.difference(TARGETS.usual.targetK)} onSay={() => school('usual')} />
      )}
      <div className={styles.fields}>
        <NumberField
          label="Flow is set to"
          value={heatingOf(document).value.flowSetC}
          schema={flowSetC}
          usual={USUAL.flowSetC}
          celsius
          onCommit={(next) => edit('Flow temperature', [heatingPut({ flowSetC: next })])}
        />
        {heating.school === 'own' && (
          <>
            <NumberField
              label="Target drop"
              value={heating.targetK}
              schema={targetK}
              suffix="K"
              onCommit={(next) => next !== null && edit('Target drop', [heatingPut({ targetK: next, toleranceK: next / 6 })])}
            />
            <NumberField
              label="Tolerance"
              value={heating.toleranceK}
              schema={toleranceK.refine((next) => next < heating.targetK, { message: 'must be below the target' })}
              suffix="K"
              step={0.5}
              onCommit={(next) => next !== null && edit('Tolerance', [heatingPut({ toleranceK: next })])}
            />
          </>
        )}
      </div>
      <div className={styles.fields}>
        <NumberField
          label="Flow pipe reads now"
          value={null}
          schema={flows.element.shape.celsius.nullable()}
          celsius
          clears
          onCommit={(next) =>
            next !== null && edit('Flow read', [heatingPut({ flows: [...heating.flows, { at: now(), celsius: next }] })])
          }
        />
      </div>
      {heating.flows.length > 0 && (
        <span className={styles.quiet}>
          Flow:{' '}
          {heating.flows
            .slice(-6)
            .map(({ at, celsius }) => `${clock(at)} ${units.temperature(celsius)}`)
            .join(' · ')}
        </span>
      )}
    </section>
  );
}

function Warming() {
  const { document, emitters, heating, edit, warmingPut, now } = useHeat();
  const seconds = useHeatNow();
  const faces = useFaces();
  const { late, minutes } = warmingOrder(document, seconds);
  return (
    <section className={styles.card}>
      <h2>Who warms when</h2>
      <p className={styles.quiet}>Tap each as its flow pipe or top becomes warm; frames from the camera do it by themselves.</p>
      <div className={own.taps}>
        {emitters.map(({ id, name }, k) => {
          const warmAfter = minutes.get(id) ?? null;
          const warm = warmingOf(document, id).value.warmAt !== null;
          return (
            <button
              key={id}
              type="button"
              className={own.tap}
              aria-pressed={warm}
              disabled={heating.onAt === null}
              onClick={() =>
                edit(warm ? `Not warm yet: ${name}` : `Warm: ${name}`, [warmingPut(id, { warmAt: warm ? null : now() })])
              }
            >
              <b>
                {k + 1} {name}
              </b>
              <small>{warmAfter === null ? 'cold' : `warm after ${warmAfter.toFixed(0)} min`}</small>
            </button>
          );
        })}
      </div>
      {late.map(({ id, minutes: after, laterMin }) => {
        const place = emitters.findIndex((one) => one.id === id);
        const emitter = emitters[place]!;
        return (
          <div key={id} className={own.late}>
            <b>
              {emitter.name}: {after === null ? 'still cold' : `warm after ${after.toFixed(0)} min`}, {laterMin} min later than
              the middle one
            </b>
            <ul>
              {whyLate(emitter, place + 1, emitters.length, faces.get(id) ?? null).map((why) => (
                <li key={why}>{why}</li>
              ))}
            </ul>
          </div>
        );
      })}
    </section>
  );
}

/** The next thing to do, in words, with the time since the heat came on. */
function Next() {
  const { document, heating, emitters, edit, heatingPut, now, clock } = useHeat();
  const seconds = useHeatNow();
  const { onAt } = heatingOf(document).value;
  const { order } = warmingOrder(document, seconds);
  const open = openChanges(document).length;
  const since = onAt === null ? 0 : Math.max(0, seconds - onAt);
  const words = nextWords(onAt !== null, Object.keys(heating.checks), order.length, emitters.length, since);
  return (
    <>
      <h2>Next</h2>
      <p className={own.step}>{words}</p>
      {onAt === null ? (
        <Button
          type="primary"
          className={styles.big}
          icon={<FireOutlined />}
          onClick={() => edit('Heat on', [heatingPut({ onAt: now() })])}
        >
          Heat on, now
        </Button>
      ) : (
        <div className={styles.timer} role="timer" aria-label="Since the heat came on">
          <b>{clockOf(since)}</b>
          <span>since the heat came on at {clock(onAt)}</span>
        </div>
      )}
      {onAt !== null && <Button onClick={() => edit('Heat off', [heatingPut({ onAt: null })])}>It was not: heat is off</Button>}
      {open > 0 && (
        <p className={styles.caution} role="note">
          <WarningOutlined />
          {open} {open === 1 ? 'change is' : 'changes are'} on the put-back list.
        </p>
      )}
      <p className={styles.foot}>
        Raised water scalds: warn the house. Gas, flue and electrical work is for licensed people; a pump that hums and does not
        turn is theirs too.
      </p>
    </>
  );
}

function nextWords(on: boolean, checks: readonly string[], warm: number, all: number, sinceMs: number): string {
  if (!on) return 'Write down what you raise and open. Then force the source on.';
  if (!checks.includes('pump-heard') && !checks.includes('pump-felt')) return 'Listen at the pump, and lay a hand on it.';
  if (!checks.includes('flow-rises')) return 'Feel the flow pipe at the source: it should warm within minutes.';
  if (warm < all && sinceMs < 20 * 60_000) return `Walk round: tap who is warm, or take frames. ${all - warm} of ${all} to go.`;
  if (warm < all) return `${all - warm} still cold after twenty minutes: see below why.`;
  return 'All are warm. Look at the faces, then balance.';
}

/** `4:05`, `1:12:09` */
export function clockOf(ms: number): string {
  const seconds = Math.floor(ms / 1000);
  const two = (value: number) => String(value).padStart(2, '0');
  const [h, m, s] = [Math.floor(seconds / 3600), Math.floor(seconds / 60) % 60, seconds % 60];
  return h > 0 ? `${h}:${two(m)}:${two(s)}` : `${m}:${two(s)}`;
}
