'use client';

import { PlusOutlined, WarningOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { v7 as newId } from 'uuid';
import type { BoilerCardValue } from '@core/model/boilerCardRow';
import { BoilerCard } from './BoilerCard';
import { newRate } from './BoilerRates';
import { useHeat } from './useHeat';
import styles from './Heat.module.css';

/** Cards of boilers, for the licensed: the maker's limits, the readings, and how they compare. */
export function Boiler() {
  const { document, edit, now } = useHeat();
  const cards = Object.values(document.rows.boilerCard).sort((a, b) => (a.id < b.id ? -1 : 1));
  const add = () => {
    const value: BoilerCardValue = {
      visitId: document.visitId,
      boiler: 'Boiler',
      fuel: null,
      by: '',
      licence: '',
      testedAt: now(),
      states: [],
      rates: [newRate('High fire')],
      parts: [],
    };
    edit('Boiler card', [{ entity: 'boilerCard', rowId: newId(), value }]);
  };
  return (
    <div className={styles.single}>
      <div className={styles.main}>
        <p className={styles.caution} role="note">
          <WarningOutlined />
          <span>
            <b>For licensed people only.</b> Burner, gas and flue are opened by nobody else, and nothing here tells anyone to.
            Carbon monoxide has no smell: an alarm stands where the boiler is. Headache or an alarm: off, out, air, call.
          </span>
        </p>
        {cards.map((row) => (
          <BoilerCard key={row.id} row={row} />
        ))}
        <div className={styles.row}>
          <Button type={cards.length === 0 ? 'primary' : 'default'} icon={<PlusOutlined />} onClick={add}>
            {cards.length === 0 ? 'Begin a card' : 'Another boiler'}
          </Button>
        </div>
      </div>
    </div>
  );
}
