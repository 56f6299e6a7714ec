'use client';

import {
  DndContext,
  KeyboardSensor,
  MouseSensor,
  TouchSensor,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
  type DragEndEvent,
} from '@dnd-kit/core';
import { Button } from 'antd';
import { inOrder, type Emitter } from '@core/work/heating/emitters';
import { warmingOrder } from '@core/work/heating/warmingOrder';
import { useHeat, useHeatNow } from './useHeat';
import heat from './Heat.module.css';
import styles from './Schematic.module.css';

const storeyName = (storey: number) => (storey === 0 ? 'Ground floor' : storey < 0 ? `Cellar ${storey}` : `Storey ${storey}`);

/** The run as it hangs together: storeys above each other, emitters in their order from the source; dragging changes the order. */
export function Schematic({ chosen, onChoose }: { chosen: string | null; onChoose(id: string): void }) {
  const { document, emitters, edit } = useHeat();
  const now = useHeatNow();
  const { order, minutes } = warmingOrder(document, now);
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 5 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 150, tolerance: 8 } }),
    useSensor(KeyboardSensor),
  );
  const ids = emitters.map(({ id }) => id);
  const put = (label: string, next: readonly string[]) =>
    edit(
      label,
      inOrder(document, next).map((one) => ({ entity: 'emitter' as const, ...one })),
    );
  const onEnd = ({ active, over }: DragEndEvent) => {
    if (!over || active.id === over.id) return;
    const rest = ids.filter((id) => id !== active.id);
    rest.splice(ids.indexOf(String(over.id)), 0, String(active.id));
    put('Order of the run', rest);
  };
  const byWarming = [...order, ...ids.filter((id) => !order.includes(id))];
  const storeys = [...new Set(emitters.map(({ storey }) => storey))].sort((a, b) => b - a);
  return (
    <DndContext sensors={sensors} onDragEnd={onEnd}>
      <div className={styles.run}>
        {storeys.map((storey) => (
          <div key={storey} className={styles.storey}>
            <span className={heat.quiet}>{storeyName(storey)}</span>
            <div className={styles.line}>
              {emitters
                .map((emitter, k) => ({ emitter, place: k + 1 }))
                .filter(({ emitter }) => emitter.storey === storey)
                .map(({ emitter, place }) => (
                  <Place
                    key={emitter.id}
                    emitter={emitter}
                    place={place}
                    minutes={minutes.get(emitter.id) ?? null}
                    chosen={emitter.id === chosen}
                    onChoose={onChoose}
                  />
                ))}
            </div>
          </div>
        ))}
        <div className={styles.source}>Source and pump</div>
      </div>
      <p className={heat.quiet}>
        Numbers count from the source by pipe. Drag an emitter onto another to take its place; with keys: space, arrows, space.
      </p>
      {order.length > 1 && byWarming.join() !== ids.join() && (
        <Button onClick={() => put('Order of warming taken', byWarming)}>Take the order of warming</Button>
      )}
    </DndContext>
  );
}

function Place({
  emitter,
  place,
  minutes,
  chosen,
  onChoose,
}: {
  emitter: Emitter;
  place: number;
  minutes: number | null;
  chosen: boolean;
  onChoose(id: string): void;
}) {
  const { attributes, listeners, setNodeRef, transform, isDragging } = useDraggable({ id: emitter.id });
  const { setNodeRef: setSlotRef, isOver } = useDroppable({ id: emitter.id });
  const { x, y } = transform ?? { x: 0, y: 0 };
  return (
    <div ref={setSlotRef} className={styles.slot} data-over={isOver && !isDragging}>
      <button
        ref={setNodeRef}
        type="button"
        className={styles.place}
        style={{ transform: `translate(${x}px, ${y}px)` }}
        data-dragging={isDragging}
        {...listeners}
        {...attributes}
        aria-pressed={chosen}
        onClick={() => onChoose(emitter.id)}
      >
        <b>{place}</b>
        <span>{emitter.name}</span>
        {minutes !== null && <small>warm after {minutes.toFixed(0)} min</small>}
      </button>
    </div>
  );
}
