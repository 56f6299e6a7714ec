'use client';

import { PlusOutlined } from '@ant-design/icons';
import { Button, ConfigProvider } from 'antd';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { localDay } from '@core/units/localTime';
import { DenMark } from '@ui/shell/Mark';
import { paperTheme } from '@ui/theme/themes';
import { NewVisitDialog } from './NewVisitDialog';
import styles from './VisitList.module.css';

interface VisitLine {
  id: string;
  title: string;
  siteName: string;
  address: string;
  timeZone: string;
  startedAt: string;
  frames: number;
  findings: number;
}

/** All visits, and the way to a new one. */
export function VisitList({ visits }: { visits: VisitLine[] }) {
  const router = useRouter();
  const [creating, setCreating] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const [making, setMaking] = useState(false);
  const makeDemo = async () => {
    setMaking(true);
    const response = await fetch('/api/demo', { method: 'POST' });
    const answer = (await response.json()) as { visitId?: string; error?: { message: string } };
    setMaking(false);
    if (answer.visitId) router.push(`/visits/${answer.visitId}/bench`);
    else setProblem(answer.error?.message ?? 'The demo could not be made.');
  };
  return (
    <ConfigProvider theme={paperTheme}>
      <div className={styles.page} data-theme="paper">
        <header className={styles.top}>
          <DenMark size={34} />
          <b>Glow Den</b>
          <span>Reading, comparing and reporting infrared frames of buildings</span>
        </header>
        <main className={styles.main}>
          <div className={styles.head}>
            <h1>Visits</h1>
            <Button type="primary" icon={<PlusOutlined />} onClick={() => setCreating(true)}>
              New visit
            </Button>
          </div>
          {visits.length === 0 && (
            <section className={styles.empty}>
              <h2>A visit holds one survey of one home</h2>
              <p>
                Its frames and photos, the conditions they were taken in, what was found and the report. Begin your own, or look
                around in a made-up one first.
              </p>
              <div className={styles.acts}>
                <Button type="primary" onClick={() => setCreating(true)}>
                  Begin a visit
                </Button>
                <Button loading={making} onClick={() => void makeDemo()}>
                  Make the demo visit
                </Button>
              </div>
              {problem && <p role="alert">{problem}</p>}
            </section>
          )}
          <ul className={styles.list}>
            {visits.map((visit) => (
              <li key={visit.id}>
                <Link href={`/visits/${visit.id}/bench`} className={styles.visit}>
                  <span>
                    <b>{visit.siteName}</b>
                    <small>{visit.address}</small>
                  </span>
                  <span>
                    {visit.title}
                    <small>{localDay(visit.startedAt, visit.timeZone)}</small>
                  </span>
                  <span className={styles.counts}>
                    {visit.frames} {visit.frames === 1 ? 'frame' : 'frames'}
                    <small>
                      {visit.findings} {visit.findings === 1 ? 'finding' : 'findings'}
                    </small>
                  </span>
                </Link>
              </li>
            ))}
          </ul>
        </main>
        {creating && <NewVisitDialog onClose={() => setCreating(false)} onCreated={(id) => router.push(`/visits/${id}/bench`)} />}
      </div>
    </ConfigProvider>
  );
}
