'use client';

import { onDemand } from '@ui/lazy/onDemand';
import { PlusOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { QuickLink } from '@ui/link/QuickLink';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { localDay } from '@core/ground/localTime';
import type { Row } from '@core/model/entities';
import { Desk } from '@ui/shell/Desk';
import styles from './LoanList.module.css';

const NewLoanDialog = onDemand(() => import('./NewLoanDialog').then((m) => m.NewLoanDialog));

/** Weeks in which one camera is shared among homes. */
export function LoanList({ loans, sites }: { loans: Row<'loan'>[]; sites: Row<'site'>[] }) {
  const router = useRouter();
  const [making, setMaking] = useState(false);
  const day = (time: number, zone: string) => localDay(time, zone);
  return (
    <Desk here="/loans">
      <div className={styles.head}>
        <h1>One camera, many homes</h1>
        <Button type="primary" icon={<PlusOutlined />} disabled={sites.length === 0} onClick={() => setMaking(true)}>
          New loan
        </Button>
      </div>
      {loans.length === 0 && (
        <p className={styles.quiet}>
          A loan is some days with one camera. Say which homes wait and when somebody is in; Glow Den finds who has it when, by
          the hours in which each home can be read.
          {sites.length === 0 && ' It needs sites first: make one under Sites and visits.'}
        </p>
      )}
      <ul className={styles.list}>
        {loans.map(({ id, value }) => (
          <li key={id}>
            <QuickLink href={`/loans/${id}`}>
              <b>{value.name}</b>
              <span>
                {day(value.from, value.timeZone)} to {day(value.to, value.timeZone)}
              </span>
            </QuickLink>
          </li>
        ))}
      </ul>
      {making && <NewLoanDialog sites={sites} onClose={() => setMaking(false)} onMade={(id) => router.push(`/loans/${id}`)} />}
    </Desk>
  );
}
