/** Every colour of pages and report; the only file with colours in it, but for the colour maps of frames in core/method/scale. */
export const DEN = {
  ground: '#16121b',
  deep: '#120e16',
  panel: '#1e1825',
  raised: '#292131',
  line: '#3b3145',
  edge: '#85799a',
  text: '#f4edf6',
  muted: '#b3a8bd',
  ember: '#ff9f45',
  emberInk: '#2a1604',
  emberTint: '#3b2f1e',
  cool: '#7cc0ff',
  warm: '#ff9b73',
  good: '#8fdcae',
  care: '#ffd27d',
  poor: '#ff9d92',
  dusk: '#6a5c78',
} as const;

export const PAPER = {
  ground: '#f8f4ee',
  card: '#ffffff',
  line: '#e5dccf',
  edge: '#8b7f74',
  text: '#2b2131',
  muted: '#665b6d',
  ember: '#a8440a',
  cool: '#175c94',
  warm: '#a13a12',
  good: '#2b7348',
  care: '#8a5f00',
  poor: '#a92f25',
} as const;

/** Hours by their worth: letters say it too. White reads on the first two, dark on the others. */
export const HOURS = {
  go: '#3c2a52',
  care: '#7d5a85',
  poor: '#e2d2de',
  none: '#f3ece3',
  slot: '#fdeedd',
} as const;

/** Marks on pictures are outlined twice, dark and light, so that they read on any colour. */
export const MARK = { dark: '#120e16', light: '#ffffff', reference: '#ffb866' } as const;
