'use client';

import { Button, Dropdown } from 'antd';
import { DISMISS_REASONS } from '@core/model/rulingRow';

/** Puts a candidate away for a reason, which is remembered for its stop. */
export function Dismiss({ onDismiss }: { onDismiss(reason: string): void }) {
  return (
    <Dropdown
      trigger={['click']}
      menu={{
        items: DISMISS_REASONS.map((reason) => ({ key: reason, label: reason })),
        onClick: ({ key }) => onDismiss(key),
      }}
    >
      <Button>Dismiss …</Button>
    </Dropdown>
  );
}
