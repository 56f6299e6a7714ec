import { knownOf } from '../../model/arguedRow';
import { rankCauses } from '../../method/causes/rank';
import type { VisitDocument } from '../../model/document';
import type { FindingValue } from '../../model/findingRow';

/** What may be done about a finding, as far as its words, its cause and its place tell. */
const WORKS = ['seal', 'foam', 'insulate', 'damp', 'electric', 'water'] as const;
type Work = (typeof WORKS)[number];

/** What a material or a title says of the work. */
const SAID: Partial<Record<Work, RegExp>> = {
  seal: /\b(seal\w*|strip\w*|caulk\w*|mastic|gasket\w*|brush\w*|draught|draft|hatch|air (comes|leak\w*))\b/i,
  foam: /\bfoam\w*/i,
  insulate: /\b(insulat\w*|wool|batts?|quilt|board\w*|cellulose|fibre\w*|lagging|blow\w*)\b/i,
  damp: /\b(damp|mould|wet|moist\w*)\b/i,
  electric: /\b(cable\w*|fuse\w*|socket\w*|switch\w*|breaker\w*|panel|lamp\w*)\b/i,
};
const BY_CAUSE: Readonly<Record<string, Work>> = {
  'air-leak': 'seal',
  'missing-insulation': 'insulate',
  'slumped-insulation': 'insulate',
  'insulation-contact': 'insulate',
  'thermal-bridge': 'insulate',
  convection: 'insulate',
  moisture: 'damp',
  condensation: 'damp',
  cable: 'electric',
  appliance: 'electric',
  'hot-pipe': 'water',
  'cold-pipe': 'water',
};

const CAUTIONS: Record<Work, readonly string[]> = {
  seal: [
    'Escape ways, air bricks, trickle vents and vents for combustion air stay open. After sealing, anything that burns fuel is checked by somebody licensed; a carbon monoxide alarm.',
    'A tighter house keeps its moisture: ventilate, and look again.',
  ],
  foam: ['No foam against flues, exhausts, heaters, fuses or recessed lamps. Its fumes: doors open, gloves, no flame.'],
  insulate: [
    'Insulation stays clear of flues, exhaust fans, heaters, fuses and recessed lamps that must not be covered: ask the lamp type. Cables under it run hotter: a competent person looks first.',
    'Pipes and tanks on the cold side of new insulation freeze: lag them, and leave none out below a tank.',
  ],
  damp: ['Damp places: mould, foul water and live parts. Mask and gloves; power off before anything wet is opened.'],
  electric: [
    'Electrical work is for the competent: off, locked and proved dead. A circuit is loaded to trace it only within its rating, for minutes, with somebody beside it.',
  ],
  water: ['Pipes are opened by somebody who may: hot water scalds and stands under pressure.'],
};
const LOFT =
  'In the loft: joists only, light, mask and goggles against fibres; old loose fill may hold asbestos and is left alone. A header tank is heavy: joists carry it, nobody leans on it.';
const HEIGHT = 'Ladders, roofs and façades belong to those who are equipped for them.';

/**
 * What may hurt somebody at the fix of a finding, short; local codes and licensed people come first. By what its material, its
 * title and its likeliest cause say of the work, and by where it is.
 */
export function fixCautions({ rows }: VisitDocument, finding: FindingValue): string[] {
  const { material, title, argued, frameId } = finding;
  const said = WORKS.filter((work) => SAID[work]?.test(material) || SAID[work]?.test(title));
  const cause = argued === null ? null : BY_CAUSE[rankCauses(knownOf(argued))[0]!.cause.code];
  const works = WORKS.filter((work) => said.includes(work) || cause === work);
  const frame = rows.frame[frameId ?? '']?.value;
  const surface = rows.surface[frame?.surfaceId ?? '']?.value;
  const room = rows.room[surface?.roomId ?? frame?.roomId ?? '']?.value;
  const inLoft = room?.kind === 'loft' || surface?.behind === 'loft';
  const high = surface?.kind === 'facade' || surface?.kind === 'roof' || frame?.side === 'outside';
  return [...works.flatMap((work) => CAUTIONS[work]), ...(inLoft ? [LOFT] : []), ...(high ? [HEIGHT] : [])];
}
