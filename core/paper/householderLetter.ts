import { localDay, localTime } from '../ground/localTime';
import { localHours, momentOf } from '../ground/localClock';
import type { VisitKind } from '../model/visitKinds';
import { KINDS } from '../model/visitKinds';
import { PRACTICE_FOOT } from '../work/visit/practice';

export interface LetterFacts {
  siteName: string;
  kind: VisitKind;
  /** When the survey is; null while no slot is settled. */
  slot: { from: number; to: number } | null;
  timeZone: string;
  /** Expected inside, in words: `20 °C`; null where nobody said: then as they have it. */
  inside: string | null;
  season: 'heated' | 'cooled';
  /** People and pets to mind, as somebody typed it. */
  people: string;
  /** Who lives there surveys it. */
  ownHome: boolean;
  /** Which weather the hour was chosen by; null where it was not, but typed. */
  weather: string | null;
  /** Of a made-up house. */
  practice: boolean;
  /** Whether façades are looked at from outside. */
  outdoors: boolean;
}

/** Hours of steady running before a survey. */
const STEADY_H = 12;
const BLINDS_H = 2;
const CUPBOARDS_H = 6;
const FIRE_H = 24;
const HOUR_MS = 3_600_000;
/** Hours of the local clock in which people are up. */
const EARLIEST_H = 7;
const LATEST_H = 21;

/**
 * What the householder is asked to do, and from when: plain text with a title, headings that end in a colon and points.
 * Times go backwards from the slot; without one they are given as hours before the visit.
 */
export function householderLetter(facts: LetterFacts): string {
  const { siteName, slot, timeZone, weather, practice } = facts;
  const day = (time: number) => localDay(time, timeZone, 'long');
  const clock = (time: number) => localTime(time, timeZone);
  const since = (hours: number): string => {
    if (!slot) return `from ${hours} hours before the visit`;
    const awake = beforeBed(slot.from - hours * HOUR_MS, timeZone);
    return `from ${day(awake)}, ${clock(awake)}`;
  };
  const when = slot ? `${day(slot.from)}, ${clock(slot.from)} to ${clock(slot.to)}` : 'a day and hour that we will tell you';
  const points = facts.kind === 'solar-gain' ? gainPoints(facts) : surveyPoints(facts, since);
  const ends = [
    ...(slot && weather ? ['', `The hour was chosen by ${weather}.`] : []),
    ...(practice ? ['', PRACTICE_FOOT + '.'] : []),
  ];
  if (facts.ownHome) return ownHomeLetter(facts, slot ? when : 'on a good evening of the week', points, ends);
  return [
    `Before the thermal survey of ${siteName}`,
    '',
    `We come on ${when}, ${KINDS[facts.kind].wanted}. The camera sees surface temperatures; it works only if the house has been left steady for some hours. Please help with the following.`,
    '',
    'Please do:',
    ...points.map((point) => `• ${point}`),
    '',
    'Please mind:',
    ...cautions(facts).map((point) => `• ${point}`),
    '',
    'If the weather turns, we will call and choose another hour. If any of this cannot be done, leave it and tell us: we will work round it.',
    ...ends,
  ].join('\n');
}

/** The same for those who survey their own home: nobody comes, and nobody has to be told. */
function ownHomeLetter(facts: LetterFacts, when: string, points: string[], ends: string[]): string {
  return [
    `Before you survey ${facts.siteName}`,
    '',
    `You look ${when}, ${KINDS[facts.kind].wanted}. The camera sees surface temperatures; it works only if the house has been left steady for some hours.`,
    '',
    'Before:',
    ...points.map((point) => `• ${point}`),
    '',
    'While you look:',
    '• Ten minutes for the camera to warm up, lens cap off, card empty.',
    '• Every room in the same order, and two frames of each place: what is odd, and a sound place of the same kind.',
    '• Note what you change, and put it back.',
    '',
    'Please mind:',
    ...cautions(facts).map((point) => `• ${point}`),
    '',
    'If the weather turns, choose another hour. What you cannot reach you note as not reached.',
    ...ends,
  ].join('\n');
}

/** Nobody gets up at three to open curtains: what falls into the night is done at nine in the evening before. */
function beforeBed(time: number, timeZone: string): number {
  const { hour, day } = localHours(Math.floor(time / HOUR_MS) * HOUR_MS, 1, timeZone);
  if (hour[0]! >= LATEST_H) return momentOf(day[0]!, LATEST_H, timeZone);
  return hour[0]! < EARLIEST_H ? momentOf(day[0]! - 1, LATEST_H, timeZone) : time;
}

function surveyPoints({ inside, season, outdoors, kind, ownHome }: LetterFacts, since: (hours: number) => string): string[] {
  if (kind === 'no-heat')
    return [
      `Leave the heating off for some hours before ${ownHome ? 'you begin: you' : 'we come: we'} watch it warm up from cold.`,
      'Make every radiator, valve and manifold reachable: no towels, curtains or furniture in front.',
      `Have the keys of the boiler or plant room ready. ${ownHome ? 'Note every setting before you change it.' : 'Please do not change settings yourself.'}`,
    ];
  const steady = inside === null ? 'as you usually have it' : `at about ${inside}`;
  const running =
    season === 'heated'
      ? `Heating on and steady ${steady} ${since(STEADY_H)}; no night set-back.`
      : `Cooling on and steady ${steady} ${since(STEADY_H)}.`;
  return [
    running,
    `Doors between rooms open, outer doors and windows closed ${since(BLINDS_H)}.`,
    `Curtains and blinds open ${since(BLINDS_H)}.`,
    `Furniture a hand's width off outside walls, and cupboards on outside walls emptied or opened, ${since(CUPBOARDS_H)}.`,
    `No fire in stove or fireplace ${since(FIRE_H)}; close its damper only when everything is cold.`,
    'No laundry drying inside that day; cook and bathe early.',
    `Loft hatch closed but reachable. ${ownHome ? 'Note which rooms' : 'Tell us of rooms that'} are not used or not heated.`,
    ...(outdoors ? ['Leave the outside walls clear: no ladders, bicycles or bins against them. Do not wet them.'] : []),
  ];
}

function gainPoints({ ownHome }: LetterFacts): string[] {
  return [
    'Leave half of the blinds and shades open and half closed, so that the two can be compared.',
    `Leave the cooling as you usually run it, and ${ownHome ? 'note' : 'tell us'} how that is.`,
    'Keep the floor behind large windows clear.',
  ];
}

function cautions({ season, people, kind, ownHome }: LetterFacts): string[] {
  return [
    'Nobody should freeze or overheat for a survey: frail people, small children and pets come first.',
    ...(people.trim() === '' ? [] : [ownHome ? `Mind: ${people.trim()}.` : `You told us: ${people.trim()}. We will mind that.`]),
    ...(season === 'heated' && kind !== 'solar-gain'
      ? ['No extra fuel heaters. Keep air vents open while anything burns fuel, and a carbon monoxide alarm in the room.']
      : []),
    `Do not open electrical covers, flues or gas appliances, and do not climb into the loft or onto a roof for ${ownHome ? 'a picture' : 'us'}.`,
    ownHome
      ? 'The camera shows people too: ask everybody who lives there, and clear a borrowed camera of your pictures.'
      : 'The camera shows people too. Tell us which rooms we must not enter; pictures are used for the report only.',
  ];
}
