'use client';

import { useDrag } from '@use-gesture/react';
import { useState, type KeyboardEvent } from 'react';
import { movedPlan } from '@core/work/house/edit';
import { ROOM_WORDS } from '@core/model/houseKinds';
import type { Row } from '@core/model/entities';
import type { PlanBox } from '@core/model/roomRow';
import { compassWord } from '@core/method/weather/plan';
import styles from './FloorPlan.module.css';

/** One metre of the plan, in the drawing's own units. */
const CELL = 34;
const PAD = 10;

/** One storey from above: rooms are dragged on a grid of metres, by hand or with the arrow keys; Shift changes their size. */
export function FloorPlan({
  rooms,
  services,
  chosen,
  frontAzimuth,
  onChoose,
  onPlan,
  onService,
}: {
  rooms: Row<'room'>[];
  services: Row<'service'>[];
  chosen: string | null;
  frontAzimuth: number;
  onChoose(id: string): void;
  onPlan(row: Row<'room'>, plan: PlanBox): void;
  onService(row: Row<'service'>, place: { x: number; y: number }): void;
}) {
  const columns = Math.max(12, ...rooms.map(({ value: { plan } }) => plan.x + plan.width + 2));
  const lines = Math.max(9, ...rooms.map(({ value: { plan } }) => plan.y + plan.depth + 2));
  return (
    <figure className={styles.plan}>
      <svg
        viewBox={`${-PAD} ${-PAD} ${columns * CELL + 2 * PAD} ${lines * CELL + 2 * PAD}`}
        role="group"
        aria-label="Plan of the storey, one square is one metre"
      >
        <defs>
          <pattern id="metre" width={CELL} height={CELL} patternUnits="userSpaceOnUse">
            <path d={`M${CELL} 0H0V${CELL}`} className={styles.grid} />
          </pattern>
        </defs>
        <rect width={columns * CELL} height={lines * CELL} fill="url(#metre)" />
        {rooms.map((row) => (
          <RoomBox
            key={row.id}
            row={row}
            chosen={row.id === chosen}
            onChoose={() => onChoose(row.id)}
            onPlan={(plan) => onPlan(row, plan)}
          />
        ))}
        {rooms.flatMap((room) =>
          services
            .filter(({ value }) => value.roomId === room.id)
            .map((row) => (
              <ServiceDot
                key={row.id}
                row={row}
                plan={room.value.plan}
                named={room.id === chosen}
                onPlace={(place) => onService(row, place)}
              />
            )),
        )}
      </svg>
      <figcaption>
        The lower edge is the front; it looks {compassWord(frontAzimuth)}. Arrows move a room, Shift and arrows change its size.
        Dots are services: drag them, or move them with arrows.
      </figcaption>
    </figure>
  );
}

