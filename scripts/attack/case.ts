import type { Den } from '../../e2e/support/den';

/** What an attacker, a power cut or plain bad luck does, and what has to come of it. */
export interface Attack {
  /** What was tried. */
  tried: string;
  expected: string;
  /** Tries it on a Glow Den of its own that runs, with the demo in it; leaves it running. @returns what was seen */
  run(den: Den): Promise<{ seen: string; held: boolean }>;
}

export function attack(tried: string, expected: string, run: Attack['run']): Attack {
  return { tried, expected, run };
}

/** What was seen is what was expected, word by word. */
export function seen(told: string, held: boolean): { seen: string; held: boolean } {
  return { seen: told, held };
}

export const megabytes = (bytes: number): string => `${Math.round(bytes / 1024 / 1024)} MB`;

/**
 * So many times as long may it take as on a machine with nothing else to do: tests that run beside others say more. What hangs
 * is found all the same.
 */
export const PATIENCE = Number(process.env.DEN_ATTACK_PATIENCE ?? 1);
