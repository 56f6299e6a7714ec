import type { VisitDocument } from '../../model/document';
import { PIPE_FACTS } from '../../method/heating/pipes';
import type { PipeQuestion, PipeValue } from '../../model/pipeRow';
import { filled, type Filled } from '../../ground/source';
import { USUAL } from '../../ground/usual';
import * as format from '../../ground/format';
import type { DisplayUnit } from '../../ground/temperature';
import { conditionsOf } from '../visit/theVisit';

type Unsaid = keyof typeof USUAL.pipe | 'airC';

/** A pipe as it is reckoned with. */
export type ToldPipe = Filled<PipeValue, Unsaid>;

/** A pipe with usual values where nobody said any; the air of the visit is told, not assumed. */
export function toldPipe(document: VisitDocument, value: PipeValue): ToldPipe {
  const airC = value.airC ?? conditionsOf(document)?.value.insideC ?? null;
  return filled<PipeValue, Unsaid>({ ...value, airC }, { ...USUAL.pipe, airC: USUAL.airC });
}

const ASKED: Record<PipeQuestion, readonly Unsaid[]> = {
  valve: ['material', 'outerMm', 'wallMm', 'laggingMm', 'airC'],
  zones: ['material', 'outerMm', 'wallMm', 'laggingMm', 'airC'],
  run: ['material', 'outerMm', 'laggingMm', 'airC', 'hoursYear'],
  cylinder: ['airC', 'hoursYear'],
};

/** What an answer about a pipe rests on that nobody said, each with its usual value in words. */
export function assumedOfPipe(pipe: ToldPipe, unit: DisplayUnit): string[] {
  const words: Record<Unsaid, string> = {
    material: PIPE_FACTS[pipe.material].words.toLowerCase(),
    outerMm: `${pipe.outerMm} mm across`,
    wallMm: `${pipe.wallMm} mm of wall`,
    laggingMm: pipe.laggingMm === 0 ? 'no lagging' : `${pipe.laggingMm} mm of lagging`,
    airC: `air at ${format.temperature(pipe.airC, unit)}`,
    hoursYear: `hot for ${pipe.hoursYear} h a year`,
  };
  return ASKED[pipe.question].filter((field) => pipe.assumed.includes(field)).map((field) => words[field]);
}
