/** Parts of a room or house that a round looks at, in the order in which people walk. */
export const PARTS = [
  'complaint',
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
  'appliances',
  'loft-floor',
  'loft-eaves',
  'facade-left',
  'facade-right',
  'history',
] as const;
export type Part = (typeof PARTS)[number];

interface PartWords {
  title: string;
  /** What a fault looks like while the house is warmer than outdoors, and while it is cooler. */
  lookFor: string;
  /** How to stand, beyond the distance that is reckoned. */
  stand: string;
  /** Width that should be in view, metres; null: the whole surface. */
  viewM: number | null;
  /** It mirrors: never square-on. */
  mirrors: boolean;
  caution: string | null;
}

const usual = { stand: 'Square on, nothing hot in view.', viewM: null, mirrors: false, caution: null };

/** With the sign that a fault has in a heated house; `lookFor` of a cooled one follows from it. */
export const PART_WORDS: Record<Part, PartWords> = {
  complaint: {
    ...usual,
    title: 'Place of the complaint',
    lookFor: 'Whatever differs from its like at the same height.',
    stand: 'Two frames: the place, and a sound place of the same kind.',
  },
  door: {
    ...usual,
    title: 'Door',
    lookFor: 'Feathers at the sides, lock, keyhole and threshold: air. A cold panel is only a thin door.',
    stand: 'Whole door in view, then its foot from one metre.',
    viewM: 2.2,
  },
  floor: {
    ...usual,
    title: 'Floor edge and skirting',
    lookFor: 'Lines between boards, a fringe along the skirting: air from below. A smooth gradient is a cold edge.',
    stand: 'Low, along the foot of the outside wall.',
    viewM: 2.4,
  },
  cupboard: {
    ...usual,
    title: 'Inside the cupboard',
    lookFor: 'Cold back and corners: little air moves there. Mind mould.',
    stand: 'Doors open for some minutes before.',
    viewM: 1.4,
  },
  sill: {
    ...usual,
    title: 'Under the sill',
    lookFor: 'A feather from a corner of the sill: air. A straight cold stripe below it: a bridge.',
    stand: 'Radiator out of view, or its foot only.',
    viewM: 1.6,
    mirrors: true,
  },
  window: {
    ...usual,
    title: 'Window, frame and corners',
    lookFor:
      'Feathers at sash and frame. Dark lower corners of the pane are its spacer. A pane unlike its neighbours has failed.',
    stand: 'Step aside until your own reflection leaves the pane.',
    viewM: 1.9,
    mirrors: true,
  },
  wall: {
    ...usual,
    title: 'Wall',
    lookFor:
      'Straight-sided dark fields between studs: missing insulation. Even studs are normal. Blotches with soft rims: damp.',
  },
  'ceiling-corners': {
    ...usual,
    title: 'Ceiling corners',
    lookFor: 'A cold fringe along the top edge: insulation that stops short. A feathered patch: air from above.',
    stand: 'Both ceiling edges in the frame, lamp out of it.',
    viewM: 2.6,
  },
  ceiling: {
    ...usual,
    title: 'Ceiling, centre',
    lookFor: 'Dark bays or a soft dark field: thin or displaced insulation. Warm air above a radiator is harmless.',
    stand: 'From the side, camera up, not under a lamp.',
  },
  hatch: {
    ...usual,
    title: 'Hatch',
    lookFor: 'A ring round the hatch: it does not close. A dark lid: it is not insulated.',
    viewM: 1.6,
    caution: 'Ladder on firm ground, somebody near. Do not lean out with the camera.',
  },
  light: {
    ...usual,
    title: 'Recessed light',
    lookFor: 'A ring round it: a gap. Warm in the middle when it was on.',
    viewM: 0.9,
    caution: 'Never cover a recessed light before the lamp type is known. No hand near live parts.',
  },
  vent: {
    ...usual,
    title: 'Vent or fan',
    lookFor: 'Cold all round while it is off: no flap. Warm in the middle: its motor.',
    viewM: 0.9,
    caution: 'Never block a vent that feeds a burner.',
  },
  appliances: {
    ...usual,
    title: 'Appliances',
    lookFor: 'Warm boxes that glow all day; worn seals of refrigerators.',
    viewM: 2,
    caution: 'No hand into an appliance, no panel opened.',
  },
  'loft-floor': {
    ...usual,
    title: 'Loft floor, from above',
    lookFor: 'Warm fields and warm joints: heat that comes through. Here faults are warm.',
    stand: 'From the boards, across the joists.',
    viewM: 3,
    caution: 'Tread on joists only. Old loose fill may hold asbestos: do not stir it. Mind cables and recessed lights under it.',
  },
  'loft-eaves': {
    ...usual,
    title: 'Eaves, from above',
    lookFor: 'Blown-back insulation, and light or air at the eaves.',
    viewM: 3,
    caution: 'Never block the eaves vents. Tread on joists only.',
  },
  'facade-left': {
    ...usual,
    title: 'From the left',
    lookFor:
      'Warm fields and lines, warm frames, the counterpart of what was seen inside. Plinth, vents and chimney are warm anyway.',
    stand: 'A third of the way from the left end, no sky in the frame, glass never square on.',
    mirrors: true,
    caution: 'Look where you step; no walking with the eyes on the screen.',
  },
  'facade-right': {
    ...usual,
    title: 'From the right',
    lookFor: 'What moved against the first stand-point is a reflection; what stayed is heat.',
    stand: 'A third of the way from the right end, no sky in the frame.',
    mirrors: true,
    caution: 'Look where you step; no walking with the eyes on the screen.',
  },
  history: {
    ...usual,
    title: 'Place from the history',
    lookFor: 'A patch with straight sides where something was removed, boarded up or added.',
    stand: 'Where you remember or are told that it was.',
  },
};

const SWAPS: [RegExp, string][] = [
  [/\bdark\b/gi, 'bright'],
  [/\bcold\b/gi, 'warm'],
];

/** What to look for: in a house that is cooled, faults show warm on the inner side. */
export function lookForWords(part: Part, cooled: boolean): string {
  const { lookFor } = PART_WORDS[part];
  if (!cooled || part === 'loft-floor') return lookFor;
  return SWAPS.reduce(
    (words, [from, to]) => words.replace(from, (found) => (/^[A-Z]/.test(found) ? to[0]!.toUpperCase() + to.slice(1) : to)),
    lookFor,
  );
}
