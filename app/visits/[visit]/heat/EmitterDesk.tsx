'use client';

import { Button, Checkbox, Select } from 'antd';
import { useState } from 'react';
import type { Emitter } from '@core/work/heating/emitters';
import { turnWords } from '@core/work/heating/balance';
import { latestFace } from '@core/work/heating/faces';
import { warmingOf } from '@core/work/heating/heatingOf';
import { framesOfEmitter } from '@core/work/heating/takeIn';
import { TAILS, type TailKind } from '@core/method/heating/balance/state';
import { BUILDS, EMITTER_BUILDS, type EmitterBuild } from '@core/method/heating/build';
import { patternAdvice } from '@core/method/heating/patternAdvice';
import { emitterValueSchema } from '@core/model/emitterRow';
import { USUAL } from '@core/ground/usual';
import { PATTERN_WORDS } from '@core/method/heating/patternWords';
import { useUnits } from '@ui/units/UnitProvider';
import { EmitterCamera } from './EmitterCamera';
import { EmitterPicture } from './EmitterPicture';
import { AssumedTap } from '@ui/form/AssumedTap';
import { NumberField } from '@ui/form/NumberField';
import { useFaces } from './useJudged';
import { useHeat } from './useHeat';
import styles from './Heat.module.css';

const { ratedW, widthM, heightM, turns, turnsOpen, needW, exponent } = emitterValueSchema.shape;

const TAIL_WORDS: Record<TailKind, string> = {
  painted: 'painted',
  bare: 'bare metal',
  taped: 'taped, or read by contact',
  unknown: 'not looked at',
};

/** One emitter: its face and what it asks for, a frame of it, and what is known for good. */
export function EmitterDesk({ emitter }: { emitter: Emitter }) {
  const { document, edit, now, clock, warmingPut } = useHeat();
  const units = useUnits();
  const [looking, setLooking] = useState(false);
  const face = useFaces().get(emitter.id) ?? null;
  const shown = face?.row.value.frameId ?? framesOfEmitter(document, emitter)[0] ?? null;
  const { bledAt } = warmingOf(document, emitter.id).value;
  const stage = latestFace(document, emitter.id)?.value.stage ?? 'found';
  return (
    <>
      <h2>{emitter.name}</h2>
      {looking ? (
        <EmitterCamera emitter={emitter} stage="found" walk={null} onTaken={() => setLooking(false)} />
      ) : (
        <Button className={styles.big} type={face ? 'default' : 'primary'} onClick={() => setLooking(true)}>
          {shown ? 'Look again' : 'Take a frame'}
        </Button>
      )}
      {face && (
        <div className={styles.card}>
          <h2>{PATTERN_WORDS[face.pattern]}</h2>
          <span className={styles.quiet}>
            {Math.round(100 * face.coldShare)} % of its face is cold · mean {units.temperature(face.meanC)}
            {face.minutesOn === null ? '' : ` · ${face.minutesOn.toFixed(0)} min after the heat came on`}
          </span>
          <ol>
            {patternAdvice(face.pattern, face.minutesOn).map((words) => (
              <li key={words}>{words}</li>
            ))}
          </ol>
          {face.pattern === 'cold-top' && (
            <Button
              type="primary"
              className={styles.big}
              onClick={() => edit(`Bled: ${emitter.name}`, [warmingPut(emitter.id, { bledAt: now() })])}
            >
              Bled it
            </Button>
          )}
          {bledAt !== null && <span className={styles.quiet}>Bled at {clock(bledAt)}.</span>}
        </div>
      )}
      {shown && !looking && <EmitterPicture emitter={emitter} frameId={shown} stage={stage} walk={null} />}
      <EmitterFacts emitter={emitter} />
    </>
  );
}

function EmitterFacts({ emitter }: { emitter: Emitter }) {
  const { edit, emitterPut } = useHeat();
  const { value } = emitter.row;
  const field = (
    label: string,
    name: 'ratedW' | 'widthM' | 'heightM' | 'turns' | 'turnsOpen' | 'needW' | 'exponent',
    schema: Parameters<typeof NumberField>[0]['schema'],
    suffix: string,
    step = 1,
    usual?: number,
  ) => (
    <NumberField
      label={label}
      named={`${label}, ${emitter.name}`}
      value={value[name]}
      schema={schema}
      suffix={suffix}
      step={step}
      usual={usual}
      onCommit={(next) => edit(`${label}: ${emitter.name}`, [emitterPut(emitter.id, { [name]: next })])}
    />
  );
  const say = (build: EmitterBuild) => edit(`Build: ${emitter.name}`, [emitterPut(emitter.id, { build })]);
  const found = turns.refine((next) => next === null || next <= emitter.told.turnsOpen, { message: 'lies beyond its stop' });
  return (
    <details className={styles.card} open>
      <summary>What is known of it</summary>
      <div className={styles.fields}>
        <label className={styles.field}>
          <span>Build</span>
          <Select
            aria-label={`Build, ${emitter.name}`}
            value={emitter.told.build}
            options={EMITTER_BUILDS.map((one) => ({ value: one, label: BUILDS[one].words }))}
            onChange={say}
          />
          {value.build === null && (
            <AssumedTap
              field={`Build, ${emitter.name}`}
              words={BUILDS[emitter.told.build].words.toLowerCase()}
              onSay={() => say(emitter.told.build)}
            />
          )}
        </label>
        <label className={styles.field}>
          <span>Tails</span>
          <Select
            aria-label={`Tails, ${emitter.name}`}
            value={value.tail}
            options={TAILS.map((one) => ({ value: one, label: TAIL_WORDS[one] }))}
            onChange={(tail) => edit(`Tails: ${emitter.name}`, [emitterPut(emitter.id, { tail })])}
          />
        </label>
        {field('Rated output at 50 K', 'ratedW', ratedW, 'W', 50)}
        {field('Room needs', 'needW', needW, 'W', 50)}
        {field('Width', 'widthM', widthM, 'm', 0.1)}
        {field('Height', 'heightM', heightM, 'm', 0.1)}
        {field('Lockshield as found', 'turns', found, 'turns', 0.125)}
        {field('Turns to its stop', 'turnsOpen', turnsOpen, 'turns', 0.25, USUAL.turnsOpen)}
        {field('Exponent', 'exponent', exponent, '', 0.05, USUAL.exponent)}
      </div>
      <span className={styles.quiet}>
        {emitter.ratedW === null
          ? 'Without output or size the balance finds it out by itself, in more walks.'
          : `Counted with ${Math.round(emitter.ratedW)} W, by its ${emitter.ratedFrom}. Lockshield: ${turnWords(emitter.turns)}.`}
      </span>
      <div className={styles.row}>
        <Checkbox
          checked={value.headOpen}
          onChange={(event) => edit(`Head: ${emitter.name}`, [emitterPut(emitter.id, { headOpen: event.target.checked })])}
        >
          Head open
        </Checkbox>
        <Checkbox
          checked={value.sticks}
          onChange={(event) => edit(`Sticks: ${emitter.name}`, [emitterPut(emitter.id, { sticks: event.target.checked })])}
        >
          Lockshield sticks
        </Checkbox>
      </div>
    </details>
  );
}
