'use client';

import { App } from 'antd';
import type { ReactNode } from 'react';
import { Later } from './Later';

/**
 * A page within its frame: the frame comes with the first bytes and can be read at once, the page itself is drawn in the browser
 * only. On a machine that is the server itself, drawing all of it there first would only make it come later.
 */
export function PageFrame({ frame, children }: { frame: ReactNode; children: ReactNode }) {
  return (
    <Later until={frame}>
      <App component={false}>{children}</App>
    </Later>
  );
}
