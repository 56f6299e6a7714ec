import type { RoomKind } from '../../model/houseKinds';
import type { HouseShell } from './surfacesOf';
import type { RoomValue } from '../../model/roomRow';

type TemplateRoom = [
  name: string,
  kind: RoomKind,
  storey: number,
  x: number,
  y: number,
  width: number,
  depth: number,
  heightM?: number,
];

/** A house of a common kind, to begin with: rooms on a grid of metres and what stands round them. */
export interface HouseTemplate {
  name: string;
  words: string;
  shell: Omit<HouseShell, 'frontAzimuth'>;
  /** What its outer surfaces emit where that is not the usual 0.95. */
  outsideEmissivity: number | null;
  rooms: TemplateRoom[];
}

const FREE = { front: 'outside', left: 'outside', back: 'outside', right: 'outside' } as const;

export const TEMPLATES = {
  cottage: {
    name: 'Cottage',
    words: 'Two storeys, free-standing, loft above',
    shell: { mass: 'stone', beyond: FREE, above: 'loft', below: 'ground' },
    outsideEmissivity: 0.93,
    rooms: [
      ['Front room', 'living', 0, 0, 4, 4, 4],
      ['Hall and stairs', 'hall', 0, 4, 4, 2, 4],
      ['Kitchen', 'kitchen', 0, 0, 0, 6, 4],
      ['Back bedroom', 'bedroom', 1, 0, 0, 4, 4],
      ['Bathroom', 'bathroom', 1, 4, 0, 2, 4],
      ['Front bedroom', 'bedroom', 1, 0, 4, 4, 4],
      ['Landing', 'stairs', 1, 4, 4, 2, 4],
      ['Loft', 'loft', 2, 0, 0, 6, 8, 2],
    ],
  },
  terrace: {
    name: 'Terrace',
    words: 'Two storeys between neighbours, loft above',
    shell: {
      mass: 'brick',
      beyond: { front: 'outside', left: 'neighbour', back: 'outside', right: 'neighbour' },
      above: 'loft',
      below: 'ground',
    },
    outsideEmissivity: 0.93,
    rooms: [
      ['Front room', 'living', 0, 0, 4, 3, 4],
      ['Hall', 'hall', 0, 3, 4, 2, 4],
      ['Kitchen', 'kitchen', 0, 0, 0, 5, 4],
      ['Front bedroom', 'bedroom', 1, 0, 5, 5, 3],
      ['Landing', 'stairs', 1, 3, 3, 2, 2],
      ['Back bedroom', 'bedroom', 1, 0, 0, 3, 5],
      ['Bathroom', 'bathroom', 1, 3, 0, 2, 3],
      ['Loft', 'loft', 2, 0, 0, 5, 8, 2],
    ],
  },
  flat: {
    name: 'Flat',
    words: 'One storey in a block, neighbours above and below',
    shell: {
      mass: 'brick',
      beyond: { front: 'outside', left: 'neighbour', back: 'unheated', right: 'outside' },
      above: 'neighbour',
      below: 'neighbour',
    },
    outsideEmissivity: 0.93,
    rooms: [
      ['Hall', 'hall', 0, 3, 0, 3, 3, 2.5],
      ['Living room', 'living', 0, 0, 3, 5, 4, 2.5],
      ['Bedroom', 'bedroom', 0, 5, 3, 4, 4, 2.5],
      ['Kitchen', 'kitchen', 0, 0, 0, 3, 3, 2.5],
      ['Bathroom', 'bathroom', 0, 6, 0, 3, 3, 2.5],
    ],
  },
  bungalow: {
    name: 'Bungalow',
    words: 'One storey, free-standing, loft above',
    shell: { mass: 'brick', beyond: FREE, above: 'loft', below: 'ground' },
    outsideEmissivity: 0.93,
    rooms: [
      ['Hall', 'hall', 0, 5, 4, 2, 4],
      ['Living room', 'living', 0, 0, 4, 5, 4],
      ['Kitchen', 'kitchen', 0, 0, 0, 4, 4],
      ['Bathroom', 'bathroom', 0, 4, 0, 3, 4],
      ['Front bedroom', 'bedroom', 0, 7, 4, 4, 4],
      ['Back bedroom', 'bedroom', 0, 7, 0, 4, 4],
      ['Loft', 'loft', 1, 0, 0, 11, 8, 2],
    ],
  },
  hall: {
    name: 'Hall or workshop',
    words: 'One big room with an office, light walls',
    shell: { mass: 'light', beyond: FREE, above: 'outside', below: 'ground' },
    outsideEmissivity: 0.9,
    rooms: [
      ['Main hall', 'workshop', 0, 0, 0, 14, 10, 5],
      ['Office', 'living', 0, 14, 4, 4, 6, 2.5],
      ['Store', 'utility', 0, 14, 0, 4, 4, 2.5],
    ],
  },
  garage: {
    name: 'Garage',
    words: 'One room with a big door, beside or away from the house',
    shell: { mass: 'brick', beyond: { ...FREE, left: 'neighbour' }, above: 'outside', below: 'ground' },
    outsideEmissivity: 0.93,
    rooms: [['Garage', 'garage', 0, 0, 0, 3, 6]],
  },
  wheels: {
    name: 'Metal shell on wheels',
    words: 'Cab and cabin with a divider, floor over open air',
    shell: { mass: 'light', beyond: FREE, above: 'outside', below: 'outside' },
    outsideEmissivity: 0.9,
    rooms: [
      ['Cab', 'cabin', 0, 0, 4, 2, 2, 1.9],
      ['Cabin', 'cabin', 0, 0, 0, 2, 4, 1.9],
    ],
  },
} as const satisfies Record<string, HouseTemplate>;

export type TemplateName = keyof typeof TEMPLATES;
export const TEMPLATE_NAMES = Object.keys(TEMPLATES) as TemplateName[];

/** The rooms of a template for a site, in the order of the round. */
export function templateRooms(template: HouseTemplate, siteId: string): RoomValue[] {
  return template.rooms.map(([name, kind, storey, x, y, width, depth, heightM = 2.4], ordinal) => ({
    siteId,
    name,
    kind,
    storey,
    plan: { x, y, width, depth },
    heightM,
    heated: null,
    ordinal,
  }));
}
