import type { VisitDocument } from '../../model/document';
import type { Circumstance } from '../../method/causes/circumstances';
import { evidenceOf, type Evidence } from '../../method/causes/evidence';
import type { Row } from '../../model/entities';
import { takenAtOf } from '../visit/frames';
import { settingFor } from './lookAt';
import type { FrameLook, Seen } from './seen';

/** A loss shows this much weaker from outdoors than indoors: film coefficients of about 25 and 8 W/(m²·K). */
const WEAKER_OUTSIDE = 3;
/** Areas as shares of the picture may differ by this factor: the two frames are taken from different distances. */
const ALIKE_SHARE = 5;
/** A pattern repeats when it is found in so many other rooms. */
const OTHER_ROOMS = 2;

/** A frame of the other side of the surface that a frame shows, the nearest in time; null for none. */
export function otherSideFrameOf(document: VisitDocument, frameId: string): string | null {
  const surface = document.rows.surface[document.rows.frame[frameId]!.value.surfaceId ?? ''];
  const otherId = surface?.value.otherSideId ?? null;
  if (otherId === null) return null;
  const at = Date.parse(takenAtOf(document, frameId));
  const away = (id: string) => Math.abs(Date.parse(takenAtOf(document, id)) - at);
  return (
    Object.values(document.rows.frame)
      .filter(({ value }) => !value.discarded && value.surfaceId === otherId)
      .map(({ id }) => id)
      .sort((a, b) => away(a) - away(b))[0] ?? null
  );
}

const isLine = ({ form }: Evidence) => form === 'line' || form === 'bent-line';

/**
 * What the other side of a surface says of a candidate. A loss is cold inside and warm outside, so that it stands out there the
 * other way round; between two rooms the same holds.
 *
 * @returns null where the other side shows something else, or could not have shown it
 */
export function otherSideSays(
  document: VisitDocument,
  frameId: string,
  seen: Seen,
  other: { frameId: string; look: FrameLook },
): Extract<Circumstance, `other-side-${string}`> | null {
  const mine = evidenceOf(seen, settingFor(document, frameId));
  const setting = settingFor(document, other.frameId);
  const turned = other.look.candidates.filter(({ sign }) => sign === -seen.sign);
  const agrees = turned.some((one) => {
    const factor = one.share / seen.share;
    return isLine(evidenceOf(one, setting)) === isLine(mine) && factor < ALIKE_SHARE && factor > 1 / ALIKE_SHARE;
  });
  if (agrees) return 'other-side-agrees';
  const expected = Math.abs(seen.peak) * (setting.side === 'outside' && mine.side !== 'outside' ? 1 / WEAKER_OUTSIDE : 1);
  return turned.length === 0 && expected >= other.look.least ? 'other-side-differs' : null;
}

/** Frames of two visits are aimed alike: a thing lies within this share of the width, and is another beyond that one. */
const SAME_PLACE = 0.15;
const OTHER_PLACE = 0.3;
const ALIKE = 2.5;

/**
 * What the last visit says of a candidate: by the frame that was taken at this stop then, else by the answer that was given.
 *
 * @param lastTime - what that frame holds; of the same width; null where it is not known
 */
export function lastTimeSays(
  document: VisitDocument,
  frameId: string,
  seen: Seen,
  lastTime: FrameLook | null,
): Extract<Circumstance, `${string}-last-time`> | null {
  const { stopKey } = document.rows.frame[frameId]!.value;
  if (!lastTime) return document.earlier[stopKey ?? '']?.answer === 'nothing' ? 'new-since-last-time' : null;
  const { width } = document.frameFacts[frameId]!;
  const near = lastTime.candidates
    .filter(({ sign }) => sign === seen.sign)
    .map((one) => ({ one, away: distance(one, seen) / width }))
    .filter(({ away }) => away < OTHER_PLACE);
  if (near.some(({ one, away }) => away < SAME_PLACE && alike(one, seen))) return 'same-last-time';
  return near.length === 0 ? 'new-since-last-time' : null;
}

const distance = ({ shape: { centroid: a } }: Seen, { shape: { centroid: b } }: Seen) => Math.hypot(a.x - b.x, a.y - b.y);

function alike(a: Seen, b: Seen): boolean {
  const factor = a.area / b.area;
  return factor < ALIKE && factor > 1 / ALIKE;
}

/** Whether findings of other rooms on the same kind of surface show the same form, the same way round. */
export function repeatsInHouse(document: VisitDocument, frameId: string, evidence: Evidence): boolean {
  const here = placeOf(document, document.rows.frame[frameId]!);
  if (here.kind === null || here.roomId === null) return false;
  const rooms = new Set<string>();
  for (const { value } of Object.values(document.rows.finding)) {
    const frame = document.rows.frame[value.frameId ?? ''];
    if (!frame || !value.argued) continue;
    const there = placeOf(document, frame);
    const { form, tone } = value.argued.measured.evidence;
    if (there.kind === here.kind && there.roomId !== null && there.roomId !== here.roomId)
      if (form === evidence.form && tone === evidence.tone) rooms.add(there.roomId);
  }
  return rooms.size >= OTHER_ROOMS;
}

function placeOf(document: VisitDocument, { value }: Row<'frame'>): { kind: string | null; roomId: string | null } {
  const surface = document.rows.surface[value.surfaceId ?? '']?.value;
  return { kind: surface?.kind ?? null, roomId: surface?.roomId ?? value.roomId };
}
