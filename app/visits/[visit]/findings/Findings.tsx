'use client';

import { Button } from 'antd';
import { QuickLink } from '@ui/link/QuickLink';
import { usePathname } from 'next/navigation';
import { useVisit } from '@ui/visit/VisitProvider';
import { Later } from '@ui/shell/Later';
import { useReport } from '@ui/finding/useReport';
import { AddFinding } from './AddFinding';
import { FindingSheet } from './FindingSheet';
import styles from './Findings.module.css';

/** All findings of the visit, and the one that is open. */
export function Findings() {
  const { document } = useVisit();
  const { report, values } = useReport();
  const base = `/visits/${document.visitId}/findings`;
  const asked = usePathname().slice(base.length + 1);
  const open = report.findings.find(({ id }) => id === asked) ?? report.findings[0];

  if (!open) {
    return (
      <div className={styles.empty}>
        <h1>Findings</h1>
        <p>
          What is worth stating stands here: this against that, with its ±, a photo and a note. On the bench, mark sound wall as
          the reference, choose the suspect and record a finding.
        </p>
        <div className={styles.acts}>
          <QuickLink href={`/visits/${document.visitId}/bench`}>
            <Button type="primary">Go to the bench</Button>
          </QuickLink>
          <QuickLink href={`${base}/candidates`}>
            <Button>What deserves a look</Button>
          </QuickLink>
          <AddFinding />
        </div>
      </div>
    );
  }
  return (
    <div className={styles.page}>
      <nav className={styles.list} aria-label="Findings of this visit">
        <div className={styles.head}>
          <h1>
            Findings <small>{report.findings.length}</small>
          </h1>
          <AddFinding />
        </div>
        <QuickLink className={styles.through} href={`${base}/candidates`}>
          What deserves a look in all frames
        </QuickLink>
        <ol>
          {report.findings.map((finding) => (
            <li key={finding.id}>
              <button
                type="button"
                className={styles.item}
                aria-current={finding.id === open.id}
                onClick={() => window.history.replaceState(null, '', `${base}/${finding.id}`)}
              >
                <span className={styles.number}>{finding.number}</span>
                <span>
                  <b>{finding.title}</b>
                  <small>{[finding.place, finding.likeliest].filter(Boolean).join(' · ')}</small>
                </span>
                <span className={styles.value} data-sign={finding.stated?.difference.sign}>
                  {finding.stated ? finding.stated.difference.value : finding.short}
                  {finding.repeat !== '' && ' · to repeat'}
                </span>
              </button>
            </li>
          ))}
        </ol>
      </nav>
      <Later>
        <FindingSheet key={open.id} finding={open} values={values} />
      </Later>
    </div>
  );
}
