'use client';

import { onDemand } from '@ui/lazy/onDemand';
import { CheckOutlined, ExperimentOutlined, EyeOutlined, PlusOutlined } from '@ant-design/icons';
import { Button, ConfigProvider, Dropdown } from 'antd';
import { QuickLink } from '@ui/link/QuickLink';
import { useMemo, useState } from 'react';
import { v7 as newId } from 'uuid';
import { findingTitles } from '@core/work/round/findingTitles';
import type { Place } from '@core/work/round/lookFor';
import type { Stop } from '@core/work/round/stops';
import { reportFinding } from '@core/paper/reportFinding';
import { type FindingBasis, STATE_WORDS } from '@core/model/findingBasis';
import { ROLE_WORDS } from '@core/model/exhibitRow';
import { EXPERIMENT_WORDS, EXPERIMENTS, type Experiment } from '@core/model/experiments';
import { findingsAt } from '@core/work/visit/findings';
import { emptyFinding, type FindingValue } from '@core/model/findingRow';
import { framesOf, photosOf } from '@core/work/visit/frames';
import type { Row } from '@core/model/entities';
import { denTheme } from '@ui/theme/themes';
import { useNow } from '@ui/time/useNow';
import { useUnits } from '@ui/units/UnitProvider';
import { usePixels, useVisit } from '@ui/visit/VisitProvider';
import styles from './StopFindings.module.css';

const RecordFinding = onDemand(() => import('@ui/finding/RecordFinding').then((m) => m.RecordFinding));

interface Props {
  stop: Stop;
  place: Place;
  /** Takes the second look of a finding that was closed; null where no picture can be taken now. */
  onLookAgain: ((finding: Row<'finding'>) => void) | null;
}

const now = () => Date.now();

/** What was found at a stop: recorded in one tap, closed, and looked at again. */
export function StopFindings({ stop, place, onLookAgain }: Props) {
  const { document, edit } = useVisit();
  const [asking, setAsking] = useState<readonly FindingBasis[] | null>(null);
  const frame = framesOf(document)
    .filter(({ value }) => value.stopKey === stop.key)
    .at(-1);
  const photo = photosOf(document)
    .filter(({ value }) => value.stopKey === stop.key)
    .at(-1);
  const start: Partial<FindingValue> = {
    stopKey: stop.key,
    frameId: frame?.id ?? null,
    photoId: photo?.id ?? null,
    complaintId: stop.part === 'complaint' ? stop.key.split(':')[0]! : null,
  };
  const record = (value: FindingValue) => edit(`Found: ${value.title}`, [{ entity: 'finding', rowId: newId(), value }]);
  const tryOut = (tried: Experiment) =>
    record(emptyFinding(document.visitId, { ...start, title: EXPERIMENT_WORDS[tried].words, tried, triedAt: now() }));
  const basis: FindingBasis = frame || !photo ? 'shape' : 'picture';
  return (
    <section className={styles.findings} aria-label="Findings at this stop">
      {findingsAt(document, stop.key).map((row) => (
        <One key={row.id} row={row} onLookAgain={onLookAgain} />
      ))}
      <div className={styles.titles} role="group" aria-label="Found here">
        {findingTitles(stop.part, place).map((title) => (
          <Button key={title} onClick={() => record(emptyFinding(document.visitId, { ...start, basis, title }))}>
            <PlusOutlined /> {title}
          </Button>
        ))}
        <Button onClick={() => setAsking([basis, 'typed', basis === 'shape' ? 'picture' : 'shape', 'nothing', 'unsolved'])}>
          <PlusOutlined /> Another finding …
        </Button>
        {frame && (
          <Dropdown
            trigger={['click']}
            menu={{
              items: EXPERIMENTS.map((key) => ({ key, label: EXPERIMENT_WORDS[key].words })),
              onClick: ({ key }) => tryOut(key as Experiment),
            }}
          >
            <Button icon={<ExperimentOutlined />}>Try something …</Button>
          </Dropdown>
        )}
      </div>
      {asking && (
        <ConfigProvider theme={denTheme}>
          <RecordFinding
            start={start}
            bases={asking}
            titles={findingTitles(stop.part, place)}
            onRecord={(value) => {
              record(value);
              setAsking(null);
            }}
            onClose={() => setAsking(null)}
          />
        </ConfigProvider>
      )}
    </section>
  );
}

function One({ row, onLookAgain }: { row: Row<'finding'>; onLookAgain: Props['onLookAgain'] }) {
  const { document, edit } = useVisit();
  const { unit } = useUnits();
  const pixels = usePixels(row.value.frameId);
  const said = useMemo(() => reportFinding(document, row, 1, pixels, unit), [document, row, pixels, unit]);
  const looks = said.exhibits.filter(({ role }) => role === 'after');
  const put = (change: Partial<FindingValue>, label: string) =>
    edit(label, [{ entity: 'finding', rowId: row.id, value: { ...row.value, ...change } }]);
  const { state } = row.value;
  return (
    <article className={styles.one} data-state={state} aria-label={row.value.title}>
      <div>
        <QuickLink href={`/visits/${document.visitId}/findings/${row.id}`}>{row.value.title}</QuickLink>
        <small>
          {[said.short, state === 'open' ? '' : STATE_WORDS[state].toLowerCase()].filter(Boolean).join(' · ')}
          {looks.map(({ id, change }) => (
            <span key={id}>{change ?? `${ROLE_WORDS.after}; what it changed shows where two regions are stated.`}</span>
          ))}
        </small>
      </div>
      {row.value.tried && <Wait tried={row.value.tried} since={row.value.triedAt} />}
      {onLookAgain && (state === 'closed' || row.value.tried) && (
        <Button type="primary" icon={<EyeOutlined />} onClick={() => onLookAgain(row)}>
          Look again
        </Button>
      )}
      {row.value.basis !== 'nothing' && !row.value.tried && (
        <Button
          icon={state === 'open' ? <CheckOutlined /> : null}
          onClick={() =>
            state === 'open'
              ? put({ state: 'closed' }, `Closed: ${row.value.title}`)
              : put({ state: 'open' }, `Open again: ${row.value.title}`)
          }
        >
          {state === 'open' ? 'Closed now' : 'Open again'}
        </Button>
      )}
    </article>
  );
}

const MINUTE = 60_000;

/** How long a surface needs to follow what was tried, and what makes the second look worth nothing. */
function Wait({ tried, since }: { tried: Experiment; since: number | null }) {
  const at = useNow(1000);
  const { waitMin, voidWhen } = EXPERIMENT_WORDS[tried];
  const left = since === null ? 0 : since + waitMin * MINUTE - at;
  const clock = `${Math.floor(left / MINUTE)}:${String(Math.floor((left % MINUTE) / 1000)).padStart(2, '0')}`;
  return (
    <p className={styles.wait}>
      <b role="timer">{left > 0 ? `Wait ${clock}` : 'Waited long enough'}</b> {voidWhen}
    </p>
  );
}
