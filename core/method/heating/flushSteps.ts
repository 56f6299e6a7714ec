/** The steps of a flush, in the order of work. */
export const FLUSH_STEPS = [
  'frames-before',
  'off',
  'vents-capped',
  'cleaner',
  'agitated',
  'each-alone',
  'both-ways',
  'dumped',
  'header-tank',
  'filter',
  'inhibitor',
  'vents-back',
  'heat-on',
  'frames-after',
] as const;
export type FlushStep = (typeof FLUSH_STEPS)[number];

interface StepWords {
  title: string;
  help: string;
  caution: string | null;
}

export const FLUSH_WORDS: Record<FlushStep, StepWords> = {
  'frames-before': {
    title: 'A frame of every radiator, hot',
    help: 'From where you will stand again: the same position makes the cold share comparable.',
    caution: null,
  },
  off: {
    title: 'Heating off, cool, isolated',
    help: 'Source and pump off and isolated; let the water cool before anything is opened.',
    caution: 'Hot water under pressure scalds. Electrical isolation belongs to a competent person.',
  },
  'vents-capped': {
    title: 'Vents and cold feeds noted and capped',
    help: 'Each goes on the put-back list now, by name.',
    caution: 'An open vent that stays capped can burst a system: nothing heats before all are back.',
  },
  cleaner: {
    title: 'Cleaner in, circulating',
    help: 'Product and dose as its label says.',
    caution: 'Gloves and goggles; keep the label. Chemicals never go down a surface drain.',
  },
  agitated: {
    title: 'Agitated, radiator by radiator',
    help: 'Mark each one as you go, with its minutes.',
    caution: 'Loud: warn the house, wear ear protection.',
  },
  'each-alone': {
    title: 'Each radiator flushed alone',
    help: 'All others shut, so that it gets the whole flow.',
    caution: null,
  },
  'both-ways': {
    title: 'Both directions until clear',
    help: 'Turn the flow round until the water leaving runs clear and holds hardly more dissolved solids than the mains.',
    caution: null,
  },
  dumped: {
    title: 'Dumped in order, to the foul drain',
    help: 'Farthest first, until cleaner and dirt are out: compare with the mains below.',
    caution: 'Heavy hoses and foul water: lift with two, keep it off floors.',
  },
  'header-tank': {
    title: 'Header tank cleaned',
    help: 'Or: sealed system, none there.',
    caution: 'In the loft: joists only, light, a mask against fibres. A full tank is heavy; nobody leans on it.',
  },
  filter: { title: 'Filter fitted or cleaned', help: 'Type and place go on the label.', caution: null },
  inhibitor: { title: 'Inhibitor in, label on', help: 'Product, dose and date at the source.', caution: null },
  'vents-back': {
    title: 'Vents and cold feeds open again',
    help: 'Every one on the put-back list, by eye and hand.',
    caution: 'Before anything heats. Combustion air too: carbon monoxide has no smell.',
  },
  'heat-on': { title: 'Filled, bled, heat on', help: 'Cold pressure at the maker’s mark.', caution: null },
  'frames-after': {
    title: 'A frame of every radiator again',
    help: 'Same positions, hot, the same minutes after the heat came on.',
    caution: null,
  },
};

/** Steps that have to be done before one may be. Others may be ticked in any order; what is left out is shown. */
const NEEDS: Partial<Record<FlushStep, readonly FlushStep[]>> = {
  'vents-capped': ['off'],
  // Struck while it is hot and under pressure a body can leak: isolated and cool first.
  agitated: ['off'],
  'each-alone': ['off'],
  'both-ways': ['off'],
  dumped: ['off'],
  'heat-on': ['vents-back'],
  'frames-after': ['heat-on'],
};

/**
 * What keeps a step from being done now.
 *
 * @param done - steps that are done
 * @param openVents - vents and feeds on the put-back list that are not back yet
 * @returns null where nothing does
 */
export function whatKeeps(step: FlushStep, done: ReadonlySet<FlushStep>, openVents: readonly string[]): string | null {
  if ((step === 'vents-back' || step === 'heat-on') && openVents.length > 0)
    return `Still to be put back: ${openVents.join(', ')}. Nothing heats before that.`;
  const missing = NEEDS[step]?.find((one) => !done.has(one));
  return missing ? `First: ${FLUSH_WORDS[missing].title.toLowerCase()}.` : null;
}

/** Dissolved solids of the system may exceed those of the mains by this share once it is flushed. */
export const CLEAR_SHARE = 0.1;

/**
 * Whether water leaving a system holds hardly more dissolved solids than the mains: that the chemicals are out, not that it is clear.
 *
 * @param systemPpm, mainsPpm - dissolved solids, 0 and more; null where they were not read
 */
export function isClear(systemPpm: number | null, mainsPpm: number | null): boolean | null {
  if (systemPpm === null || mainsPpm === null) return null;
  return systemPpm <= mainsPpm * (1 + CLEAR_SHARE);
}
