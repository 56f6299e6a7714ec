'use client';

import { Button } from 'antd';
import styles from './NotHere.module.css';

/** Something of ours broke while a page was made. What was saved stays saved. */
export default function PageError({ reset }: { error: Error; reset(): void }) {
  return (
    <main className={styles.main} data-theme="paper">
      <section className={styles.empty} role="alert">
        <h1>This page could not be shown</h1>
        <p>What was saved is safe. Try again; if it happens again, restart Glow Den and look into .den/app.log.</p>
        <div>
          <Button type="primary" onClick={reset}>
            Try again
          </Button>
        </div>
      </section>
    </main>
  );
}
