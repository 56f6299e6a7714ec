'use client';

import { WarningOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { useState } from 'react';
import { AS_FOUND, lastTails, turnWords, walkWords, type WalkLeft } from '@core/work/heating/balance';
import { doubtsOf, DOUBT_WORDS } from '@core/work/heating/doubts';
import { CANNOT_WORDS } from '@core/work/heating/emitterState';
import type { Emitter } from '@core/work/heating/emitters';
import { ofWalk, roomAirOf, warmingOf } from '@core/work/heating/heatingOf';
import type { BalanceAdvice } from '@core/method/heating/balance/state';
import { useAwake } from '@ui/time/useAwake';
import { useUnits } from '@ui/units/UnitProvider';
import { PdfButton } from '@ui/pdf/PdfButton';
import { ReadStep } from './ReadStep';
import { clockOf } from './Start';
import { TurnDial } from './TurnDial';
import { TurnOtherwise } from './TurnOtherwise';
import { useFaces, useHeatPixels } from './useJudged';
import { NumberField } from '@ui/form/NumberField';
import { emitterValueSchema } from '@core/model/emitterRow';
import { useHeat, useHeatNow } from './useHeat';
import styles from './Heat.module.css';
import own from './Start.module.css';

/** So long after the heat came on drops are settled, min. */
const SETTLES_MIN = 30;

const capital = (words: string) => words.charAt(0).toUpperCase() + words.slice(1);

/** A lockshield as somebody counted it. */
const countedSchema = emitterValueSchema.shape.turns;

interface Props {
  walk: number;
  /** null while it is being planned. */
  advice: BalanceAdvice | null;
  left: WalkLeft | null;
}

/** What a hand does next: turn, wait or read. */
export function NextStep({ walk, advice, left }: Props) {
  const { heating, emitters, edit, heatingPut } = useHeat();
  const now = useHeatNow();
  const placeOf = (id: string) => emitters.findIndex((one) => one.id === id);
  useAwake(heating.onAt !== null);
  if (walk === 0) return <Begin />;
  if (!advice || !left)
    return (
      <>
        <h2>Next</h2>
        <p className={own.step} role="status">
          Planning the walk …
        </p>
      </>
    );
  if (advice.done) return <Done advice={advice} />;
  const moves = left.moves.toSorted((a, b) => placeOf(a.emitterId) - placeOf(b.emitterId));
  const read = left.read.toSorted((a, b) => placeOf(a) - placeOf(b));
  const move = moves[0];
  const mover = move && emitters.find(({ id }) => id === move.emitterId);
  const reader = emitters.find(({ id }) => id === read[0]);
  const taper = emitters.find(({ id }) => left.tape.includes(id));
  const doneCount = left.total - left.tape.length - left.moves.length - left.read.length;
  const waitLeft = heating.waitUntil === null ? 0 : heating.waitUntil - now;
  return (
    <>
      <h2>
        {capital(walkWords(walk))} · {doneCount} of {left.total}
      </h2>
      {taper ? (
        <Tape key={taper.id} walk={walk} emitter={taper} />
      ) : mover && move ? (
        <Turn key={mover.id} walk={walk} emitter={mover} move={move} wait={moves.length === 1 ? advice.waitS : null} />
      ) : waitLeft > 0 ? (
        <Wait leftMs={waitLeft} next={reader?.name ?? null} />
      ) : reader ? (
        <ReadStep
          key={`${walk} ${reader.id}`}
          walk={walk}
          emitter={reader}
          last={read.length === 1}
          overdueMs={heating.waitUntil === null ? 0 : -waitLeft}
        />
      ) : (
        <>
          <p className={own.step}>This walk is done.</p>
          <Button
            type="primary"
            className={styles.big}
            onClick={() => edit(`Walk ${walk + 1}`, [heatingPut({ walk: walk + 1, waitUntil: null })])}
          >
            Plan the next walk
          </Button>
        </>
      )}
      <Airy />
      <Doubts />
      <Cannot advice={advice} />
      <p className={styles.foot}>
        Hot surfaces and pressurised water. Turn a lockshield with its own key, never its gland nut. Gas and flue work is for
        licensed people.
      </p>
    </>
  );
}

/** Before the first walk: what has to be so, and whether the record wants a before. */
function Begin() {
  const { heating, emitters, edit, heatingPut } = useHeat();
  const now = useHeatNow();
  const minutes = heating.onAt === null ? null : (now - heating.onAt) / 60_000;
  const begin = (walk: number) => edit('Balancing begun', [heatingPut({ walk, waitUntil: null })]);
  return (
    <>
      <h2>Next</h2>
      <p className={own.step}>All heads open, bled, pump speed fixed, source steady. Then walk from first to last.</p>
      {minutes === null ? (
        <p className={styles.problem}>The heat is not noted as on: see Start.</p>
      ) : (
        minutes < SETTLES_MIN && (
          <p className={styles.quiet}>
            On for {minutes.toFixed(0)} min: what is read before {SETTLES_MIN} min is still on its way.
          </p>
        )
      )}
      <Button type="primary" className={styles.big} onClick={() => begin(AS_FOUND)}>
        Read all {emitters.length} as found
      </Button>
      <span className={styles.quiet}>Nothing is turned yet; the record then shows before and after.</span>
      <Button onClick={() => begin(AS_FOUND + 1)}>Begin turning at once, without a before</Button>
    </>
  );
}

/** Tails whose paint or metal may read off the mark are taped; from then on they read right. */
function Tape({ walk, emitter }: { walk: number; emitter: Emitter }) {
  const { edit, warmingPut, emitterPut } = useHeat();
  const taped = [warmingPut(emitter.id, { tapedWalk: walk })];
  return (
    <>
      <p className={own.step}>{emitter.name}: tape both tails</p>
      <span className={styles.quiet}>
        What paint and metal read off is the same on every walk: reading again tells nothing, tape does. Dull black or painter’s
        tape, a finger long, flat on the pipe; the boxes go on it. Tails are hot.
      </span>
      <Button type="primary" className={styles.big} onClick={() => edit(`Taped: ${emitter.name}`, taped)}>
        Taped both
      </Button>
      <Button onClick={() => edit(`Tails of ${emitter.name} read right`, [emitterPut(emitter.id, { tail: 'taped' }), ...taped])}>
        They are taped already
      </Button>
      <Button onClick={() => edit(`Without tape: ${emitter.name}`, [warmingPut(emitter.id, { withoutTape: true })])}>
        No tape, or no way to them
      </Button>
    </>
  );
}

function Turn({
  walk,
  emitter,
  move,
  wait,
}: {
  walk: number;
  emitter: Emitter;
  move: BalanceAdvice['moves'][number];
  /** After the last move of the walk, s; null for an earlier one. */
  wait: number | null;
}) {
  const { document, edit, now, heatingPut, emitterPut } = useHeat();
  const units = useUnits();
  const pixels = useHeatPixels();
  const [otherwise, setOtherwise] = useState(false);
  const tails = lastTails(document, emitter.id, pixels);
  const from = emitter.turns;
  const turn = (to: number) => {
    const at = now();
    const value = { visitId: document.visitId, serviceId: emitter.id, walk, at, from, to };
    edit(`Turned: ${emitter.name} to ${turnWords(to)}`, [
      { entity: 'valveTurn', rowId: ofWalk(document.visitId, 'turn', walk, emitter.id), value },
      ...(wait === null ? [] : [heatingPut({ walk, waitUntil: at + 1000 * wait })]),
    ]);
  };
  const by = move.toTurns - (from ?? 0);
  return (
    <>
      <p className={own.step}>
        {emitter.name}: {from === null && 'close the lockshield to its stop, counting, then '}
        {by < 0 ? 'close' : 'open'} {from === null ? 'it' : 'the lockshield'} <em>{turnWords(Math.abs(by))}</em>{' '}
        {Math.abs(by) > 1 ? 'turns' : 'turn'}
      </p>
      {emitter.row.value.turns === null && (
        <NumberField
          label="Turns counted to its stop"
          named={`Turns counted to its stop, ${emitter.name}`}
          value={null}
          schema={countedSchema.refine((next) => next === null || next <= emitter.told.turnsOpen, {
            message: 'lies beyond its stop',
          })}
          suffix="turns"
          step={0.125}
          onCommit={(turns) => edit(`Lockshield as found: ${emitter.name}`, [emitterPut(emitter.id, { turns })])}
        />
      )}
      <span className={styles.quiet}>
        Expected drop after it: {units.difference(move.expectDropK)} {units.plusMinus(move.uncertaintyK)}
        {tails ? ` (now ${units.difference(tails.flowC - tails.returnC)})` : ''}. From this house’s own readings.
      </span>
      <TurnDial from={from ?? 0} to={move.toTurns} />
      <Button type="primary" className={styles.big} onClick={() => turn(move.toTurns)}>
        Turned it
      </Button>
      {otherwise ? (
        <TurnOtherwise
          from={from ?? 0}
          turnsOpen={emitter.told.turnsOpen}
          wanted={move.toTurns}
          onTurned={turn}
          onBack={() => setOtherwise(false)}
        />
      ) : (
        <div className={styles.row}>
          <Button onClick={() => setOtherwise(true)}>Turned otherwise …</Button>
          <Button onClick={() => edit(`Sticks: ${emitter.name}`, [emitterPut(emitter.id, { sticks: true })])}>It sticks</Button>
        </div>
      )}
    </>
  );
}

function Wait({ leftMs, next }: { leftMs: number; next: string | null }) {
  const { edit, heatingPut, now } = useHeat();
  return (
    <>
      <p className={own.step}>Wait, then read{next ? `: first ${next}` : ''}</p>
      <div className={styles.timer} role="timer" aria-label="Until readings count">
        <b>{clockOf(leftMs + 999)}</b>
        <span>until the next reading counts: the water needs its time.</span>
      </div>
      <Button onClick={() => edit('Waited enough', [heatingPut({ waitUntil: now() })])}>Read now all the same</Button>
      <span className={styles.quiet}>What is read too early is told so and counts for little.</span>
    </>
  );
}

function Done({ advice }: { advice: BalanceAdvice }) {
  const { emitters, heating, edit, heatingPut } = useHeat();
  const units = useUnits();
  const named = advice.cannot.filter(({ why }) => why !== 'not-settled' && why !== 'ends-swapped');
  const open = new Set([...advice.left, ...advice.untaped]);
  // Read on target with tails that may read off is not yet on target.
  const on = advice.drops.filter(({ state, emitterId }) => state === 'on-target' && !open.has(emitterId)).length;
  const noHeat = named.some(({ why }) => why === 'no-heat');
  return (
    <>
      <h2>Next</h2>
      <p className={own.step}>
        {noHeat
          ? 'Nothing is warm: look at source and pump first.'
          : `${open.size > 0 ? 'As good as it gets' : 'Done'}: ${on} of ${emitters.length} on target, ${units.difference(heating.targetK)} ± ${units.difference(heating.toleranceK)}${open.size > 0 ? `; ${open.size} not sure` : ''}.`}
      </p>
      <Left advice={advice} />
      <Airy />
      <Cannot advice={advice} />
      <span className={styles.quiet}>
        Lock the lockshields, clear the put-back list, and take the record along. What stood when is in it.
      </span>
      {!noHeat && <PdfButton what="heating">Record (PDF)</PdfButton>}
      {noHeat && (
        <Button
          className={styles.big}
          onClick={() => edit('Read anew', [heatingPut({ walk: Math.max(1, heating.walk) + 1, waitUntil: null })])}
        >
          Heat is on now: read anew
        </Button>
      )}
    </>
  );
}

/** No turn makes it better: who may be out of tolerance, and the ways out. */
function Left({ advice }: { advice: BalanceAdvice }) {
  const { emitters, edit, warmingPut } = useHeat();
  const namesOf = (ids: readonly string[]) =>
    emitters
      .filter(({ id }) => ids.includes(id))
      .map(({ name }) => name)
      .join(', ');
  const others = advice.left.filter((id) => !advice.untaped.includes(id));
  return (
    <>
      {advice.untaped.length > 0 && (
        <>
          <ul className={own.cannot}>
            <li>
              <WarningOutlined /> <b>{namesOf(advice.untaped)}</b>: tails to tape. Paint and bare metal read off nearly as much as
              is tolerated, the same each time, so that no further reading settles it. With tape on both tails they are read once
              more.
            </li>
          </ul>
          <Button
            className={styles.big}
            onClick={() =>
              edit(
                'Tape after all',
                advice.untaped.map((id) => warmingPut(id, { withoutTape: false })),
              )
            }
          >
            Tape them now
          </Button>
        </>
      )}
      {others.length > 0 && (
        <ul className={own.cannot}>
          <li>
            <WarningOutlined /> <b>{namesOf(others)}</b>: may be out of tolerance, and neither a turn nor another reading would
            settle it. Ways out: a larger target drop, a step more at the pump, or a valve with finer steps.
          </li>
        </ul>
      )}
    </>
  );
}

function Cannot({ advice }: { advice: BalanceAdvice }) {
  const { emitters } = useHeat();
  if (advice.cannot.length === 0) return null;
  return (
    <ul className={own.cannot}>
      {advice.cannot.map(({ emitterId, why }) => (
        <li key={`${emitterId} ${why}`}>
          <b>{emitters.find(({ id }) => id === emitterId)?.name}</b>: {CANNOT_WORDS[why]}
        </li>
      ))}
    </ul>
  );
}

/** Faces that still show air or sludge: their drops change with the cure, so that it comes first. */
function Airy() {
  const { document, emitters } = useHeat();
  const faces = useFaces();
  const named = (pattern: 'cold-top' | 'cold-bottom') =>
    emitters
      .filter(({ id }) => {
        const face = faces.get(id);
        const bledAt = warmingOf(document, id).value.bledAt ?? 0;
        return face?.pattern === pattern && (pattern === 'cold-bottom' || face.takenAt > bledAt);
      })
      .map(({ name }) => name)
      .join(', ');
  const [air, sludge] = [named('cold-top'), named('cold-bottom')];
  if (air === '' && sludge === '') return null;
  return (
    <ul className={own.cannot}>
      {air !== '' && (
        <li>
          <WarningOutlined /> <b>{air}</b>: air along the top. Bleed before you turn (Start, Air): its drop changes with it.
        </li>
      )}
      {sludge !== '' && (
        <li>
          <WarningOutlined /> <b>{sludge}</b>: sludge low down. It can be balanced as it is; flushed, it gives more.
        </li>
      )}
    </ul>
  );
}

/** What is odd about the newest readings. */
function Doubts() {
  const { document, emitters } = useHeat();
  const pixels = useHeatPixels();
  const faces = useFaces();
  const found = emitters.flatMap((emitter) => {
    const tails = lastTails(document, emitter.id, pixels);
    if (!tails) return [];
    const { at, frameId } = tails.row.value;
    const roomC = tails.row.value.roomC ?? roomAirOf(document, emitter.id).value;
    const face = faces.get(emitter.id);
    const same = face && face.row.value.frameId === frameId ? face : null;
    return doubtsOf(document, emitter, { ...tails, at, roomC }, same).map((doubt) => ({ emitter, doubt }));
  });
  if (found.length === 0) return null;
  return (
    <ul className={own.cannot}>
      {found.slice(0, 4).map(({ emitter, doubt }) => (
        <li key={`${emitter.id} ${doubt}`}>
          <WarningOutlined /> <b>{emitter.name}</b>: {DOUBT_WORDS[doubt]}
        </li>
      ))}
    </ul>
  );
}
