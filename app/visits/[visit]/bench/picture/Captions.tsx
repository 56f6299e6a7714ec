'use client';

import { isNarrow, type Scale } from '@core/method/scale/scale';
import type { VisitDocument } from '@core/model/document';
import { useVisit } from '@ui/visit/VisitProvider';
import { useUnits } from '@ui/units/UnitProvider';
import type { FrameView } from '@core/work/visit/frameView';
import type { View } from '../view';
import styles from '../Bench.module.css';

/** What the colours mean, in a sentence beneath the picture. */
export function Captions({ frame, scale, colours }: { frame: FrameView; scale: Scale; colours: View['colours'] }) {
  const units = useUnits();
  return (
    <p className={styles.caption} data-stretched={colours === 'frame'} role="status">
      {colours === 'frame' ? <Stretched frame={frame} scale={scale} /> : <Anchored frame={frame} colours={colours} />}
      {scale.shade && ` Shaded: ${scale.shade.side} than ${units.temperature(scale.shade.celsius)}.`}
      {frame.leftOut.length > 0 && ' Hatched: left out by hand.'}
    </p>
  );
}

function Stretched({ frame, scale }: { frame: FrameView; scale: Scale }) {
  const units = useUnits();
  const beyond = [
    frame.ownRange?.warmerThan && `over ${units.temperature(frame.ownRange.warmerThan.celsius)}`,
    frame.ownRange?.colderThan && `below ${units.temperature(frame.ownRange.colderThan.celsius)}`,
  ].filter(Boolean);
  return (
    <>
      Stretched over this frame only: all colours within {units.difference(scale.high - scale.low)}.
      {isNarrow(scale) && ' Stretch to find, steady to state.'}
      {beyond.length > 0 && ` Left out by itself: ${beyond.join(' and ')}.`}
    </>
  );
}

function Anchored({ frame, colours }: { frame: FrameView; colours: View['colours'] }) {
  const { document } = useVisit();
  const units = useUnits();
  const { anchor } = frame;
  if (anchor.source === 'mean')
    return (
      <>
        Colours around this frame&apos;s mean:{' '}
        {hasSound(document, frame.id) ? 'its findings have sound places of their own.' : 'no reference yet.'}
      </>
    );
  const whose = anchor.source === 'frame' ? 'the reference' : "the visit's reference";
  const how = colours === 'against' ? 'Colours part at' : 'Colours around';
  return (
    <>
      {how} {whose}, {anchor.name} {units.temperature(anchor.celsius)}.
    </>
  );
}

/** Whether a finding of this frame is stated against a place of it. */
function hasSound({ rows }: VisitDocument, frameId: string): boolean {
  return Object.values(rows.finding).some(({ value }) => rows.region[value.thatRegionId ?? '']?.value.frameId === frameId);
}
