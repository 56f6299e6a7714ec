'use client';

import { ContainerOutlined } from '@ant-design/icons';
import { usePathname } from 'next/navigation';
import { localDay } from '@core/ground/localTime';
import { PRACTICE_WORD } from '@core/work/visit/practice';
import { QuickLink } from '@ui/link/QuickLink';
import { useUnits } from '@ui/units/UnitProvider';
import { DenMark } from './Mark';
import { STAGES } from './stages';
import styles from './Shell.module.css';
import own from './Frame.module.css';

/** What can be said of a visit before its rows are there. */
export interface VisitBrief {
  id: string;
  site: string;
  title: string;
  startedAt: number;
  timeZone: string;
  frames: number;
  practice: boolean;
  insideC: number | null;
  outsideC: number | null;
}

/** Stages that stand behind "more" until they are asked for, which only the rows tell. */
const ASKED_FOR = new Set(['heat', 'water', 'proof']);

/** The frame of a visit's page with what is known of it at once: what is shown until the page is there. */
export function VisitFrame({ visit }: { visit: VisitBrief }) {
  const pathname = usePathname();
  const now = STAGES.find(({ path }) => pathname.startsWith(`/visits/${visit.id}/${path}`)) ?? STAGES[0];
  const stages = STAGES.filter(({ path }) => path === now.path || !ASKED_FOR.has(path));
  return (
    <div className={styles.page} data-theme={now.theme}>
      <header className={styles.top}>
        <QuickLink href="/" className={styles.home!} aria-label="All visits">
          <DenMark />
        </QuickLink>
        <div className={styles.visit}>
          <b>{visit.site}</b>
          <small>
            {visit.title} · {localDay(visit.startedAt, visit.timeZone)} · {visit.frames} {visit.frames === 1 ? 'frame' : 'frames'}
          </small>
        </div>
        {visit.practice && <span className={styles.practice}>{PRACTICE_WORD}</span>}
        <p className={own.air}>
          <Air name="Inside" celsius={visit.insideC} /> <Air name="Outside" celsius={visit.outsideC} />
        </p>
      </header>
      <nav className={styles.trail} aria-label="Stages of the work">
        <ol>
          {stages.map(({ path, name }, i) => (
            <li key={path}>
              <QuickLink
                href={`/visits/${visit.id}/${path}`}
                className={styles.stage!}
                aria-current={path === now.path ? 'page' : undefined}
              >
                <span className={styles.dot}>{i + 1}</span>
                {name}
              </QuickLink>
            </li>
          ))}
        </ol>
        <QuickLink href="/shelf" className={styles.shelf!}>
          <ContainerOutlined />
          Shelf
        </QuickLink>
      </nav>
      <div className={styles.right}>
        <main className={styles.work}>
          <p className={own.opening} role="status">
            <b>{now.name}</b> Opening …
          </p>
        </main>
      </div>
    </div>
  );
}

function Air({ name, celsius }: { name: string; celsius: number | null }) {
  const units = useUnits();
  return (
    <span>
      {name} <b>{celsius === null ? '—' : units.temperature(celsius)}</b>
    </span>
  );
}
