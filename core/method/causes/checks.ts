/** A check that somebody can make on the spot, with what it may show. */
export interface Check {
  /** On its button. */
  name: string;
  /** What to do. */
  how: string;
  /** What comes of it, each with the words on its button. */
  outcomes: Readonly<Record<string, string>>;
  /** How the outcomes come where a cause does not say otherwise. */
  otherwise: Readonly<Record<string, number>>;
  /** Of the kit; null for what everybody has. */
  tool: 'smoke' | 'tape' | 'meter' | 'contact' | 'ladder' | 'torch' | null;
  /** Until its outcome is known. */
  minutes: number;
  caution?: string;
  /** Only by somebody who is allowed to open things. */
  licensed?: true;
  /** It can be made from inside, from outside, or from both. */
  from: 'inside' | 'outside' | 'both';
}

export const CHECKS = {
  smoke: {
    name: 'Smoke pen',
    how: 'Hold the smoke pen a hand’s width from the strongest end, with fans off, and watch it for half a minute.',
    outcomes: { moves: 'The smoke is blown or drawn', still: 'It rises straight' },
    otherwise: { moves: 0.06, still: 0.94 },
    tool: 'smoke',
    minutes: 2,
    caution: 'Not near smoke alarms, curtains or oxygen equipment.',
    from: 'inside',
  },
  feel: {
    name: 'Feel with a wet finger',
    how: 'Hold the wet back of a hand near the strongest end.',
    outcomes: { draught: 'A draught is felt', none: 'Nothing is felt' },
    otherwise: { draught: 0.08, none: 0.92 },
    tool: null,
    minutes: 1,
    caution: 'Not on live parts.',
    from: 'both',
  },
  aside: {
    name: 'Step aside, second frame',
    how: 'Take a second frame of the same place from a metre and a half to the side.',
    outcomes: { moves: 'It moved over the surface', stays: 'It stayed where it was' },
    otherwise: { moves: 0.04, stays: 0.96 },
    tool: null,
    minutes: 1,
    from: 'both',
  },
  tape: {
    name: 'Matt tape',
    how: 'Stick matt tape on the place, wait a minute, and compare the tape with the surface beside the place.',
    outcomes: { same: 'The tape reads like the surface beside it', differs: 'The tape shows the place too' },
    otherwise: { same: 0.1, differs: 0.9 },
    tool: 'tape',
    minutes: 2,
    caution: 'Not on live parts or hot metal.',
    from: 'both',
  },
  palm: {
    name: 'Palm print',
    how: 'Press a palm on the surface for five seconds and look whether a print stays.',
    outcomes: { print: 'A print stays', none: 'No print, only a moving image' },
    otherwise: { print: 0.95, none: 0.05 },
    tool: null,
    minutes: 1,
    caution: 'Not on live parts, hot or wet surfaces.',
    from: 'both',
  },
  'moisture-meter': {
    name: 'Moisture meter',
    how: 'Compare the meter’s reading in the place with three readings beside it.',
    outcomes: { wet: 'Clearly wetter than beside it', dry: 'As dry as beside it' },
    otherwise: { wet: 0.07, dry: 0.93 },
    tool: 'meter',
    minutes: 3,
    caution: 'Pins not where cables or pipes may run.',
    from: 'both',
  },
  'wipe-dry': {
    name: 'Wipe and feel',
    how: 'Wipe the place with a dry cloth, and look whether it comes back within ten minutes.',
    outcomes: { film: 'Wet on the surface, and it comes back', none: 'Dry to the touch' },
    otherwise: { film: 0.03, none: 0.97 },
    tool: null,
    minutes: 10,
    from: 'inside',
  },
  'run-hot': {
    name: 'Run hot water',
    how: 'Run hot water for ten minutes, and take the frame again from the same spot.',
    outcomes: { grows: 'It became clearer', same: 'It did not change' },
    otherwise: { grows: 0.04, same: 0.96 },
    tool: null,
    minutes: 10,
    caution: 'Scalding water.',
    from: 'inside',
  },
  'run-cold': {
    name: 'Run cold water',
    how: 'Run cold water for five minutes, and take the frame again from the same spot.',
    outcomes: { grows: 'It became colder', same: 'It did not change' },
    otherwise: { grows: 0.04, same: 0.96 },
    tool: null,
    minutes: 5,
    from: 'inside',
  },
  'heating-off': {
    name: 'Heating off',
    how: 'Switch the heating off for half an hour, and take the frame again. Put it back on the list.',
    outcomes: { fades: 'It faded', stays: 'It stayed' },
    otherwise: { fades: 0.1, stays: 0.9 },
    tool: null,
    minutes: 30,
    from: 'inside',
  },
  'load-off': {
    name: 'Load off',
    how: 'Switch off what the circuit or device feeds for a quarter of an hour, and take the frame again.',
    outcomes: { fades: 'It faded', stays: 'It stayed' },
    otherwise: { fades: 0.05, stays: 0.95 },
    tool: null,
    minutes: 15,
    caution: 'Never open or touch electrical parts; medical devices stay on.',
    from: 'inside',
  },
  fan: {
    name: 'Fan on or off',
    how: 'Switch the air system or fan over, wait ten minutes, and take the frame again.',
    outcomes: { changes: 'It changed', same: 'It did not change' },
    otherwise: { changes: 0.05, same: 0.95 },
    tool: null,
    minutes: 10,
    caution: 'No fan tests beside an open flue or fire: carbon monoxide.',
    from: 'inside',
  },
  wait: {
    name: 'Look again in ten minutes',
    how: 'Leave the place alone for ten minutes, and take the frame again.',
    outcomes: { fades: 'It faded', stays: 'It stayed' },
    otherwise: { fades: 0.04, stays: 0.96 },
    tool: null,
    minutes: 10,
    from: 'both',
  },
  'after-dark': {
    name: 'Look again after dark',
    how: 'Take the frame again when the sun has been gone for longer than this wall remembers it.',
    outcomes: { gone: 'It is gone', stays: 'It is still there' },
    otherwise: { gone: 0.05, stays: 0.95 },
    tool: null,
    minutes: 480,
    from: 'both',
  },
  loft: {
    name: 'Look in the loft',
    how: 'Look from above at the same place.',
    outcomes: { missing: 'Insulation is thin, moved or missing', whole: 'Insulation lies whole' },
    otherwise: { missing: 0.1, whole: 0.9 },
    tool: 'ladder',
    minutes: 15,
    caution: 'Tread on joists only; old loose fill may hold asbestos; cables may lie buried.',
    from: 'inside',
  },
  'other-side': {
    name: 'Frame from the other side',
    how: 'Take a frame of the same place from the other side of the wall.',
    outcomes: { agrees: 'It stands out there the other way round', nothing: 'Nothing stands out there' },
    otherwise: { agrees: 0.25, nothing: 0.75 },
    tool: null,
    minutes: 10,
    from: 'both',
  },
  'move-it': {
    name: 'Move what stands before it',
    how: 'Take down or move what covers the place, wait half an hour, and take the frame again.',
    outcomes: { gone: 'Nothing is left', stays: 'It is still there' },
    otherwise: { gone: 0.04, stays: 0.96 },
    tool: null,
    minutes: 30,
    from: 'inside',
  },
  ask: {
    name: 'Ask whether it is meant',
    how: 'Ask the household, or look from the other side, whether an opening is there on purpose.',
    outcomes: { meant: 'It is meant', unknown: 'Nobody knows of one' },
    otherwise: { meant: 0.03, unknown: 0.97 },
    tool: null,
    minutes: 2,
    caution: 'Vents for fire and combustion are never closed.',
    from: 'both',
  },
  'stud-finder': {
    name: 'Knock or find the stud',
    how: 'Knock along the line, or move a small magnet over it for nails and screws.',
    outcomes: { wood: 'It sounds full, or holds fixings', hollow: 'Nothing there' },
    otherwise: { wood: 0.12, hollow: 0.88 },
    tool: null,
    minutes: 2,
    from: 'inside',
  },
  borescope: {
    name: 'Look into the wall',
    how: 'Have a hole of a few millimetres drilled and looked into by somebody who is allowed to.',
    outcomes: { empty: 'The bay is empty or part empty', filled: 'It is filled', gap: 'Filled, with a gap behind the lining' },
    otherwise: { empty: 0.06, filled: 0.88, gap: 0.06 },
    tool: null,
    minutes: 60,
    caution: 'Cables and pipes may run here; lining and paint may hold asbestos or lead.',
    licensed: true,
    from: 'both',
  },
  'after-rain': {
    name: 'Look again after rain',
    how: 'Take the frame again within a day after rain.',
    outcomes: { grows: 'It grew', same: 'It did not change' },
    otherwise: { grows: 0.05, same: 0.95 },
    tool: null,
    minutes: 1440,
    from: 'both',
  },
} as const satisfies Record<string, Check>;

export type CheckCode = keyof typeof CHECKS;
export type Outcome<C extends CheckCode = CheckCode> = keyof (typeof CHECKS)[C]['outcomes'] & string;