function RoomBox({
  row,
  chosen,
  onChoose,
  onPlan,
}: {
  row: Row<'room'>;
  chosen: boolean;
  onChoose(): void;
  onPlan(plan: PlanBox): void;
}) {
  const { name, kind, plan } = row.value;
  const [draft, setDraft] = useState<PlanBox | null>(null);
  const shown = draft ?? plan;
  const drag =
    (change: (dx: number, dy: number) => Partial<PlanBox>) =>
    ({ movement: [mx, my], last, event, tap }: { movement: [number, number]; last: boolean; event: Event; tap: boolean }) => {
      onChoose();
      if (tap) return;
      const svg = (event.target as Element).closest('svg')!;
      // The drawing keeps its proportions, so its scale is not that of its box.
      const perUnit = 1 / (svg.getScreenCTM()!.a * CELL);
      const next = movedPlan(plan, change(mx * perUnit, my * perUnit));
      setDraft(last ? null : next);
      if (last) onPlan(next);
    };
  const bindMove = useDrag(
    drag((dx, dy) => ({ x: plan.x + dx, y: plan.y + dy })),
    { filterTaps: true, pointer: { keys: false } },
  );
  const bindSize = useDrag(
    drag((dx, dy) => ({ width: plan.width + dx, depth: plan.depth + dy })),
    { filterTaps: true, pointer: { keys: false } },
  );
  const onKey = (event: KeyboardEvent) => {
    const step = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key];
    if (event.key === 'Enter') onChoose();
    if (!step) return;
    event.preventDefault();
    const [dx, dy] = step as [number, number];
    onPlan(
      movedPlan(plan, event.shiftKey ? { width: plan.width + dx, depth: plan.depth + dy } : { x: plan.x + dx, y: plan.y + dy }),
    );
  };
  return (
    <g className={styles.room} data-chosen={chosen}>
      <rect
        {...bindMove()}
        tabIndex={0}
        role="button"
        aria-label={`${name}, ${shown.width} by ${shown.depth} m`}
        x={shown.x * CELL}
        y={shown.y * CELL}
        width={shown.width * CELL}
        height={shown.depth * CELL}
        rx={4}
        onKeyDown={onKey}
        onFocus={onChoose}
      />
      <text x={shown.x * CELL + 8} y={shown.y * CELL + 20}>
        {name}
      </text>
      <text x={shown.x * CELL + 8} y={shown.y * CELL + 37} className={styles.size}>
        {ROOM_WORDS[kind].toLowerCase() === name.toLowerCase() ? '' : `${ROOM_WORDS[kind]}, `}
        {shown.width} × {shown.depth} m
      </text>
      {chosen && (
        <circle
          {...bindSize()}
          cx={(shown.x + shown.width) * CELL}
          cy={(shown.y + shown.depth) * CELL}
          r={11}
          className={styles.handle}
          aria-hidden="true"
        />
      )}
    </g>
  );
}

/** How far an arrow key moves a service, m. */
const STEP_M = 0.1;
/** A service keeps that far inside its room, m. */
const INSIDE_M = 0.1;

/** A service where it stands; it never leaves its room. */
function ServiceDot({
  row,
  plan,
  named,
  onPlace,
}: {
  row: Row<'service'>;
  plan: PlanBox;
  /** Its name stands beside it. */
  named: boolean;
  onPlace(place: { x: number; y: number }): void;
}) {
  const { name, x, y } = row.value;
  const [draft, setDraft] = useState<{ x: number; y: number } | null>(null);
  const shown = draft ?? { x, y };
  const within = (dx: number, dy: number) => ({
    x: Math.round(100 * Math.min(plan.width - INSIDE_M, Math.max(INSIDE_M, x + dx))) / 100,
    y: Math.round(100 * Math.min(plan.depth - INSIDE_M, Math.max(INSIDE_M, y + dy))) / 100,
  });
  const bind = useDrag(
    ({ movement: [mx, my], last, event, tap }) => {
      if (tap) return;
      const svg = (event.target as Element).closest('svg')!;
      const perUnit = 1 / (svg.getScreenCTM()!.a * CELL);
      const next = within(mx * perUnit, my * perUnit);
      setDraft(last ? null : next);
      if (last) onPlace(next);
    },
    { filterTaps: true, pointer: { keys: false } },
  );
  const onKey = (event: KeyboardEvent) => {
    const step = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key];
    if (!step) return;
    event.preventDefault();
    onPlace(within(step[0]! * STEP_M, step[1]! * STEP_M));
  };
  const [cx, cy] = [(plan.x + shown.x) * CELL, (plan.y + shown.y) * CELL];
  const toRight = shown.x < plan.width / 2;
  return (
    <g className={styles.service}>
      <circle
        {...bind()}
        cx={cx}
        cy={cy}
        r={7}
        tabIndex={0}
        role="button"
        aria-label={`${name}, ${shown.x.toFixed(1)} m across, ${shown.y.toFixed(1)} m along`}
        onKeyDown={onKey}
      >
        <title>{name}</title>
      </circle>
      {named && (
        <text x={cx + (toRight ? 11 : -11)} y={cy + 4} textAnchor={toRight ? 'start' : 'end'} aria-hidden="true">
          {name}
        </text>
      )}
    </g>
  );
}
