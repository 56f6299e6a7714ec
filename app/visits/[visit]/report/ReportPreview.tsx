'use client';

import { DownloadOutlined } from '@ant-design/icons';
import { Alert, Button, Progress } from 'antd';
import type { Fact } from '@core/report/fact';
import type { ReportFinding } from '@core/report/model';
import { FigureView } from '@ui/finding/FigureView';
import { useReport } from '@ui/finding/useReport';
import { usePdf } from '@ui/pdf/usePdf';
import { useUnits } from '@ui/units/UnitProvider';
import { useVisit } from '@ui/visit/VisitProvider';
import { QuestionField } from './QuestionField';
import styles from './ReportPreview.module.css';

/** The report as it will be, from the same words and numbers as the PDF. */
export function ReportPreview() {
  const { document } = useVisit();
  const { unit } = useUnits();
  const { report, values } = useReport();
  const pdf = usePdf();
  return (
    <div className={styles.desk}>
      <div className={styles.bar}>
        <h1>Report</h1>
        {pdf.state.running ? (
          <div className={styles.progress} role="status">
            <span>
              Making the PDF: {pdf.state.done} of {pdf.state.total}
            </span>
            <Progress percent={Math.round((100 * pdf.state.done) / pdf.state.total)} size="small" showInfo={false} />
            <Button onClick={pdf.cancel}>Cancel</Button>
          </div>
        ) : (
          <Button
            type="primary"
            icon={<DownloadOutlined />}
            onClick={() => void pdf.make(`/api/visits/${document.visitId}/report`, { unit })}
          >
            Download PDF
          </Button>
        )}
      </div>
      {pdf.state.problem && <Alert type="error" message={pdf.state.problem} />}
      <article className={styles.sheet}>
        <h2 className={styles.title}>{report.site}</h2>
        <p className={styles.quiet}>{[report.address, report.visit, report.day].filter(Boolean).join(' · ')}</p>
        <h3>The question</h3>
        <p>{report.wanted}</p>
        <QuestionField />
        <h3>In short</h3>
        <p>{report.answer}</p>
        {report.complaints.length > 0 && <Facts facts={report.complaints} />}
        <ol className={styles.summary}>
          {report.findings.map((finding) => (
            <li key={finding.id}>
              <span>
                <b>{finding.title}</b>
                <small>{finding.place}</small>
              </span>
              <b>{finding.stated ? `${finding.stated.difference.value} ${finding.stated.difference.plusMinus}` : 'no reading'}</b>
            </li>
          ))}
        </ol>
        {report.history.length > 0 && (
          <>
            <h3>What was done to the house</h3>
            <Facts facts={report.history} />
          </>
        )}
        <h3>Conditions: {report.verdict}</h3>
        <Facts facts={[...report.conditions, { label: 'Camera', value: report.camera }]} />
      </article>
      {report.findings.map((finding) => (
        <FindingPage key={finding.id} finding={finding} values={values} />
      ))}
      {report.evidence.length > 0 && (
        <article className={styles.sheet}>
          <h2 className={styles.title}>Pictures without data</h2>
          {report.evidence.map(({ photoId, name, facts }) => (
            <section key={photoId}>
              <h3>{name}</h3>
              <p className={styles.quiet}>A picture without data: nothing was measured on it.</p>
              <div className={styles.pair}>
                <img src={`/api/photos/${photoId}/file`} alt={`Picture without data ${name}`} />
                <Facts facts={facts} />
              </div>
            </section>
          ))}
        </article>
      )}
      <article className={styles.sheet}>
        <h2 className={styles.title}>What was looked at</h2>
        <Facts facts={report.coverage} />
        <h3>Limits of the method</h3>
        {report.limits.map((limit) => (
          <p key={limit}>{limit}</p>
        ))}
      </article>
    </div>
  );
}

function Facts({ facts }: { facts: Fact[] }) {
  return (
    <dl className={styles.facts}>
      {facts.map(({ label, value }) => (
        <div key={label}>
          <dt>{label}</dt>
          <dd>{value}</dd>
        </div>
      ))}
    </dl>
  );
}

function FindingPage({ finding, values }: { finding: ReportFinding; values(frameId: string): Float32Array | undefined }) {
  const { document } = useVisit();
  const { stated } = finding;
  const pixels = values(document.rows.finding[finding.id]!.value.frameId);
  return (
    <article className={styles.sheet}>
      <p className={styles.quiet}>
        Finding {finding.number} · {finding.place} · {finding.takenAt}
      </p>
      <h2 className={styles.title}>{finding.title}</h2>
      {stated && pixels ? (
        <>
          <div className={styles.pair}>
            <FigureView figure={stated.figure} values={pixels} label={`Thermal frame: ${stated.difference.words}`} />
            {finding.photoId ? (
              <img src={`/api/photos/${finding.photoId}/file`} alt="Photo of the same place" />
            ) : (
              <p className={styles.quiet}>No photo.</p>
            )}
          </div>
          <div className={styles.stated} data-sign={stated.difference.sign}>
            <span className={styles.quiet}>{stated.heading}</span>
            <b>
              {stated.difference.value} {stated.difference.plusMinus}
            </b>
            <span>{stated.difference.words}</span>
            {stated.across && <span className={styles.quiet}>{stated.across}</span>}
          </div>
          <Facts
            facts={[stated.this, stated.that].map((region, i) => ({
              label: `${i === 1 ? '◆ ' : ''}${region.name}`,
              value: `${region.mean} ${region.plusMinus} · ${region.range} · ${region.pixels} pixels`,
            }))}
          />
          {stated.moisture.length > 0 && (
            <>
              <h3>Moisture at {stated.this.name}</h3>
              <Facts facts={stated.moisture} />
            </>
          )}
        </>
      ) : (
        <p role="status">{finding.problem}</p>
      )}
      {finding.note !== '' && (
        <>
          <h3>Note</h3>
          <p className={styles.note}>{finding.note}</p>
        </>
      )}
      <h3>Settings</h3>
      <Facts facts={finding.settings} />
    </article>
  );
}
