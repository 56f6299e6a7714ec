'use client';

import { Alert, Button } from 'antd';
import { showsSky } from '@core/method/detect/setAside';
import type { FrameView } from '@core/work/visit/frameView';
import { standingOf } from '@core/work/visit/standing';
import { useVisit } from '@ui/visit/VisitProvider';

/** Asks where a frame was taken when it shows what no room holds: part of it is as cold as only clear sky is. */
export function SideDoubt({ frame }: { frame: FrameView }) {
  const { document, edit } = useVisit();
  const { side, insideC, outsideC } = standingOf(document, frame.id);
  const airs = [insideC, outsideC].filter((celsius) => celsius !== null);
  if (side === 'outside' || !showsSky(frame.values, airs)) return null;
  return (
    <Alert
      type="warning"
      showIcon
      title="Part of this frame is as cold as only clear sky is."
      action={
        <Button
          size="small"
          onClick={() =>
            edit('Side of the frame', [
              { entity: 'frame', rowId: frame.id, value: { ...frame.row.value, side: 'outside', surfaceId: null } },
            ])
          }
        >
          It was taken outdoors
        </Button>
      }
    />
  );
}
