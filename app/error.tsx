'use client';

import { Button } from 'antd';
import { useRouter } from 'next/navigation';
import { useEffect } from 'react';
import { isLost, subscribeLost, untilBack } from '@ui/server/reachable';
import styles from './NotHere.module.css';

/**
 * A page could not be made. What was saved stays saved. Where only the database was away, the page comes by itself when it is
 * back.
 */
export default function PageError({ reset }: { error: Error; reset(): void }) {
  const router = useRouter();
  useEffect(() => {
    let stays = true;
    let wasLost = false;
    const look = () => (wasLost ||= isLost());
    const stop = subscribeLost(look);
    void untilBack().then(() => {
      if (!stays || !wasLost) return;
      router.refresh();
      reset();
    });
    return () => {
      stays = false;
      stop();
    };
  }, [router, reset]);
  const again = () => {
    router.refresh();
    reset();
  };
  return (
    <main className={styles.main} data-theme="paper">
      <section className={styles.empty} role="alert">
        <h1>This page could not be shown</h1>
        <p>What was saved is safe. Try again; if it happens again, restart Glow Den and look into .den/app.log.</p>
        <div>
          <Button type="primary" onClick={again}>
            Try again
          </Button>
        </div>
      </section>
    </main>
  );
}
