'use client';

import { App, ConfigProvider } from 'antd';
import { QuickLink } from '@ui/link/QuickLink';
import type { ReactNode } from 'react';
import { paperTheme } from '@ui/theme/themes';
import { DenMark } from './Mark';
import styles from './Desk.module.css';
import own from './Frame.module.css';

const PLACES = [
  { href: '/', name: 'Sites and visits' },
  { href: '/loans', name: 'Shared camera' },
  { href: '/shelf', name: 'Shelf' },
] as const;

/** The same without what it holds: what is shown until the page is there. */
export function DeskFrame({ here, heading }: { here: (typeof PLACES)[number]['href']; heading: string }) {
  return (
    <div className={styles.page} data-theme="paper">
      <DeskTop here={here} />
      <main className={styles.main}>
        <p className={own.opening} role="status">
          <b>{heading}</b> Opening …
        </p>
      </main>
    </div>
  );
}

function DeskTop({ here }: { here: (typeof PLACES)[number]['href'] }) {
  return (
    <header className={styles.top}>
      <QuickLink href="/" className={styles.home!}>
        <DenMark size={34} />
        <b>Glow Den</b>
      </QuickLink>
      <nav aria-label="Places">
        {PLACES.map(({ href, name }) => (
          <QuickLink key={href} href={href} aria-current={href === here ? 'page' : undefined}>
            {name}
          </QuickLink>
        ))}
      </nav>
    </header>
  );
}

/** The frame of pages that stand above a visit. */
export function Desk({ here, wide, children }: { here: (typeof PLACES)[number]['href']; wide?: boolean; children: ReactNode }) {
  return (
    <ConfigProvider theme={paperTheme}>
      <App component={false}>
        <div className={styles.page} data-theme="paper">
          <DeskTop here={here} />
          <main className={styles.main} data-wide={wide}>
            {children}
          </main>
        </div>
      </App>
    </ConfigProvider>
  );
}
