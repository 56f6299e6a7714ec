'use client';

import { CheckOutlined, ContainerOutlined, EllipsisOutlined, RollbackOutlined } from '@ant-design/icons';
import { App, Button, ConfigProvider, Tooltip } from 'antd';
import { QuickLink } from '@ui/link/QuickLink';
import { usePathname } from 'next/navigation';
import { useMemo, useState, type ReactNode } from 'react';
import { framesOf } from '@core/work/visit/frames';
import { isPractice, PRACTICE_WORD } from '@core/work/visit/practice';
import { onlyRow, siteOf, visitDay, visitRow } from '@core/work/visit/theVisit';
import { holdsHeating } from '@core/work/heating/heatingOf';
import { allRead } from '@core/work/heating/tails';
import { kitOf } from '@core/work/round/kit';
import { openChanges, roundOf } from '@core/work/round/round';
import type { VisitDocument } from '@core/model/document';
import { denTheme, paperTheme } from '@ui/theme/themes';
import { useUnits } from '@ui/units/UnitProvider';
import { saveWords } from '@ui/store/saving';
import { useSaving, useVisit } from '@ui/visit/VisitProvider';
import { BrokenRows } from './BrokenRows';
import { ConditionsChip } from './ConditionsChip';
import { KeysHelp } from './KeysHelp';
import { DenMark } from './Mark';
import { Notices } from './Notices';
import { STAGES, type StagePath } from './stages';
import styles from './Shell.module.css';

/** The frame of every page of a visit: top strip, trail, the stage itself. */
export function Shell({ children }: { children: ReactNode }) {
  const { document } = useVisit();
  const pathname = usePathname();
  const [helpOpen, setHelpOpen] = useState(false);
  const units = useUnits();
  const now = STAGES.find((stage) => pathname.startsWith(`/visits/${document.visitId}/${stage.path}`)) ?? STAGES[0];
  const frames = framesOf(document).length;
  const done = useMemo(() => stagesDone(document), [document]);
  const waiting = openChanges(document).length;
  // Some work is not for every question: it stands behind "more" until it is asked for or holds something.
  const [more, setMore] = useState(false);
  const stages = STAGES.filter(({ path }) => more || path === now.path || isAsked(document, path));
  return (
    <div className={styles.page} data-theme={now.theme}>
      <ConfigProvider theme={denTheme}>
        <header className={styles.top}>
          <QuickLink href="/" className={styles.home} aria-label="All visits">
            <DenMark />
          </QuickLink>
          <div className={styles.visit}>
            <b>{siteOf(document).name}</b>
            <small>
              {visitRow(document).value.title} · {visitDay(document)} · {frames} {frames === 1 ? 'frame' : 'frames'}
              <SaveMark />
            </small>
          </div>
          {isPractice(document) && (
            <Tooltip title="A made-up house with invented weather: for learning. Nothing of it is evidence.">
              <span className={styles.practice}>{PRACTICE_WORD}</span>
            </Tooltip>
          )}
          <ConditionsChip />
          <Tooltip title="Show temperatures in °C or °F">
            <Button shape="round" onClick={units.toggle} aria-label={`Temperatures in °${units.unit}; change`}>
              °{units.unit}
            </Button>
          </Tooltip>
          <Button shape="round" onClick={() => setHelpOpen(true)} aria-label="Keys and help">
            ?
          </Button>
        </header>
        <nav className={styles.trail} aria-label="Stages of the work">
          <ol>
            {stages.map((stage, i) => (
              <li key={stage.path}>
                <TrailLink
                  path={stage.path}
                  name={stage.name}
                  number={i + 1}
                  current={stage === now}
                  done={done[stage.path]}
                  visitId={document.visitId}
                />
              </li>
            ))}
          </ol>
          {stages.length < STAGES.length && (
            <button type="button" className={styles.more} onClick={() => setMore(true)}>
              <EllipsisOutlined />
              More
            </button>
          )}
          <QuickLink href="/shelf" className={styles.shelf}>
            <ContainerOutlined />
            Shelf
          </QuickLink>
          {waiting > 0 && (
            <QuickLink
              href={`/visits/${document.visitId}/kit#put-back`}
              className={styles.waiting}
              aria-label={`Put back: ${waiting}`}
            >
              <RollbackOutlined />
              <b>{waiting}</b> to put back
            </QuickLink>
          )}
        </nav>
        <BrokenRows />
        <KeysHelp open={helpOpen} onOpen={setHelpOpen} />
      </ConfigProvider>
      <ConfigProvider theme={now.theme === 'den' ? denTheme : paperTheme}>
        <App component={false}>
          <div className={styles.right}>
            <Notices />
            <main className={styles.work}>{children}</main>
          </div>
        </App>
      </ConfigProvider>
    </div>
  );
}

function isAsked(document: VisitDocument, path: StagePath): boolean {
  switch (path) {
    case 'heat':
      return onlyRow(document, 'intake').value.kind === 'no-heat' || holdsHeating(document);
    case 'water':
      return onlyRow(document, 'intake').value.kind === 'damp' || Object.keys(document.rows.hunt).length > 0;
    case 'proof':
      return Object.keys(document.earlier).length > 0 || Object.keys(document.rows.pair).length > 0;
    default:
      return true;
  }
}

/** A stage is done when it has brought something forth; the round, when every stop is answered and all is put back. */
function stagesDone(document: VisitDocument): Record<StagePath, boolean> {
  const { complaints } = onlyRow(document, 'intake').value;
  const { coverage } = roundOf(document);
  return {
    question: complaints.length > 0 || visitRow(document).value.question !== '',
    hours: onlyRow(document, 'plan').value.slot !== null,
    kit: kitOf(document).value.items.every(({ packed }) => packed),
    round: coverage.stops > 0 && coverage.answered === coverage.stops && openChanges(document).length === 0,
    bench: framesOf(document).length > 0,
    findings: Object.keys(document.rows.finding).length > 0,
    water: Object.values(document.rows.hunt).some(({ value }) => value.found !== null),
    proof: Object.values(document.rows.pair).some(({ value }) => value.outcome !== null),
    heat: allRead(document) && openChanges(document).length === 0,
    report: false,
  };
}

function TrailLink({
  path,
  name,
  number,
  current,
  done,
  visitId,
}: {
  path: StagePath;
  name: string;
  number: number;
  current: boolean;
  done: boolean;
  visitId: string;
}) {
  return (
    <QuickLink
      href={`/visits/${visitId}/${path}`}
      className={styles.stage}
      aria-current={current ? 'page' : undefined}
      data-done={done}
    >
      <span className={styles.dot}>{done && !current ? <CheckOutlined aria-label="done" /> : number}</span>
      {name}
    </QuickLink>
  );
}

function SaveMark() {
  const saving = useSaving();
  return (
    <span className={styles.save} data-state={saving.state} role="status">
      {saveWords(saving)}
    </span>
  );
}
