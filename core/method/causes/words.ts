import * as format from '../../ground/format';
import type { DisplayUnit } from '../../ground/temperature';
import type { Cause } from './cause';
import { CHECKS } from './checks';
import { CIRCUMSTANCES } from './circumstances';
import type { Trait } from './evidence';
import type { Measured } from './measured';
import type { Argument } from './rank';

type Say = string | ((measured: Measured, unit: DisplayUnit) => string);

/** What is seen, as a sentence without its full stop. */
const SEEN: { [T in Exclude<Trait, 'side'>]: Record<string, Say> } = {
  form: {
    line: 'It is a thin straight line',
    'bent-line': 'It is a thin line with corners',
    box: 'Its sides are straight and upright',
    'runs-out': 'It is strongest at one end and runs out from there',
    spot: 'It is a spot, strongest in its middle',
    ragged: 'Its outline is irregular',
    patch: 'It is a compact patch without straight sides',
  },
  rim: { sharp: 'Its rim is sharp', middling: 'Its rim is neither sharp nor soft', soft: 'Its rim is soft' },
  top: {
    flat: 'It is even from rim to rim',
    uneven: 'It is stronger in some parts than in others',
    peaked: 'It rises to a peak',
  },
  inside: { even: 'It is calm inside', blotchy: 'It is blotchy inside' },
  tone: {
    colder: (measured, unit) => `It is ${differenceWords(measured, unit)}`,
    warmer: (measured, unit) => `It is ${differenceWords(measured, unit)}`,
  },
  sign: {
    loss: (measured, unit) => `It is ${differenceWords(measured, unit)}, as a loss of heat is on this side`,
    gain: (measured, unit) => `It is ${differenceWords(measured, unit)}, the other way than a loss of heat`,
  },
  drop: {
    slight: (measured) => `It hardly changes the temperature factor (by ${dropWords(measured)})`,
    clear: (measured) => `It changes the temperature factor by ${dropWords(measured)}`,
    strong: (measured) => `It changes the temperature factor much, by ${dropWords(measured)}`,
    extreme: (measured) => `It changes the temperature factor very much, by ${dropWords(measured)}`,
  },
  bounds: {
    between: (measured, unit) => `At ${format.temperature(measured.extremeC, unit)} it lies between the air inside and outside`,
    'warmer-than-both': (measured, unit) =>
      `At ${format.temperature(measured.extremeC, unit)} it is warmer than the air on both sides`,
    'colder-than-both': (measured, unit) =>
      `At ${format.temperature(measured.extremeC, unit)} it is colder than the air on both sides`,
  },
  wet: {
    above: (measured, unit) =>
      `At ${format.temperature(measured.extremeC, unit)} it is above the wet-bulb temperature of the air, ${format.temperature(measured.wetBulbC!, unit)}`,
    'below-wet-bulb': (measured, unit) =>
      `At ${format.temperature(measured.extremeC, unit)} it is colder than the wet-bulb temperature of the air, ${format.temperature(measured.wetBulbC!, unit)}`,
    'below-dew-point': (measured, unit) =>
      `At ${format.temperature(measured.extremeC, unit)} it is below the dew point of the air, ${format.temperature(measured.dewPointC!, unit)}`,
  },
  begins: {
    opening: 'It begins at the rim of an opening',
    junction: 'It begins where two surfaces meet',
    rim: 'It reaches the edge of the picture',
    object: 'It begins at something hot',
    free: 'It touches no edge and no opening',
  },
  framing: {
    bay: 'Both its sides lie on lines of the framing',
    'one-side': 'One of its sides lies on a line of the framing',
    off: 'Its sides lie beside the lines of the framing',
  },
  within: {
    pane: 'It is or lies in something with a frame and panes',
    plate: 'It lies on something with an outline of its own',
    surface: 'It lies on the surface itself',
  },
  reach: {
    through: 'It goes from one edge of the picture to the other',
    top: 'It reaches the upper edge of the surface',
    part: 'It ends within the picture',
  },
  way: { upright: 'It runs upright', level: 'It runs level', slanting: 'It slants' },
  size: {
    tiny: 'It is small in the picture',
    small: (measured) => `It takes ${shareWords(measured)} of the surface in view`,
    large: (measured) => `It is large: ${shareWords(measured)} of the surface in view`,
  },
  alike: { alone: 'Nothing like it lies beside it', several: 'Others like it lie beside it' },
};

/** What nobody would say in favour of anything, though it counts. */
const SILENT: ReadonlySet<string> = new Set([
  'reach part',
  'within surface',
  'alike alone',
  'size small',
  'size tiny',
  'begins free',
  'begins rim',
  'rim middling',
]);

function differenceWords({ contrastK }: Measured, unit: DisplayUnit): string {
  return `${contrastK < 0 ? 'colder' : 'warmer'} than the surface around it by ${format.difference(Math.abs(contrastK), unit)}`;
}

function dropWords({ contrastK, insideC, outsideC }: Measured): string {
  return format.number(Math.abs(contrastK / (insideC! - outsideC!)), 2);
}

function shareWords({ share }: Measured): string {
  return share < 0.1 ? `${format.number(100 * share, 1)} %` : `${format.number(100 * share, 0)} %`;
}

/** An argument as a sentence; null for what needs no words. */
function argumentWords(argument: Argument, cause: Cause, measured: Measured, unit: DisplayUnit): string | null {
  switch (argument.kind) {
    case 'circumstance':
      return CIRCUMSTANCES[argument.circumstance];
    case 'check': {
      const check = CHECKS[argument.check];
      return `${check.name}: ${lowerFirst((check.outcomes as Record<string, string>)[argument.outcome] ?? argument.outcome)}.`;
    }
    case 'trait': {
      if (argument.trait === 'side') return null;
      const silent = SILENT.has(`${argument.trait} ${argument.value}`);
      if (silent && (argument.weight > 0 || !cause.usually[argument.trait])) return null;
      const say = SEEN[argument.trait][argument.value]!;
      const seen = typeof say === 'string' ? say : say(measured, unit);
      const usually = cause.usually[argument.trait];
      return argument.weight < 0 && usually ? `${seen}; ${usually}.` : `${seen}.`;
    }
  }
}

/** Traits of which one sentence is enough: they state the same number. */
const SAME: readonly (readonly Trait[])[] = [
  ['tone', 'sign'],
  ['bounds', 'wet'],
];

/** The strongest arguments of a list as sentences, none of which says what another has said. */
export function argumentSentences(
  all: readonly Argument[],
  cause: Cause,
  measured: Measured,
  unit: DisplayUnit,
  most = Infinity,
): { argument: Argument; words: string }[] {
  const said: { argument: Argument; words: string }[] = [];
  const told = new Set<Trait>();
  for (const argument of all) {
    if (said.length >= most) break;
    if (argument.kind === 'trait' && told.has(argument.trait)) continue;
    const words = argumentWords(argument, cause, measured, unit);
    if (words === null) continue;
    said.push({ argument, words });
    if (argument.kind === 'trait')
      for (const group of SAME) if (group.includes(argument.trait)) for (const trait of group) told.add(trait);
  }
  return said;
}

function lowerFirst(text: string): string {
  return text.charAt(0).toLowerCase() + text.slice(1);
}
