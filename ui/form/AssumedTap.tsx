import { Button } from 'antd';
import styles from './NumberField.module.css';

/** Beside a field that nobody filled in: what is taken for it, and one tap that makes it said. */
export function AssumedTap({ field, words, onSay }: { field: string; words: string; onSay(): void }) {
  return (
    <span className={styles.assumed}>
      assumed ·{' '}
      <Button type="link" size="small" aria-label={`${field}: yes, ${words}`} onClick={onSay}>
        Yes, {words}
      </Button>
    </span>
  );
}
