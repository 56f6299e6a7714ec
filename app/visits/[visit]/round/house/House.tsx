'use client';

import { ArrowLeftOutlined, PlusOutlined } from '@ant-design/icons';
import { Button, Input, Segmented } from 'antd';
import { QuickLink } from '@ui/link/QuickLink';
import { useState } from 'react';
import { overlap } from '@core/work/house/edit';
import { roundOf } from '@core/work/round/round';
import { UndoButtons } from '@ui/shell/UndoButtons';
import { useVisit } from '@ui/visit/VisitProvider';
import { FloorPlan } from './FloorPlan';
import { RoomPanel } from './RoomPanel';
import { SurfaceList } from './SurfaceList';
import { TemplatePicker } from './TemplatePicker';
import { useHouse } from './useHouse';
import styles from './House.module.css';

const OUTSIDE = 'outside';

/** The site's house: rooms on a plan, surfaces with what lies behind them. The round follows from it. */
export function House() {
  const { document } = useVisit();
  const house = useHouse();
  const { rooms, bare } = house;
  const [chosen, setChosen] = useState<string | null>(rooms[0]?.id ?? null);
  const [name, setName] = useState('');
  const current = rooms.find(({ id }) => id === chosen) ?? null;
  const storeys = [...new Set(rooms.map(({ value }) => value.storey))].sort((a, b) => b - a);
  const [storey, setStorey] = useState(0);
  const shown = storeys.includes(storey) ? storey : (storeys.at(-1) ?? 0);
  const clashes = rooms.some((a, i) => rooms.slice(i + 1).some((b) => overlap(a.value, b.value)));
  const add = () => {
    if (!name.trim()) return;
    setChosen(house.addRoom(name.trim(), shown));
    setName('');
  };
  const { stops } = roundOf(document).coverage;
  return (
    <div className={styles.house}>
      <header className={styles.head}>
        <QuickLink href={`/visits/${document.visitId}/round`}>
          <Button icon={<ArrowLeftOutlined />}>Round</Button>
        </QuickLink>
        <h1>House</h1>
        <span className={styles.quiet} data-testid="house-summary">
          {rooms.length} rooms, {house.surfaces.length} surfaces, {stops} stops
        </span>
        <span className={styles.space} />
        <UndoButtons />
      </header>
      {rooms.length === 0 && <TemplatePicker onChoose={house.applyTemplate} />}
      {bare.length > 0 && (
        <p className={styles.told} role="status">
          {bare.map(({ value }) => value.name).join(', ')}: no walls yet, so the round has only the usual stops of such rooms. Put
          them where they belong, then
          <Button type="primary" onClick={house.makeSurfaces}>
            Make surfaces from the plan
          </Button>
        </p>
      )}
      {clashes && (
        <p className={styles.told} role="status">
          Two rooms of one storey lie on each other. Drag them apart, so that walls know what lies behind them.
          <Button onClick={house.spread}>Lay them side by side</Button>
        </p>
      )}
      <div className={styles.columns}>
        <section className={styles.card}>
          <div className={styles.bar}>
            <h2>Plan</h2>
            {storeys.length > 1 && (
              <Segmented
                aria-label="Storey"
                value={shown}
                options={storeys.map((one) => ({ value: one, label: storeyWords(one) }))}
                onChange={setStorey}
              />
            )}
          </div>
          <FloorPlan
            rooms={rooms.filter(({ value }) => value.storey === shown)}
            services={house.services}
            chosen={chosen}
            frontAzimuth={house.frontAzimuth}
            onChoose={setChosen}
            onPlan={(row, plan) => house.putRoom(row, `Plan: ${row.value.name}`, { plan })}
            onService={(row, place) => house.putService(row, `Plan: ${row.value.name}`, place)}
          />
          <form
            className={styles.bar}
            onSubmit={(event) => {
              event.preventDefault();
              add();
            }}
          >
            <Input
              aria-label="Name of a new room"
              placeholder="Name of a new room"
              value={name}
              maxLength={120}
              onChange={(event) => setName(event.target.value)}
            />
            <Button htmlType="submit" icon={<PlusOutlined />} disabled={!name.trim()}>
              Add room
            </Button>
          </form>
          <h2>Order of the round</h2>
          <ol className={styles.order}>
            {rooms.map((row) => (
              <li key={row.id}>
                <button
                  type="button"
                  aria-current={row.id === chosen}
                  onClick={() => {
                    setChosen(row.id);
                    setStorey(row.value.storey);
                  }}
                >
                  {row.value.name}
                </button>
              </li>
            ))}
            {house.surfacesIn(null).length > 0 && (
              <li>
                <button type="button" aria-current={chosen === OUTSIDE} onClick={() => setChosen(OUTSIDE)}>
                  Outside
                </button>
              </li>
            )}
          </ol>
        </section>
        {current && <RoomPanel key={current.id} row={current} house={house} onGone={() => setChosen(null)} />}
        {chosen === OUTSIDE && (
          <section className={styles.card}>
            <h2>Outside</h2>
            <SurfaceList rows={house.surfacesIn(null)} roomId={null} house={house} />
          </section>
        )}
      </div>
    </div>
  );
}

function storeyWords(storey: number): string {
  return storey === 0 ? 'Ground' : storey < 0 ? (storey === -1 ? 'Cellar' : `Cellar ${-storey}`) : `Floor ${storey}`;
}
