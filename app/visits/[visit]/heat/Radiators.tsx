'use client';

import { Segmented } from 'antd';
import { QuickLink } from '@ui/link/QuickLink';
import { useState } from 'react';
import { EmitterCards } from './EmitterCards';
import { EmitterDesk } from './EmitterDesk';
import { Schematic } from './Schematic';
import { useEmitter, useHeat } from './useHeat';
import styles from './Heat.module.css';

/** All emitters of the house: what they show, what is known of them, and how they hang on the run. */
export function Radiators() {
  const { document, emitters } = useHeat();
  const [view, setView] = useState<'cards' | 'run'>('cards');
  const [chosenId, setChosen] = useState<string | null>(null);
  const chosen = useEmitter(chosenId ?? emitters[0]?.id ?? null);
  if (emitters.length === 0) return <NoEmitters visitId={document.visitId} />;
  return (
    <div className={styles.columns} data-first="main">
      <div className={styles.main}>
        <Segmented
          aria-label="How emitters are shown"
          value={view}
          options={[
            { value: 'cards', label: 'Faces' },
            { value: 'run', label: 'The run' },
          ]}
          onChange={setView}
        />
        {view === 'cards' ? (
          <EmitterCards chosen={chosen?.id ?? null} onChoose={setChosen} />
        ) : (
          <Schematic chosen={chosen?.id ?? null} onChoose={setChosen} />
        )}
      </div>
      <aside className={styles.side}>{chosen && <EmitterDesk key={chosen.id} emitter={chosen} />}</aside>
    </div>
  );
}

/** Emitters are services of the house: without one there is nothing to heat with. */
export function NoEmitters({ visitId }: { visitId: string }) {
  return (
    <div className={styles.main}>
      <div className={styles.card}>
        <h2>No emitter on the plan yet</h2>
        <p>Heating work begins with the radiators, rails and baseboards of the house, each where it stands.</p>
        <p>
          Put them on the plan: <QuickLink href={`/visits/${visitId}/round/house`}>House, services</QuickLink>. Or look at the
          demo’s Signal House, whose heating answers.
        </p>
      </div>
    </div>
  );
}
