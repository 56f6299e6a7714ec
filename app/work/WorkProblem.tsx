'use client';

import { Alert, Button } from 'antd';
import type { Work } from './useWork';

/** Says that something could not be computed, and offers to try again; nothing while it is under way or done. */
export function WorkProblem({ work, what }: { work: Work<unknown>; what: string }) {
  if (work.state !== 'failed') return null;
  return (
    <Alert
      type="warning"
      showIcon
      title={`${what}: ${work.error.message.replace(/^./, (first) => first.toLowerCase())}`}
      description={work.error.hint}
      action={
        <Button size="small" onClick={work.again}>
          Try again
        </Button>
      }
    />
  );
}
