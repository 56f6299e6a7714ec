'use client';

import { SettingOutlined } from '@ant-design/icons';
import { Button, InputNumber, Popover } from 'antd';
import { onlyRow } from '@core/work/visit/theVisit';
import { USUAL_TIME_CONSTANTS, WALL_WORDS, WALLS } from '@core/method/weather/wallMemory';
import { hoursOfMemory } from '@core/method/weather/wallResponse';
import { timeConstantsSchema } from '@core/method/weather/plan';
import { useVisit } from '@ui/visit/VisitProvider';
import styles from './WallMemory.module.css';

/** How long walls keep the sun: common practice, to be changed where one knows better. */
export function WallMemory() {
  const { document, edit } = useVisit();
  const row = onlyRow(document, 'plan');
  const constants = row.value.timeConstantsH;
  const put = (timeConstantsH: typeof constants) => {
    if (timeConstantsSchema.safeParse(timeConstantsH).success)
      edit('Memory of walls', [{ entity: 'plan', rowId: row.id, value: { ...row.value, timeConstantsH } }]);
  };
  return (
    <Popover
      trigger="click"
      title="How long walls keep the sun"
      content={
        <div className={styles.form}>
          {WALLS.map((wall) => (
            <label key={wall}>
              <span>{WALL_WORDS[wall]}</span>
              <InputNumber
                value={constants[wall]}
                min={0.1}
                max={48}
                step={0.1}
                suffix="h"
                onChange={(value) => value !== null && put({ ...constants, [wall]: value })}
              />
              <small>about {hoursOfMemory(wall, constants[wall] / USUAL_TIME_CONSTANTS[wall])} h after full sun</small>
            </label>
          ))}
          <p>
            Time constant: hours in which what the sun left falls to a third in ordinary wind. Beside it: after a sunny day and on
            a still evening, until less than 1 K is left. The same memory holds for a change of the air.
          </p>
          <Button size="small" onClick={() => put(USUAL_TIME_CONSTANTS)}>
            Usual values
          </Button>
        </div>
      }
    >
      <Button icon={<SettingOutlined />} aria-label="How long walls keep the sun" title="How long walls keep the sun" />
    </Popover>
  );
}
