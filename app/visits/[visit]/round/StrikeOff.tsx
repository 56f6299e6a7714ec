'use client';

import { StopOutlined } from '@ant-design/icons';
import { Button, Popconfirm } from 'antd';
import { stopRowOf } from '@core/work/round/round';
import type { Stop } from '@core/work/round/stops';
import { framesOf, photosOf } from '@core/work/visit/frames';
import { useVisit } from '@ui/visit/VisitProvider';

/** Takes a stop off this round; what was taken there stays. It comes back at the end of the round, or by undo. */
export function StrikeOff({ stop, onStruck }: { stop: Stop; onStruck(): void }) {
  const { document, edit } = useVisit();
  const pictures = [...framesOf(document), ...photosOf(document)].filter(({ value }) => value.stopKey === stop.key).length;
  const strike = () => {
    const row = stopRowOf(document, stop.key);
    edit(`Struck off: ${stop.title}`, [{ entity: 'stop', rowId: row.id, value: { ...row.value, struck: true } }]);
    onStruck();
  };
  const button = (
    <Button icon={<StopOutlined />} {...(pictures === 0 ? { onClick: strike } : {})}>
      Strike off
    </Button>
  );
  if (pictures === 0) return button;
  return (
    <Popconfirm
      title="Take this stop off the round?"
      description={`It holds ${pictures} ${pictures === 1 ? 'picture' : 'pictures'}; they stay on the bench.`}
      okText="Strike off"
      onConfirm={strike}
    >
      {button}
    </Popconfirm>
  );
}
