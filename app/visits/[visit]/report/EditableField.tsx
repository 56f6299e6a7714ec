'use client';

import { Button } from 'antd';
import type { Block } from '@core/paper/block';
import { intakeValueSchema } from '@core/model/intakeRow';
import { onlyRow, visitRow } from '@core/work/visit/theVisit';
import { visitValueSchema } from '@core/model/visitRow';
import { CommitText } from '@ui/form/CommitText';
import { useVisit } from '@ui/visit/VisitProvider';
import styles from './ReportPreview.module.css';

type Editable = Extract<Block, { kind: 'editable' }>;

const SCHEMAS = {
  question: visitValueSchema.shape.question,
  answer: visitValueSchema.shape.answer,
  complaint: intakeValueSchema.shape.complaints.element.shape.answer,
};

/** Words of the report, to be changed where they stand; without a change they follow what is found. */
export function EditableField({ block: { edits, label, text, proposed } }: { block: Editable }) {
  const { document, edit } = useVisit();
  const visit = visitRow(document);
  const intake = onlyRow(document, 'intake');
  const put = (words: string) => {
    // What is proposed is not kept: it goes on following the findings.
    const kept = words === proposed ? '' : words;
    switch (edits.of) {
      case 'question':
        return edit('Question changed', [{ entity: 'visit', rowId: visit.id, value: { ...visit.value, question: words } }]);
      case 'answer':
        return edit('Answer changed', [{ entity: 'visit', rowId: visit.id, value: { ...visit.value, answer: kept } }]);
      case 'complaint': {
        const complaints = intake.value.complaints.map((one) => (one.id === edits.id ? { ...one, answer: kept } : one));
        return edit('Answer changed', [{ entity: 'intake', rowId: intake.id, value: { ...intake.value, complaints } }]);
      }
    }
  };
  return (
    <div className={styles.editable}>
      {edits.of === 'complaint' && <span>{label}</span>}
      <div>
        <CommitText
          label={label}
          value={text}
          schema={SCHEMAS[edits.of]}
          placeholder={edits.of === 'question' ? 'Why was the survey wanted?' : ''}
          rows={1}
          filled
          onCommit={put}
        />
        {edits.of !== 'question' && text !== proposed && (
          <Button onClick={() => put(proposed)} aria-label={`As proposed: ${label}`}>
            As proposed
          </Button>
        )}
      </div>
    </div>
  );
}
