import type { VisitDocument } from '../../model/document';
import type { Row } from '../../model/entities';
import type { RulingValue } from '../../model/rulingRow';
import type { Seen } from './seen';

type Box = RulingValue['box'];

/** Two boxes are the same place when they share so much of what they cover together. */
const SAME = 0.35;
/** On another frame of the stop the camera stood a little elsewhere. */
const SAME_ON_STOP = 0.15;

/** A candidate's box as shares of its frame. */
export function boxOf({ shape: { bbox } }: Pick<Seen, 'shape'>, { width, height }: { width: number; height: number }): Box {
  return { x: bbox.x / width, y: bbox.y / height, width: bbox.width / width, height: bbox.height / height };
}

/** What somebody said of a candidate: on this frame, or at the same place on another frame of its stop. */
export function rulingOn(document: VisitDocument, frameId: string, seen: Seen): Row<'ruling'> | null {
  const { stopKey } = document.rows.frame[frameId]!.value;
  const box = boxOf(seen, document.frameFacts[frameId]!);
  const fitting = Object.values(document.rows.ruling).filter(({ value }) => {
    if (value.sign !== seen.sign) return false;
    const same = shared(value.box, box);
    return value.frameId === frameId ? same >= SAME : stopKey !== null && value.stopKey === stopKey && same >= SAME_ON_STOP;
  });
  return fitting.sort((a, b) => b.value.ruledAt - a.value.ruledAt)[0] ?? null;
}

function shared(a: Box, b: Box): number {
  const wide = Math.min(a.x + a.width, b.x + b.width) - Math.max(a.x, b.x);
  const high = Math.min(a.y + a.height, b.y + b.height) - Math.max(a.y, b.y);
  if (wide <= 0 || high <= 0) return 0;
  const both = wide * high;
  return both / (a.width * a.height + b.width * b.height - both);
}
