'use client';

import dynamic from 'next/dynamic';
import type { ComponentType } from 'react';

function Coming() {
  return <span role="status" aria-label="Coming" />;
}

/** A component whose code comes when it is first shown: charts, editors and dialogs, which most looks at a page do without. */
export function onDemand<Props>(load: () => Promise<ComponentType<Props>>): ComponentType<Props> {
  return dynamic(load, { ssr: false, loading: Coming });
}
