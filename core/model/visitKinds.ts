import type { Strictness } from '../method/weather/plan';

/** Why a survey is wanted. */
export const VISIT_KINDS = [
  'heat-loss',
  'drafts',
  'damp',
  'no-heat',
  'buying',
  'acceptance',
  'open-up',
  'seasonal',
  'solar-gain',
  'bills',
  'stale-air',
  'building',
  'other',
] as const;
export type VisitKind = (typeof VISIT_KINDS)[number];

/** What a kind of visit brings with it; every point can be changed later. */
export interface KindDefaults {
  words: string;
  /** What the report's first paragraph says was wanted. */
  wanted: string;
  strictness: Strictness;
  hours: string;
  /** The question can be answered in any weather: only a time has to be settled. */
  anyWeather: boolean;
  bring: string[];
  /** Where to look first. */
  stops: string[];
}

const ALWAYS = [
  'Camera charged, card in and empty, clock right',
  'Air thermometer and hygrometer',
  'Matt tape, crumpled foil on card',
];

const SURVEY_HOURS = 'Cold evening or early morning, 10 K or more, dry, little wind.';

export const KINDS: Record<VisitKind, KindDefaults> = {
  'heat-loss': {
    words: 'Heat loss',
    wanted: 'to find where the house loses heat',
    strictness: 'usual',
    hours: SURVEY_HOURS,
    anyWeather: false,
    bring: [...ALWAYS, 'Tripod', 'Torch', 'Tape measure'],
    stops: ['Ceiling corners and eaves', 'Under sills and round windows', 'Loft hatch', 'Façades from two stand-points'],
  },
  drafts: {
    words: 'Drafts',
    wanted: 'to find where cold air comes in',
    strictness: 'usual',
    hours: 'As for heat loss; a light wind helps inside, and a fan test more.',
    anyWeather: false,
    bring: [...ALWAYS, 'Smoke pen', 'A card to hold in an air stream', 'Draught strip and sealant, measured beforehand'],
    stops: ['Doors: sides, lock, threshold', 'Floorboard joints and skirting', 'Sockets, hatches, flaps, fans', 'Window frames'],
  },
  damp: {
    words: 'Damp or leak',
    wanted: 'to find where damp or water comes from',
    strictness: 'usual',
    hours: 'Inside, at any steady hour; after rain for roofs and walls, hot water run for pipes.',
    anyWeather: true,
    bring: [...ALWAYS, 'Moisture meter', 'Contact thermometer', 'Towel'],
    stops: ['Below bathrooms, roof valleys and gutters', 'Cold corners and behind furniture', 'Floors along pipe runs'],
  },
  'no-heat': {
    words: 'Heating does not warm',
    wanted: 'to find why rooms do not get warm',
    strictness: 'usual',
    hours: 'While the heating warms up from cold; the weather matters little.',
    anyWeather: true,
    bring: [...ALWAYS, 'Contact thermometer', 'Bleed key, towel, spanner'],
    stops: ['Every emitter, from first to last on the run', 'Valves and pipes at the source', 'Coldest room'],
  },
  buying: {
    words: 'Before buying',
    wanted: 'to know the state of the house before it is bought',
    strictness: 'usual',
    hours: SURVEY_HOURS,
    anyWeather: false,
    bring: [...ALWAYS, 'Torch', 'Ladder', 'Moisture meter'],
    stops: ['Façades all round', 'Top-floor ceilings', 'Wet rooms', 'Heating and its pipes'],
  },
  acceptance: {
    words: 'Acceptance after works',
    wanted: 'to see whether the works did what was promised',
    strictness: 'strict',
    hours: 'In the dark, 15 K or more, so that numbers can be stated.',
    anyWeather: false,
    bring: [...ALWAYS, 'Tripod', 'Earlier frames to aim by', 'Plans of the works'],
    stops: ['Every place of the works', 'Joints between new and old', 'The same places as before'],
  },
  'open-up': {
    words: 'Open up or leave',
    wanted: 'to decide whether a wall or floor has to be opened',
    strictness: 'usual',
    hours: 'With the largest difference of the week; wait for it.',
    anyWeather: false,
    bring: [...ALWAYS, 'Moisture meter', 'Tape measure', 'Pencil and low-tack marks'],
    stops: ['The place in question, from both sides', 'A sound place of the same kind', 'The storey above and below'],
  },
  seasonal: {
    words: 'Seasonal repeat',
    wanted: 'to see what is new since the last round',
    strictness: 'usual',
    hours: 'Hours like those of the last round.',
    anyWeather: false,
    bring: [...ALWAYS, 'Earlier frames to aim by'],
    stops: ['The same stops as last time', 'What was fixed since'],
  },
  'solar-gain': {
    words: 'Solar gain look',
    wanted: 'to see which windows and walls gain from the sun',
    strictness: 'usual',
    hours: 'Clear, sunny hours: each façade while the sun is on it. Not a survey of faults.',
    anyWeather: false,
    bring: [...ALWAYS, 'Sunglasses and hat', 'Blinds and shades to compare'],
    stops: ['Windows with and without shade', 'Floors and walls behind glass', 'Rooms that get too hot'],
  },
  bills: {
    words: 'High bills',
    wanted: 'to find what the heating is paid for',
    strictness: 'usual',
    hours: SURVEY_HOURS,
    anyWeather: false,
    bring: [...ALWAYS, 'Meter readings of some months', 'Contact thermometer', 'Torch'],
    stops: ['Everything that loses heat', 'Emitters and their pipes', 'Devices that are warm all day'],
  },
  'stale-air': {
    words: 'Dust or stale air',
    wanted: 'to find where dust comes in and stale air stays',
    strictness: 'usual',
    hours: 'A cold evening with some wind, fans off and then on.',
    anyWeather: false,
    bring: [...ALWAYS, 'Smoke pen', 'A card to hold in an air stream'],
    stops: ['Vents and fans, off and on', 'Joints of floors and sockets', 'Cold corners without moving air'],
  },
  building: {
    words: 'Building under construction',
    wanted: 'to see whether what was built so far is as it was meant',
    strictness: 'strict',
    hours: 'In the dark, with the shell heated for a day at least and 10 K or more.',
    anyWeather: false,
    bring: [...ALWAYS, 'Plans of the works', 'Tripod', 'Helmet and boots'],
    stops: ['Insulation before it is covered', 'Joints of window, wall and roof', 'Pipes and loops before the floor is laid'],
  },
  other: {
    words: 'Vehicle, shed or machine',
    wanted: 'to look at something else than a home',
    strictness: 'usual',
    hours: 'With it warm or cold inside for an hour, out of sun and wind.',
    anyWeather: false,
    bring: [...ALWAYS, 'Tape measure', 'Torch'],
    stops: ['Doors, hatches and seals', 'Floor and roof', 'Whatever is warm by itself'],
  },
};
