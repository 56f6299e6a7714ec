import { Button } from 'antd';
import styles from './NumberField.module.css';

/** Beside a field that nobody filled in: what is taken for it, and one tap that makes it said. */
export function AssumedTap({
  field,
  words,
  how = 'assumed · ',
  onSay,
}: {
  field: string;
  /** The usual value. */
  words: string;
  /** Said before it, where that does not stand there already. */
  how?: string;
  onSay(): void;
}) {
  return (
    <span className={styles.assumed}>
      {how}
      <Button type="link" size="small" aria-label={`${field}: yes, ${words}`} onClick={onSay}>
        Yes, {words}
      </Button>
    </span>
  );
}
