'use client';

import { App, ConfigProvider } from 'antd';
import Link from 'next/link';
import type { ReactNode } from 'react';
import { paperTheme } from '@ui/theme/themes';
import { DenMark } from './Mark';
import styles from './Desk.module.css';

const PLACES = [
  { href: '/', name: 'Sites and visits' },
  { href: '/loans', name: 'Shared camera' },
  { href: '/shelf', name: 'Shelf' },
] as const;

/** The frame of pages that stand above a visit. */
export function Desk({ here, wide, children }: { here: (typeof PLACES)[number]['href']; wide?: boolean; children: ReactNode }) {
  return (
    <ConfigProvider theme={paperTheme}>
      <App component={false}>
        <div className={styles.page} data-theme="paper">
          <header className={styles.top}>
            <Link href="/" className={styles.home}>
              <DenMark size={34} />
              <b>Glow Den</b>
            </Link>
            <nav aria-label="Places">
              {PLACES.map(({ href, name }) => (
                <Link key={href} href={href} aria-current={href === here ? 'page' : undefined}>
                  {name}
                </Link>
              ))}
            </nav>
          </header>
          <main className={styles.main} data-wide={wide}>
            {children}
          </main>
        </div>
      </App>
    </ConfigProvider>
  );
}
