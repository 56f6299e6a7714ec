/** Parts of a room or house that a round looks at, in the order in which people walk. */
export const PARTS = [
  'complaint',
  'own',
  'door',
  'floor',
  'cupboard',
  'radiator',
  'source',
  'fixture',
  'register',
  'socket',
  'panel',
  'flue',
  'sill',
  'window',
  'wall',
  'inner-wall',
  'ceiling-corners',
  'ceiling',
  'ceiling-below',
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
  /** How to stand, beyond the distance that is reckoned. */
  stand: string;
  /** Width that should be in view, metres; null: the whole surface. */
  viewM: number | null;
  /** It mirrors: never square-on. */
  mirrors: boolean;
  caution: string | null;
}

const usual = { stand: 'Square on, nothing hot in view.', viewM: null, mirrors: false, caution: null };

/** What each part is called, and how to stand before it; what to look for is in `lookFor.ts`. */
export const PART_WORDS: Record<Part, PartWords> = {
  complaint: {
    ...usual,
    title: 'Place of the complaint',
    stand: 'Two frames: the place, and a sound place of the same kind.',
  },
  own: {
    ...usual,
    title: 'Added by hand',
    stand: 'Two frames: the place, and a sound place of the same kind.',
  },
  door: {
    ...usual,
    title: 'Door',
    stand: 'Whole door in view, then its foot from one metre.',
    viewM: 2.2,
  },
  floor: {
    ...usual,
    title: 'Floor edge and skirting',
    stand: 'Low, along the foot of the outside wall.',
    viewM: 2.4,
  },
  cupboard: {
    ...usual,
    title: 'Inside the cupboard',
    stand: 'Doors open for some minutes before.',
    viewM: 1.4,
  },
  radiator: {
    ...usual,
    title: 'Radiator or other emitter',
    stand: 'Square on, all of it in view, ten minutes after the heating came on.',
    viewM: 1.8,
    caution: 'Hot metal, hot water under pressure: open nothing.',
  },
  source: {
    ...usual,
    title: 'Source of the heat',
    stand: 'Cover on. Pipes in view, bright metal taped.',
    viewM: 1.6,
    caution:
      'Scalding water and steam; gas and flue gas. Smell gas, or feel unwell: out, and call. Covers and burners are for licensed people.',
  },
  fixture: {
    ...usual,
    title: 'Water fixture',
    stand: 'Under it and at its foot: dry first, then hot water run, then cold.',
    viewM: 1.4,
    caution: 'Hot water scalds. Foul water: gloves.',
  },
  register: {
    ...usual,
    title: 'Register or unit',
    stand: 'Square on, from one metre; fan on for ten minutes before.',
    viewM: 1.2,
    caution: 'No hand near a fan. Refrigerant and its pipes are for licensed people.',
  },
  socket: {
    ...usual,
    title: 'Socket on an outside wall',
    viewM: 0.6,
    caution: 'Live: cover stays on, nothing pushed in.',
  },
  panel: {
    ...usual,
    title: 'Breaker panel or inverter',
    stand: 'Cover closed, from one metre, with its loads on as usual.',
    viewM: 1.2,
    caution:
      'Covers are opened by licensed people only. Inverters, batteries and their wires stay live when switched off. Unsafe heat: stop, keep away, call.',
  },
  flue: {
    ...usual,
    title: 'Fireplace, flue or vent',
    stand: 'Fire out and cold for a day.',
    viewM: 1.8,
    caution:
      'Never block a flue or a vent that feeds a burner: carbon monoxide. A disused flue may be shared with a neighbour; ask before it is closed.',
  },
  sill: {
    ...usual,
    title: 'Under the sill',
    stand: 'Radiator out of view, or its foot only.',
    viewM: 1.6,
    mirrors: true,
  },
  window: {
    ...usual,
    title: 'Window, frame and corners',
    stand: 'Step aside until your own reflection leaves the pane.',
    viewM: 1.9,
    mirrors: true,
  },
  wall: {
    ...usual,
    title: 'Wall',
  },
  'inner-wall': {
    ...usual,
    title: 'Inner wall where pipes may run',
    stand: 'Hot tap run for some minutes before.',
    viewM: 3,
    caution: 'Drill and open nothing before cables and pipes are found.',
  },
  'ceiling-corners': {
    ...usual,
    title: 'Ceiling corners',
    stand: 'Both ceiling edges in the frame, lamp out of it.',
    viewM: 2.6,
  },
  ceiling: {
    ...usual,
    title: 'Ceiling, centre',
    stand: 'From the side, camera up, not under a lamp.',
  },
  'ceiling-below': {
    ...usual,
    title: 'Ceiling below wet rooms',
    stand: 'From the side, camera up; the same again after the shower has run.',
  },
  hatch: {
    ...usual,
    title: 'Hatch',
    viewM: 1.6,
    caution: 'Ladder on firm ground, somebody near. Do not lean out with the camera.',
  },
  light: {
    ...usual,
    title: 'Recessed light',
    viewM: 0.9,
    caution: 'Never cover a recessed light before the lamp type is known. No hand near live parts.',
  },
  vent: {
    ...usual,
    title: 'Vent or fan',
    viewM: 0.9,
    caution: 'Never block a vent that feeds a burner.',
  },
  appliances: {
    ...usual,
    title: 'Appliances',
    viewM: 2,
    caution: 'No hand into an appliance, no panel opened.',
  },
  'loft-floor': {
    ...usual,
    title: 'Loft floor, from above',
    stand: 'From the boards, across the joists.',
    viewM: 3,
    caution: 'Tread on joists only. Old loose fill may hold asbestos: do not stir it. Mind cables and recessed lights under it.',
  },
  'loft-eaves': {
    ...usual,
    title: 'Eaves, from above',
    viewM: 3,
    caution: 'Never block the eaves vents. Tread on joists only.',
  },
  'facade-left': {
    ...usual,
    title: 'From the left',
    stand: 'A third of the way from the left end, no sky in the frame, glass never square on.',
    mirrors: true,
    caution: 'Look where you step; no walking with the eyes on the screen.',
  },
  'facade-right': {
    ...usual,
    title: 'From the right',
    stand: 'A third of the way from the right end, no sky in the frame.',
    mirrors: true,
    caution: 'Look where you step; no walking with the eyes on the screen.',
  },
  history: {
    ...usual,
    title: 'Place from the history',
    stand: 'Where you remember or are told that it was.',
  },
};
