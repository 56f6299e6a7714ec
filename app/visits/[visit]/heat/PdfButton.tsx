'use client';

import { DownloadOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import type { ReactNode } from 'react';
import type { Paper } from '@core/report/papers';
import { usePdf } from '@ui/pdf/usePdf';
import { useUnits } from '@ui/units/UnitProvider';
import { useVisit } from '@ui/visit/VisitProvider';
import styles from './Heat.module.css';

/** Has one of the visit's papers made and downloads it; a second press cancels. */
export function PdfButton({ what, children }: { what: Exclude<Paper, 'report'>; children: ReactNode }) {
  const { document } = useVisit();
  const { unit } = useUnits();
  const pdf = usePdf();
  if (pdf.state.running)
    return (
      <Button onClick={pdf.cancel}>
        Making it: {pdf.state.done} of {pdf.state.total} · cancel
      </Button>
    );
  return (
    <>
      <Button
        icon={<DownloadOutlined />}
        onClick={() => void pdf.make(`/api/visits/${document.visitId}/report`, { unit, paper: what })}
      >
        {children}
      </Button>
      {pdf.state.problem && (
        <p role="alert" className={styles.problem}>
          {pdf.state.problem}
        </p>
      )}
    </>
  );
}
