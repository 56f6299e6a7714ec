import type { VisitKind } from '../../model/visitKinds';
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
    'socket',
    'flue',
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
    'fixture',
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
  'no-heat': new Set<Part>(['radiator', 'source', 'register', 'floor', 'sill', 'wall']),
  buying: new Set<Part>([
    ...ENVELOPE,
    'radiator',
    'source',
    'fixture',
    'register',
    'socket',
    'panel',
    'flue',
    'inner-wall',
    'ceiling-below',
    'appliances',
  ]),
  acceptance: new Set(ENVELOPE.filter((part) => part !== 'cupboard' && part !== 'facade-right')),
  'open-up': new Set<Part>(['floor', 'fixture', 'wall', 'inner-wall', 'ceiling', 'ceiling-below', 'loft-floor', 'facade-left']),
  seasonal: new Set<Part>([...ENVELOPE, 'radiator', 'source', 'flue']),
  'solar-gain': new Set<Part>(['floor', 'window', 'wall', 'ceiling', 'facade-left', 'facade-right']),
  bills: new Set<Part>([...ENVELOPE, 'radiator', 'source', 'register', 'panel', 'flue', 'appliances']),
  'stale-air': new Set<Part>([
    'door',
    'register',
    'flue',
    'floor',
    'cupboard',
    'wall',
    'ceiling-corners',
    'hatch',
    'vent',
    'appliances',
  ]),
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
  other: new Set<Part>([
    'door',
    'panel',
    'source',
    'floor',
    'window',
    'wall',
    'ceiling',
    'hatch',
    'light',
    'vent',
    'appliances',
    'facade-left',
  ]),
};

/** What somebody said or asked for is looked at whatever the question is. */
const ALWAYS: ReadonlySet<Part> = new Set<Part>(['complaint', 'history', 'own']);

/** Whether a stop belongs to the round of a question. */
export function answersKind(kind: VisitKind, part: Part): boolean {
  return ALWAYS.has(part) || STOPS_BY_KIND[kind].has(part);
}
