'use client';

import { DeleteOutlined } from '@ant-design/icons';
import { Button, Popconfirm } from 'antd';
import { useState } from 'react';
import type { Row } from '@core/model/entities';
import { changesOf, questionOf, removalOf } from '@core/model/removal';
import { askRemoval } from '@ui/form/askRemoval';
import { useVisit } from '@ui/visit/VisitProvider';

/** Removes a finding after asking: what goes along, and which proofs of later visits would lose it. */
export function RemoveFinding({ row }: { row: Row<'finding'> }) {
  const { document, edit } = useVisit();
  const [elsewhere, setElsewhere] = useState<string | null>(null);
  const targets = [{ entity: 'finding' as const, rowId: row.id }];
  const removal = removalOf(document, targets);
  const { goes } = questionOf(removal, targets);
  // What other visits say of it, the server knows; a finding that was not stored yet nobody else names.
  const ask = () =>
    askRemoval('finding', [row.id]).then(
      ({ without }) => setElsewhere(without),
      () => setElsewhere(null),
    );
  return (
    <Popconfirm
      title="Remove this finding?"
      description={['Its frames and regions stay.', goes, elsewhere].filter(Boolean).join(' ')}
      okText="Remove finding"
      onOpenChange={(open) => open && void ask()}
      onConfirm={() => edit('Finding removed', changesOf(removal))}
    >
      <Button icon={<DeleteOutlined />} aria-label="Remove this finding" />
    </Popconfirm>
  );
}
