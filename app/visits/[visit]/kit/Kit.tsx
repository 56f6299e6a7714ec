'use client';

import { DeleteOutlined, PlusOutlined } from '@ant-design/icons';
import { Button, Checkbox, Input } from 'antd';
import { useState } from 'react';
import { kitListOf, kitOf } from '@core/work/round/kit';
import { onlyRow } from '@core/work/visit/theVisit';
import { KINDS } from '@core/model/visitKinds';
import { PutBackList } from '@ui/round/PutBackList';
import { Later } from '@ui/shell/Later';
import { UndoButtons } from '@ui/shell/UndoButtons';
import { useVisit } from '@ui/visit/VisitProvider';
import { AirLog } from './AirLog';
import { CameraCard } from './CameraCard';
import styles from './Kit.module.css';

/** Before leaving and before coming home: what is packed, which camera, what must be put back. */
export function Kit() {
  const { document, edit } = useVisit();
  const kit = kitOf(document);
  const { kind } = onlyRow(document, 'intake').value;
  const { items } = kit.value;
  const [draft, setDraft] = useState('');
  const put = (label: string, next: typeof items) =>
    edit(label, [{ entity: 'kit', rowId: kit.id, value: { ...kit.value, items: next } }]);
  const list = kitListOf(document, kind);
  const missing = list.value.items.filter((name) => !items.some((item) => item.name === name));
  const names = items.map(({ name }) => name);
  const differs = JSON.stringify(names) !== JSON.stringify(list.value.items);
  const add = () => {
    const name = draft.trim().slice(0, 160);
    if (!name) return;
    put(`To the bag: ${name}`, [...items, { name, packed: false }]);
    setDraft('');
  };
  const packed = items.filter((item) => item.packed).length;
  return (
    <div className={styles.desk}>
      <div className={styles.head}>
        <h1>Kit</h1>
        <UndoButtons />
      </div>
      <div className={styles.columns}>
        <section className={styles.card}>
          <h2>
            In the bag for “{KINDS[kind].words.toLowerCase()}” · {packed} of {items.length}
          </h2>
          <ul className={styles.items}>
            {items.map((item, i) => (
              <li key={item.name}>
                <Checkbox
                  checked={item.packed}
                  onChange={(event) =>
                    put(
                      `${event.target.checked ? 'Packed' : 'Not packed'}: ${item.name}`,
                      items.map((one, n) => (n === i ? { ...one, packed: event.target.checked } : one)),
                    )
                  }
                >
                  {item.name}
                </Checkbox>
                <Button
                  type="text"
                  icon={<DeleteOutlined />}
                  aria-label={`Leave out ${item.name}`}
                  onClick={() =>
                    put(
                      `Left out: ${item.name}`,
                      items.filter((_, n) => n !== i),
                    )
                  }
                />
              </li>
            ))}
          </ul>
          <form
            className={styles.bar}
            onSubmit={(event) => {
              event.preventDefault();
              add();
            }}
          >
            <Input
              aria-label="Another thing"
              placeholder="Another thing"
              value={draft}
              maxLength={160}
              onChange={(event) => setDraft(event.target.value)}
            />
            <Button htmlType="submit" icon={<PlusOutlined />} disabled={!draft.trim()}>
              Add
            </Button>
          </form>
          {missing.length > 0 && (
            <Button onClick={() => put('What the visit needs', [...items, ...missing.map((name) => ({ name, packed: false }))])}>
              Add what this kind of visit needs ({missing.length})
            </Button>
          )}
          {differs && items.length > 0 && (
            <Button
              onClick={() =>
                edit(`List for “${KINDS[kind].words.toLowerCase()}”`, [
                  { entity: 'kitList', rowId: list.id, value: { kind, items: names } },
                ])
              }
            >
              Keep as the list for every “{KINDS[kind].words.toLowerCase()}” visit
            </Button>
          )}
        </section>
        <div className={styles.stack}>
          <CameraCard />
        </div>
      </div>
      <section className={styles.card} id="put-back">
        <h2>Put back</h2>
        <PutBackList />
      </section>
      <Later>
        <AirLog />
      </Later>
    </div>
  );
}
