import { readFileSync } from 'node:fs';
import type { Den } from '../../e2e/support/den';

function field(den: Den, name: 'VmHWM' | 'VmRSS'): number {
  const status = readFileSync(`/proc/${den.running()!.app.pid}/status`, 'utf8');
  return Number(new RegExp(`${name}:\\s+(\\d+) kB`).exec(status)![1]) * 1024;
}

/** The most memory that the server ever had, bytes. */
export const peakOf = (den: Den): number => field(den, 'VmHWM');
export const memoryOf = (den: Den): number => field(den, 'VmRSS');
