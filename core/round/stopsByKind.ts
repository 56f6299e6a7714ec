import type { VisitKind } from '../visit/kinds';
import type { Part } from './parts';

const ENVELOPE: readonly Part[] = [
  'door',
  'floor',
  'cupboard',
  'sill',
  'window',
  'wall',
  'ceiling-corners',
  'ceiling',
  'hatch',
  'light',
  'vent',
  'loft-floor',
  'loft-eaves',
  'facade-left',
  'facade-right',
];

/**
 * Which parts of a house answer which question. Complaints and history come first on every round, and what was answered or
 * photographed once stays. A surveyor may read and edit this table.
 */
export const STOPS_BY_KIND: Record<VisitKind, ReadonlySet<Part>> = {
  'heat-loss': new Set(ENVELOPE),
  drafts: new Set<Part>([
    'door',
    'floor',
    'cupboard',
    'sill',
    'window',
    'ceiling-corners',
    'hatch',
    'light',
    'vent',
    'loft-eaves',
  ]),
  damp: new Set<Part>([
    'floor',
    'cupboard',
    'window',
    'wall',
    'inner-wall',
    'ceiling-corners',
    'ceiling',
    'ceiling-below',
    'loft-floor',
    'facade-left',
  ]),
  'no-heat': new Set<Part>(['radiator', 'floor', 'sill', 'wall']),
  buying: new Set<Part>([...ENVELOPE, 'radiator', 'inner-wall', 'ceiling-below', 'appliances']),
  acceptance: new Set(ENVELOPE.filter((part) => part !== 'cupboard' && part !== 'facade-right')),
  'open-up': new Set<Part>(['floor', 'wall', 'inner-wall', 'ceiling', 'ceiling-below', 'loft-floor', 'facade-left']),
  seasonal: new Set<Part>([...ENVELOPE, 'radiator']),
  'solar-gain': new Set<Part>(['floor', 'window', 'wall', 'ceiling', 'facade-left', 'facade-right']),
  bills: new Set<Part>([...ENVELOPE, 'radiator', 'appliances']),
  'stale-air': new Set<Part>(['door', 'floor', 'cupboard', 'wall', 'ceiling-corners', 'hatch', 'vent', 'appliances']),
  building: new Set<Part>([
    'door',
    'floor',
    'sill',
    'window',
    'wall',
    'inner-wall',
    'ceiling-corners',
    'ceiling',
    'facade-left',
    'facade-right',
  ]),
  other: new Set<Part>(['door', 'floor', 'window', 'wall', 'ceiling', 'hatch', 'light', 'vent', 'appliances', 'facade-left']),
};

/** Whether a stop belongs to the round of a question. */
export function answersKind(kind: VisitKind, part: Part): boolean {
  return part === 'complaint' || part === 'history' || STOPS_BY_KIND[kind].has(part);
}
