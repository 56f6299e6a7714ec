import { CoreError } from '../../ground/errors';
import { INSTRUMENT_U } from '../../ground/instruments';
import type { ToldPipe } from './toldPipe';
import {
  expectedClosed,
  judgeValve,
  type ClosedValve,
  type JudgedValve,
  type PipeReading,
} from '../../method/heating/valve/closedValve';

const { tapedPipeK: TAPED_U, barePipeK: BARE_U, roomK: ROOM_U } = INSTRUMENT_U;
/** A zone's pipe is read so near to its valve, m. */
const ZONE_M = 0.3;
/** Warmer at the farther place by so many standard uncertainties of a difference: heat comes from the far end. */
const FAR_END = 3;

/** What a closed valve's pipe says: a verdict, heat from its far end, or what is still missing. */
export type ValveSays =
  { kind: 'missing'; words: string } | { kind: 'far-end' } | { kind: 'judged'; judged: JudgedValve; valve: ClosedValve };

const missing = (words: string): ValveSays => ({ kind: 'missing', words });

/** What a valve's pipe says, or what is still missing. */
export function valveOf(pipe: ToldPipe): ValveSays {
  const { orientation, hotC, waterC, points } = pipe;
  if (orientation === null) return missing('Say whether the pipe runs level or rises: one that rises circulates in itself.');
  if (waterC === null) return missing('Read the water before the valve.');
  if (hotC === null) return missing('Read the pipe behind the valve while it is open and hot, then close it.');
  const readings = points.flatMap(({ m, celsius, taped, minutes }): PipeReading[] =>
    minutes === null || minutes === undefined ? [] : [{ m, celsius, minutes, u: taped ? TAPED_U : BARE_U }],
  );
  if (readings.length === 0)
    return missing('Read the pipe at some places behind the valve, each with the minutes since it closed.');
  if (fromFarEnd(readings)) return { kind: 'far-end' };
  return judged({ ...base(pipe, hotC, waterC), readings });
}

/** The zones of a card, each judged as a closed valve that is read after its call. */
export function zonesOf(pipe: ToldPipe): (ToldPipe['zones'][number] & { says: ValveSays })[] {
  return pipe.zones.map((zone) => ({ ...zone, says: zoneSays(pipe, zone) }));
}

function zoneSays(pipe: ToldPipe, { onC, offC, minutes }: ToldPipe['zones'][number]): ValveSays {
  if (pipe.orientation === null) return missing('Say whether the pipes run level or rise.');
  if (pipe.waterC === null) return missing('Read the water before the valves.');
  if (onC === null) return missing('Read it with its call.');
  if (offC === null || minutes === null || minutes === undefined)
    return missing('Read it after its call ended, and note the minutes since then.');
  return judged({ ...base(pipe, onC, pipe.waterC), readings: [{ m: ZONE_M, celsius: offC, minutes, u: TAPED_U }] });
}

const base = (pipe: ToldPipe, hotC: number, supplyC: number) => ({
  build: pipe,
  orientation: pipe.orientation!,
  roomC: pipe.airC,
  roomU: ROOM_U,
  hotC,
  supplyC,
});

function judged(valve: ClosedValve): ValveSays {
  try {
    return { kind: 'judged', valve, judged: judgeValve(valve) };
  } catch (error) {
    if (!(error instanceof CoreError)) throw error;
    return missing(`${error.message} ${error.hint}`);
  }
}

/** At the newest minute the farthest place is clearly warmer than the nearest. */
function fromFarEnd(readings: readonly PipeReading[]): boolean {
  const last = Math.max(...readings.map(({ minutes }) => minutes));
  const now = readings.filter(({ minutes }) => minutes === last).sort((a, b) => a.m - b.m);
  const [near, far] = [now[0]!, now.at(-1)!];
  return far.celsius - near.celsius > FAR_END * Math.hypot(near.u, far.u);
}

const litres = (value: number) => (value < 10 ? value.toFixed(1) : String(Math.round(value)));

/** The verdict in sentences, with its numbers. @param temperature - as it is shown */
export function valveWords(says: ValveSays, temperature: (celsius: number) => string): string {
  if (says.kind === 'missing') return says.words;
  if (says.kind === 'far-end')
    return 'It is warmer farther away: heat comes from the far end, by gravity or through the return. That says nothing of this valve.';
  const { judged: found, valve } = says;
  const last = valve.readings.reduce((a, b) => (b.minutes >= a.minutes ? b : a));
  const expected = expectedClosed(valve, last.minutes, last.m);
  const beside = `After ${Math.round(last.minutes)} min a full closed pipe would read about ${temperature(expected)} at ${last.m.toFixed(1)} m; it reads ${temperature(last.celsius)}. `;
  const rising = valve.orientation === 'rising' ? ' It rises, and circulates in itself: that is reckoned with.' : '';
  switch (found.verdict) {
    case 'holds':
      return `${beside}It cools as a full closed pipe does: the valve holds (less than ${litres(found.highLitres)} l/h).${rising}`;
    case 'passes':
      return `${beside}It stays too warm: water passes the valve, about ${litres(found.litresHour!)} l/h (95 %: ${litres(found.lowLitres)} … ${litres(found.highLitres)}).${rising}`;
    case 'cannot-say':
      return `${beside}${whyNot(found)}${rising}`;
  }
}

function whyNot({ fitsNeither, waitMinutes }: JudgedValve): string {
  if (fitsNeither)
    return 'Neither a tight valve nor one that passes explains it: is the pipe full, its size right, does something else warm it?';
  if (waitMinutes === null) return 'That does not tell, and waiting would not either: more places, on tape, with a hotter pipe.';
  return `That does not tell yet: a full pipe cools slowly. Read the same places again ${waitMinutes} min after closing.`;
}

type Zone = ToldPipe['zones'][number];

/** What the lever of a zone valve's motor says, tried both ways; nothing while one is missing. */
export function leverWords({ leverOn, leverOff }: Pick<Zone, 'leverOn' | 'leverOff'>): string {
  if (!leverOn || !leverOff) return '';
  if (leverOn === 'slack' && leverOff === 'resists') return 'Its motor drives the valve: slack with the call, resisting without.';
  if (leverOn === 'slack') return 'Slack both ways: it stands driven open, or its gear is broken. It may never close.';
  if (leverOff === 'resists')
    return 'Resists both ways: it is never driven open. Motor or its wiring; electrical work is for the competent.';
  return 'Resists with the call and is slack without: the call reaches another valve, or its sense is reversed.';
}
