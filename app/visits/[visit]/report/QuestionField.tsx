'use client';

import { Input } from 'antd';
import { useState } from 'react';
import { visitRow } from '@core/visit/derive';
import { visitValueSchema } from '@core/visit/rows';
import { useVisit } from '@ui/visit/VisitProvider';

/** The question that the report answers, to be edited where it stands. */
export function QuestionField() {
  const { document, edit } = useVisit();
  const row = visitRow(document);
  const [typed, setTyped] = useState(row.value.question);
  const checked = visitValueSchema.shape.question.safeParse(typed);
  return (
    <>
      <Input.TextArea
        aria-label="The question that this report answers"
        value={typed}
        placeholder="Why was the survey wanted?"
        autoSize={{ minRows: 1, maxRows: 6 }}
        variant="filled"
        status={checked.success ? '' : 'error'}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={() =>
          checked.success &&
          edit('Question changed', [{ entity: 'visit', rowId: row.id, value: { ...row.value, question: checked.data } }])
        }
      />
      {!checked.success && <em role="alert">The question {checked.error.issues[0]!.message}.</em>}
    </>
  );
}
