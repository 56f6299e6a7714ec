import { Alert, Button } from 'antd';
import styles from './StageFailed.module.css';

/** Says that something could not be drawn, and what is safe. */
export function StageFailed({ problem, onAgain }: { problem: string; onAgain(): void }) {
  return (
    <div className={styles.failed}>
      <Alert
        type="error"
        showIcon
        title="This could not be shown"
        description={
          <>
            <p>Everything that you did is kept, undo goes on working, and the other stages are open.</p>
            <p className={styles.problem}>{problem}</p>
          </>
        }
        action={
          <Button type="primary" onClick={onAgain}>
            Try again
          </Button>
        }
      />
    </div>
  );
}
