'use client';

import { HOUR_MS } from '@core/ground/localClock';
import { Fragment, useRef, type KeyboardEvent } from 'react';
import { localDay } from '@core/ground/localTime';
import { gradeOf, type Score } from '@core/method/weather/rated';
import { boardCells, CELL_H, CELLS_A_DAY, type BoardDay, type Cell } from '@core/method/weather/board';
import { compassWord } from '@core/method/weather/plan';
import type { HourScore } from '@core/method/weather/scoreHours';
import { WALL_WORDS } from '@core/method/weather/wallMemory';
import type { ScoredWeek } from './useHours';
import styles from './Board.module.css';

/** A row of the board (inside, or a façade by its place) on one of its days. */
export interface Picked {
  day: number;
  row: 'inside' | number;
}

const STEPS: Record<string, readonly [number, number]> = {
  ArrowDown: [1, 0],
  ArrowUp: [-1, 0],
  ArrowRight: [0, 1],
  ArrowLeft: [0, -1],
};

const GRADE_WORDS = { A: 'go', B: 'with care', C: 'poor', '–': 'no' };

export function scoreOf(hour: HourScore, row: Picked['row']): Score {
  return row === 'inside' ? hour.inside : hour.facades[row]!;
}

export function rowName(week: ScoredWeek, row: Picked['row']): string {
  if (row === 'inside') return 'Inside';
  const { azimuth } = week.plan.facades[row]!;
  const word = compassWord(azimuth);
  const alike = week.plan.facades.filter((facade) => compassWord(facade.azimuth) === word).length > 1;
  return word[0]!.toUpperCase() + word.slice(1) + (alike ? ` ${azimuth}°` : '');
}

const shortDay = ({ start }: BoardDay, timeZone: string): string => localDay(start + HOUR_MS, timeZone, 'short');

/** A week at a glance: three hours a cell, inside and every façade, by letter and tone. */
export function Board({
  week,
  now,
  picked,
  slot,
  onPick,
}: {
  week: ScoredWeek;
  now: number;
  picked: Picked;
  slot: { from: number; to: number } | null;
  onPick(picked: Picked): void;
}) {
  const grid = useRef<HTMLDivElement>(null);
  const { timezone } = week.plan;
  const rows: Picked['row'][] = ['inside', ...week.plan.facades.map((_, k) => k)];
  const move = (event: KeyboardEvent<HTMLButtonElement>) => {
    const [down, right] = STEPS[event.key] ?? [0, 0];
    if (!down && !right) return;
    event.preventDefault();
    const cells = [...grid.current!.querySelectorAll<HTMLButtonElement>('button')];
    const across = week.days.length * CELLS_A_DAY;
    cells[cells.indexOf(event.currentTarget) + down * across + right]?.focus();
  };
  return (
    <>
      <div ref={grid} className={styles.board} role="group" aria-label="Readable hours of the week; arrow keys move">
        <span />
        {week.days.map((day, d) => (
          <span key={day.day} className={styles.day} data-picked={picked.day === d}>
            {shortDay(day, timezone)}
          </span>
        ))}
        {rows.map((row) => (
          <Fragment key={row}>
            <span className={styles.name} data-picked={picked.row === row}>
              {rowName(week, row)}
              {row !== 'inside' && <small>{WALL_WORDS[week.plan.facades[row]!.wall]}</small>}
            </span>
            {week.days.map((day, d) => (
              <div key={day.day} className={styles.cells}>
                {boardCells(day, timezone, (hour) => scoreOf(hour, row)).map((cell, c) => (
                  <CellButton
                    key={c}
                    cell={cell}
                    label={`${rowName(week, row)}, ${shortDay(day, timezone)} ${c * CELL_H}:00`}
                    current={now >= cell.from && now < cell.from + CELL_H * HOUR_MS}
                    inSlot={slot !== null && slot.from < cell.from + CELL_H * HOUR_MS && slot.to > cell.from}
                    picked={picked.day === d && picked.row === row}
                    first={d === 0 && c === 0 && row === 'inside'}
                    onPick={() => onPick({ day: d, row })}
                    onKeyDown={move}
                  />
                ))}
              </div>
            ))}
          </Fragment>
        ))}
        <span />
        {week.days.map((day) => (
          <div key={day.day} className={styles.cells} aria-hidden>
            {Array.from({ length: CELLS_A_DAY }, (_, c) => (
              <span key={c} className={styles.hour}>
                {c % 2 === 0 ? String(c * CELL_H).padStart(2, '0') : ''}
              </span>
            ))}
          </div>
        ))}
      </div>
      <p className={styles.legend}>
        <b>A</b> go · <b>B</b> with care · <b>C</b> poor · <b>–</b> no · striped: no weather for it · framed: now · underlined:
        your slot
      </p>
    </>
  );
}

function CellButton({
  cell,
  label,
  current,
  inSlot,
  picked,
  first,
  onPick,
  onKeyDown,
}: {
  cell: Cell;
  label: string;
  current: boolean;
  inSlot: boolean;
  picked: boolean;
  first: boolean;
  onPick(): void;
  onKeyDown(event: KeyboardEvent<HTMLButtonElement>): void;
}) {
  const letter = cell.score === null ? '' : gradeOf(cell.score);
  const words = letter === '' ? 'no weather' : `${letter}, ${GRADE_WORDS[letter]}`;
  return (
    <button
      type="button"
      className={styles.cell}
      title={`${label}: ${words}`}
      data-grade={letter === '–' ? 'none' : letter || 'missing'}
      data-now={current}
      data-slot={inSlot}
      data-picked={picked}
      aria-label={`${label}: ${words}${current ? ', now' : ''}${inSlot ? ', your slot' : ''}`}
      tabIndex={first ? 0 : -1}
      onClick={onPick}
      onKeyDown={onKeyDown}
    >
      {letter}
    </button>
  );
}
