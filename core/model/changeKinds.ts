/** What people change for a survey and forget to put back. */
export const CHANGE_KINDS = [
  'source',
  'thermostat',
  'head',
  'valve',
  'register',
  'vent',
  'cylinder',
  'blind',
  'mark',
  'other',
] as const;
export type ChangeKind = (typeof CHANGE_KINDS)[number];

interface ChangeWords {
  words: string;
  /** An example of the thing, its value before and its value now. */
  example: { what: string; was: string; now: string };
  /** What can happen when it is forgotten; the serious ones stay in view. */
  caution: string | null;
}

export const CHANGES: Record<ChangeKind, ChangeWords> = {
  source: {
    words: 'Heat source',
    example: { what: 'Boiler, flow temperature', was: '55 °C', now: '70 °C' },
    caution: 'A raised flow temperature scalds and wastes. Put it back before you leave.',
  },
  thermostat: { words: 'Thermostat', example: { what: 'Hall thermostat', was: '18 °C', now: '23 °C' }, caution: null },
  head: { words: 'Radiator head', example: { what: 'Head in the back bedroom', was: '2', now: '5' }, caution: null },
  valve: { words: 'Valve', example: { what: 'Lockshield, front room', was: '1½ turns', now: 'open' }, caution: null },
  register: { words: 'Register', example: { what: 'Register in the hall', was: 'open', now: 'taped' }, caution: null },
  vent: {
    words: 'Vent',
    example: { what: 'Vent behind the stove', was: 'open', now: 'covered' },
    caution:
      'Combustion air, cold feeds and open vents keep people alive: open them again before anything burns or heats. Carbon monoxide has no smell.',
  },
  cylinder: {
    words: 'Hot-water cylinder',
    example: { what: 'Cylinder thermostat', was: '60 °C', now: '70 °C' },
    caution:
      'Water above 50 °C scalds within seconds: warn everybody at the taps, and turn it back. Turned down below 60 °C for days, bacteria grow in it: heat it through before anybody showers.',
  },
  blind: { words: 'Blind or curtain', example: { what: 'Blind, back bedroom', was: 'down', now: 'up' }, caution: null },
  mark: { words: 'Tape or foil', example: { what: 'Tape on the boiler tail', was: 'bare', now: 'taped' }, caution: null },
  other: {
    words: 'Something else',
    example: { what: 'Bed away from the wall', was: 'at the wall', now: 'moved' },
    caution: null,
  },
};
