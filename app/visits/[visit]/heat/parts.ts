/** What the stage is made of, in the order of the work; the first is where one begins. */
export const PARTS = [
  { path: 'start', name: 'Start' },
  { path: 'radiators', name: 'Radiators' },
  { path: 'balance', name: 'Balance' },
  { path: 'given', name: 'Heat given' },
  { path: 'pipes', name: 'Pipes and valves' },
  { path: 'floor', name: 'Floor' },
  { path: 'flush', name: 'Flush' },
  { path: 'boiler', name: 'Boiler' },
] as const;

export type PartPath = (typeof PARTS)[number]['path'];
