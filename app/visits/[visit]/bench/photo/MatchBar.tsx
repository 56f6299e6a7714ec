'use client';

import { App, Button } from 'antd';
import { CoreError } from '@core/ground/errors';
import { alignmentFrom, withAlignment, type MatchedPoint } from '@core/method/frame/alignment';
import { settingsFor } from '@core/work/visit/settingsInForce';
import type { Row } from '@core/model/entities';
import type { Edit } from '@ui/store/rowStore';
import { useVisit } from '@ui/visit/VisitProvider';
import type { FrameView } from '@core/work/visit/frameView';
import type { View, ViewAction } from '../view';
import styles from './Photo.module.css';

/** Leads through the matching of two or three places, and keeps what comes out: for this pair, and for the camera at this distance. */
export function MatchBar({
  frame,
  photo,
  view,
  dispatch,
}: {
  frame: FrameView;
  photo: Row<'photo'>;
  view: View;
  dispatch(action: ViewAction): void;
}) {
  const { document, edit } = useVisit();
  const { message } = App.useApp();
  const points = view.matching ?? [];
  const whole = points.filter((point): point is MatchedPoint => !!point.frame && !!point.photo);
  const open = points.find((point) => !point.frame || !point.photo);
  const distanceM = settingsFor(document, frame.id).distanceM.value;
  const camera = document.rows.camera[frame.facts.cameraId ?? ''];
  const keep = () => {
    try {
      const alignment = alignmentFrom(whole.slice(0, 3));
      const edits: Edit[] = [{ entity: 'photo', rowId: photo.id, value: { ...photo.value, alignment } }];
      if (camera && distanceM !== null) {
        const alignments = withAlignment(camera.value.alignments, { distanceM, alignment });
        edits.push({ entity: 'camera', rowId: camera.id, value: { ...camera.value, alignments } });
      }
      edit('Photo and frame brought in line', edits);
      dispatch({ kind: 'match', points: null });
      dispatch({ kind: 'photo', photo: 'over' });
    } catch (error) {
      if (!(error instanceof CoreError)) throw error;
      void message.error(`${error.message} ${error.hint}`, 6);
      dispatch({ kind: 'match', points: [] });
    }
  };
  const number = Math.min(3, whole.length + 1);
  const next = !open?.frame ? 'on the frame' : 'on the photo';
  return (
    <div className={styles.match} role="status">
      <span>
        {whole.length < 3
          ? `Place ${number}: click it ${open ? next : 'on the frame, then on the photo'}. Corners far apart are best.`
          : 'Three places are marked.'}
        {camera && distanceM !== null && ` Kept for ${camera.value.name} at ${distanceM} m as well.`}
      </span>
      <Button size="small" type="primary" disabled={whole.length < 2 || open !== undefined} onClick={keep}>
        Bring in line by {whole.length} {whole.length === 1 ? 'place' : 'places'}
      </Button>
      <Button size="small" onClick={() => dispatch({ kind: 'match', points: [] })}>
        Begin again
      </Button>
      <Button size="small" type="text" onClick={() => dispatch({ kind: 'match', points: null })}>
        Cancel
      </Button>
      {photo.value.alignment && (
        <Button
          size="small"
          type="text"
          onClick={() => {
            edit('Own place of the photo taken away', [
              { entity: 'photo', rowId: photo.id, value: { ...photo.value, alignment: null } },
            ]);
            dispatch({ kind: 'match', points: null });
          }}
        >
          Forget this pair&apos;s own place
        </Button>
      )}
    </div>
  );
}
