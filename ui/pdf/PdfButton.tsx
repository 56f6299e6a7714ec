'use client';

import { DownloadOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import type { ReactNode } from 'react';
import type { Paper } from '@core/paper/papers';
import { useUnits } from '@ui/units/UnitProvider';
import { useVisit, useVisitStore } from '@ui/visit/VisitProvider';
import { usePdf } from './usePdf';
import styles from './PdfButton.module.css';

/** Has one of the visit's papers made and downloads it; a second press cancels. */
export function PdfButton({ what, children }: { what: Exclude<Paper, 'report'>; children: ReactNode }) {
  const { document } = useVisit();
  const { unit } = useUnits();
  const { idle } = useVisitStore();
  const pdf = usePdf();
  // What was changed last has to be stored before it is printed.
  const make = async () => {
    await idle();
    await pdf.make(`/api/visits/${document.visitId}/report`, { unit, paper: what });
  };
  if (pdf.state.running)
    return (
      <Button onClick={pdf.cancel}>
        Making it: {pdf.state.done} of {pdf.state.total} · cancel
      </Button>
    );
  return (
    <>
      <Button icon={<DownloadOutlined />} onClick={() => void make()}>
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
