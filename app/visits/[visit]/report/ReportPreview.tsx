'use client';

import { DownloadOutlined } from '@ant-design/icons';
import { Alert, Button, Progress } from 'antd';
import { sheetsOf } from '@core/paper/block';
import { blocksOf } from '@core/paper/blocks';
import { useReport } from '@ui/finding/useReport';
import { usePdf } from '@ui/pdf/usePdf';
import { Blocks } from '@ui/report/Blocks';
import { useUnits } from '@ui/units/UnitProvider';
import { useVisit, useVisitStore } from '@ui/visit/VisitProvider';
import { EditableField } from './EditableField';
import { useComputed } from './useComputed';
import { WorkProblem } from '../../../work/WorkProblem';
import styles from './ReportPreview.module.css';

/** The report as it will be, from the same blocks as the PDF. */
export function ReportPreview() {
  const { document } = useVisit();
  const { unit } = useUnits();
  const { computed, earlier, failed, again, sought } = useComputed();
  const { report, values } = useReport(computed, earlier);
  const { idle } = useVisitStore();
  const pdf = usePdf();
  // What was changed last has to be stored before it is printed.
  const make = async () => {
    await idle();
    await pdf.make(`/api/visits/${document.visitId}/report`, { unit });
  };
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
          <Button type="primary" icon={<DownloadOutlined />} onClick={() => void make()}>
            Download PDF
          </Button>
        )}
      </div>
      {pdf.state.problem && <Alert type="error" message={pdf.state.problem} />}
      {failed > 0 && (
        <Alert
          type="warning"
          showIcon
          title={`${failed === 1 ? 'One proof' : `${failed} proofs`} could not be computed and ${failed === 1 ? 'is' : 'are'} missing below.`}
          action={
            <Button size="small" onClick={again}>
              Try again
            </Button>
          }
        />
      )}
      {sought.state === 'failed' && <WorkProblem work={sought} what="The leak’s series" />}
      {sheetsOf(blocksOf(report)).map((blocks, i) => (
        <article key={i} className={styles.sheet}>
          <Blocks blocks={blocks} values={values} editable={(block) => <EditableField block={block} />} />
        </article>
      ))}
    </div>
  );
}
