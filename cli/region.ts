import { CoreError } from '@core/errors';
import { shapeSchema, type Shape } from '@core/frame/region';
import { toNumber, usage } from './arguments';

export interface NamedRegion {
  name: string;
  shape: Shape;
  /** Settings written behind the shape, as text. */
  overrides: string | undefined;
}

const FORMS = 'name=spot:x,y · name=box:x,y,w,h · name=line:x1,y1,x2,y2 · name=poly:x1,y1,x2,y2,…';

/** `name=box:10,20,30,40`, with settings of its own behind an @ if need be. */
export function parseRegion(text: string): NamedRegion {
  const match = /^([^=]+)=(spot|box|line|poly):([^@]*)(?:@(.*))?$/.exec(text);
  if (!match) throw usage(`--region ${JSON.stringify(text)} cannot be read.`, `Write ${FORMS}.`);
  const [, name, kind, list, overrides] = match;
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
  return { name: name!, shape: checked.data, overrides };
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
