'use client';

import { visitRow } from '@core/visit/theVisit';
import { visitValueSchema } from '@core/visit/visitRow';
import { CommitText } from '@ui/form/CommitText';
import { useVisit } from '@ui/visit/VisitProvider';

/** The question that the report answers, to be edited where it stands. */
export function QuestionField() {
  const { document, edit } = useVisit();
  const row = visitRow(document);
  return (
    <CommitText
      label="The question that this report answers"
      value={row.value.question}
      schema={visitValueSchema.shape.question}
      placeholder="Why was the survey wanted?"
      rows={1}
      filled
      onCommit={(question) => edit('Question changed', [{ entity: 'visit', rowId: row.id, value: { ...row.value, question } }])}
    />
  );
}
