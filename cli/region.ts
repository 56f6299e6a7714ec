import { CoreError, requireRange } from '@core/ground/errors';
import { shapeSchema, type Shape } from '@core/method/frame/region';
import { toNumber, usage } from './arguments';

/** Settings written behind a region, as far as they are. */
export interface OwnSettings {
  emissivity?: number;
  emissivityU?: number;
  reflected?: number;
  reflectedU?: number;
  /** Regions of one material share the error of their emissivity. */
  material?: string;
  /** Regions of one view share the error of what they mirror. */
  view?: string;
  /** The region of the tape that tells this one's emissivity. */
  tape?: string;
}

export interface NamedRegion {
  name: string;
  shape: Shape;
  own: OwnSettings;
}

const FORMS =
  'name=spot:x,y · name=box:x,y,w,h · name=line:x1,y1,x2,y2 · name=poly:x1,y1,x2,y2,… · behind it @emissivity=0.93,emissivity-u=0.02,reflected=-5,reflected-u=3,material=ID,view=ID,tape=NAME';

/** `name=box:10,20,30,40`, with settings of its own behind an @ if need be. */
export function parseRegion(text: string): NamedRegion {
  const match = /^([^=,@]+)=(spot|box|line|poly):([^@]*)(?:@(.*))?$/.exec(text);
  if (!match) throw usage(`--region ${JSON.stringify(text)} cannot be read.`, `Write ${FORMS}.`);
  const [, name, kind, list, own] = match;
  const numbers = list!.split(',').map((part) => toNumber(part, `A number of region ${name}`));
  const checked = shapeSchema.safeParse(shapeFrom(kind!, numbers));
  if (!checked.success) {
    throw new CoreError(
      'bad_region',
      `Region ${JSON.stringify(text)} is not a ${kind}: ${checked.error.issues[0]!.message}.`,
      { argument: name! },
      `Write ${FORMS}.`,
    );
  }
  return { name: name!, shape: checked.data, own: own === undefined ? {} : ownSettings(own, name!) };
}

/** Numbers behind a region, with the key that keeps each and its range. */
const NUMBERS = {
  emissivity: ['emissivity', Number.MIN_VALUE, 1],
  'emissivity-u': ['emissivityU', 0, 0.5],
  reflected: ['reflected', -150, 2000],
  'reflected-u': ['reflectedU', 0, 100],
} as const;
const WORDS = ['material', 'view', 'tape'] as const;

function ownSettings(text: string, region: string): OwnSettings {
  const own: OwnSettings = {};
  for (const part of text.split(',')) {
    const [key, value, ...more] = part.split('=') as [string, string | undefined, ...string[]];
    const word = WORDS.find((known) => known === key);
    if (value === undefined || value === '' || more.length > 0 || (!word && !(key in NUMBERS))) {
      throw usage(`Behind region ${region} stands ${JSON.stringify(part)}, which is not known.`, `Write ${FORMS}.`);
    }
    if (word) own[word] = value;
    else {
      const [name, low, high] = NUMBERS[key as keyof typeof NUMBERS];
      const number = toNumber(value, `${key} of region ${region}`);
      requireRange(`${key} of region ${region}`, number, low, high);
      own[name] = number;
    }
  }
  return own;
}

function shapeFrom(kind: string, n: number[]): unknown {
  switch (kind) {
    case 'spot':
      return n.length === 2 ? { kind, x: n[0], y: n[1] } : null;
    case 'box':
      return n.length === 4 ? { kind, x: n[0], y: n[1], width: n[2], height: n[3] } : null;
    case 'line':
      return n.length === 4 ? { kind, x1: n[0], y1: n[1], x2: n[2], y2: n[3] } : null;
    default: {
      const points = n.length % 2 === 0 ? Array.from({ length: n.length / 2 }, (_, i) => [n[2 * i], n[2 * i + 1]]) : null;
      return points && { kind, points };
    }
  }
}
