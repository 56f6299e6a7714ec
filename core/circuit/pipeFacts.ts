import { CoreError } from '../errors';
import { cylinderLoss, pipeLoss, readValve, readZone, type HeatLoss, type ValveReading } from '../heating/pipes';
import type { PipeValue } from '../heating/rows/pipeRow';

/** Uncertainty of a pipe temperature that the camera reads on tape or paint, and on anything else, K (k = 1). */
const TAPED_U = 0.6;
const BARE_U = 4;

/** What a valve's pipe says, or what is still missing. */
export function valveOf(pipe: PipeValue): ValveReading | { missing: string } {
  const bare = pipe.points.some(({ taped }) => !taped);
  try {
    return readValve(pipe.points, pipe, pipe.airC, bare ? BARE_U : TAPED_U);
  } catch (error) {
    if (!(error instanceof CoreError)) throw error;
    return { missing: `${error.message} ${error.hint}` };
  }
}

const metres = (value: number | null) =>
  value === null ? 'beyond reading' : value === Infinity ? 'no end' : `${value.toFixed(2)} m`;

/** The verdict in a sentence, with its numbers. */
export function valveWords({ verdict, lengthM, lengthLowM, lengthHighM, expectedM, litresHour }: ValveReading): string {
  const range = lengthLowM === null ? '' : ` (95 %: ${metres(lengthLowM)} … ${metres(lengthHighM)})`;
  const fade =
    lengthM === null
      ? ''
      : `The excess fades by 63 % in ${metres(lengthM)}${range}; a dead leg would in ${expectedM.toFixed(2)} m. `;
  switch (verdict) {
    case 'holds':
      return `${fade}It fades as conduction alone does: the valve holds.`;
    case 'passes':
      return `${fade}It stays too level: water passes the valve${litresHour !== null && Number.isFinite(litresHour) ? `, about ${litresHour < 1 ? litresHour.toFixed(1) : Math.round(litresHour)} l/h` : ''}.`;
    case 'far-end':
      return 'It is warmer farther away: heat comes from the far end, by gravity or through the return.';
    case 'cannot-say':
      return `${fade}That does not tell yet: read more places, hotter, on tape.`;
  }
}

/** Zones with and without their call. */
export function zonesOf({ zones, airC }: PipeValue) {
  return zones.map((zone) => ({ ...zone, verdict: readZone(zone.onC, zone.offC, airC) }));
}

/** What a run or a cylinder loses; null as long as something is missing. */
export function lossOf(pipe: PipeValue): HeatLoss | null {
  const { question, extent, waterC, surfaceC, airC, hoursYear } = pipe;
  if (extent === null || waterC === null) return null;
  if (question === 'run') return pipeLoss(pipe, extent, waterC, airC, hoursYear);
  if (question === 'cylinder' && surfaceC !== null) return cylinderLoss(extent, surfaceC, waterC, airC, hoursYear);
  return null;
}
