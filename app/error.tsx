'use client';

import { Button, ConfigProvider } from 'antd';
import { useEffect } from 'react';
import { isLost, subscribeLost, untilBack } from '@ui/server/reachable';
import { paperTheme } from '@ui/theme/themes';
import styles from './NotHere.module.css';

/**
 * A page could not be made. What was saved stays saved. Where only the database was away, the page comes by itself when it is
 * back.
 */
export default function PageError() {
  useEffect(() => {
    let stays = true;
    let wasLost = isLost();
    const stop = subscribeLost(() => (wasLost ||= isLost()));
    void untilBack().then(() => {
      if (stays && wasLost) window.location.reload();
    });
    return () => {
      stays = false;
      stop();
    };
  }, []);
  return (
    <ConfigProvider theme={paperTheme}>
      <main className={styles.main} data-theme="paper">
        <section className={styles.empty} role="alert">
          <h1>This page could not be shown</h1>
          <p>
            What was saved is safe. Where only the database is away, the page comes by itself when it is back. If it happens
            again, restart Glow Den and look into .den/app.log.
          </p>
          <div>
            <Button type="primary" onClick={() => window.location.reload()}>
              Try again
            </Button>
          </div>
        </section>
      </main>
    </ConfigProvider>
  );
}
