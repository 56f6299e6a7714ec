import type { VisitDocument } from '../../model/document';
import type { Origin, SettingName } from '../../method/radiometry/settings';
import { ASSUMED, type Source } from '../../ground/source';
import { airAt } from './airLog';
import { byHandLog } from './byHandLog';
import { takenAtOf } from './frames';
import { roomOf, sideOf } from './standing';

/** Where a setting in force comes from: the kind of source, beside a field, and on paper. */
export interface From {
  source: Source;
  short: string;
  words: string;
}

const FROM: Record<Origin, From> = {
  visit: { source: 'said', short: 'of the visit', words: 'set for the visit' },
  surface: { source: 'said', short: 'of this surface', words: 'set for the surface' },
  frame: { source: 'said', short: 'of this frame', words: 'set for the frame' },
  region: { source: 'said', short: 'of this region', words: 'set for the region' },
  conditions: { source: 'said', short: 'conditions', words: 'from the conditions' },
  path: { source: 'computed', short: 'from distance and humidity', words: 'reckoned from distance and humidity' },
  air: { source: 'assumed', short: 'assumed: as the air', words: 'assumed: as the air' },
  sky: { source: 'assumed', short: 'assumed: ground and sky', words: 'assumed: ground and sky, from air and cloud' },
  default: { source: 'assumed', short: ASSUMED, words: ASSUMED },
};

const LOGGED: Partial<Record<SettingName, 'insideC' | 'humidityPct'>> = { airC: 'insideC', humidityPct: 'humidityPct' };

/** Where a setting of a frame comes from. @param origin - as it was resolved */
export function originOf(document: VisitDocument, frameId: string, name: SettingName, origin: Origin): From {
  if (origin !== 'conditions') return FROM[origin];
  const log = logBehind(document, frameId, name);
  if (!log) return FROM.conditions;
  return log.byHand
    ? { source: 'said', short: 'read by hand', words: 'read by hand at that time' }
    : { source: 'logger', short: `logger ${log.name}`, words: `read by the logger ${log.name}` };
}

/** The log that tells the air of a frame at its own time; null where the conditions of the visit do. */
function logBehind(document: VisitDocument, frameId: string, name: SettingName): { name: string; byHand: boolean } | null {
  const field = sideOf(document, frameId) === 'outside' && name === 'airC' ? 'outsideC' : LOGGED[name];
  if (!field) return null;
  const at = Date.parse(takenAtOf(document, frameId));
  const own = roomOf(document, frameId)?.id ?? null;
  const logs = Object.values(document.rows.log).filter(({ value }) => airAt(value.entries, at)[field] !== null);
  const log = logs.find(({ value }) => value.roomId === own) ?? logs.find(({ value }) => value.roomId === null);
  return log ? { name: log.value.name, byHand: log.id === byHandLog(document, log.value.roomId).id } : null;
}
