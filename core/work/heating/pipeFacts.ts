import { cylinderLoss, pipeLoss, type HeatLoss } from '../../method/heating/pipes';
import type { ToldPipe } from './toldPipe';
import { wholePm } from '../../ground/wholePm';

/** What a run or a cylinder loses; null as long as something is missing. */
export function lossOf(pipe: ToldPipe): HeatLoss | null {
  const { question, extent, waterC, surfaceC, airC, hoursYear } = pipe;
  if (extent === null || waterC === null) return null;
  if (question === 'run') return pipeLoss(pipe, extent, waterC, airC, hoursYear);
  if (question === 'cylinder' && surfaceC !== null) return cylinderLoss(extent, surfaceC, waterC, airC, hoursYear);
  return null;
}

/** `210 W ± 40 W, 1050 ± 210 kWh a year`. */
export function lossWords({ watts, kwhYear, share }: HeatLoss): string {
  return `${Math.round(watts)} W ± ${wholePm(share * watts)} W, ${Math.round(kwhYear)} ± ${wholePm(share * kwhYear)} kWh a year`;
}
