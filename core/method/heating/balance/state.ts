/** What the tails of an emitter are: paint is near what a camera is set to, bare metal is not, tape is. */
export const TAILS = ['painted', 'bare', 'taped', 'unknown'] as const;
export type TailKind = (typeof TAILS)[number];

/** An emitter as it is balanced: a radiator with its lockshield. */
export interface BalanceEmitter {
  id: string;
  /** 1 is nearest to the source by pipe. */
  order: number;
  /** Output at 50 K mean excess, W, right to about 7 %; null where nobody knows it. */
  ratedW: number | null;
  exponent: number;
  /** How far its lockshield is open now, and how far it can be; turns in eighths. */
  turns: number;
  turnsOpen: number;
  /** The valve cannot be turned. */
  sticks: boolean;
  /** null: its tails read right (by contact, or all alike). */
  tail: TailKind | null;
  /** The walk before whose readings its tails were taped; null where they are as they always were. */
  tapedWalk: number | null;
  /** They cannot be taped: it goes on as well as it does without. */
  withoutTape: boolean;
  /** Its thermostatic head was left on: it takes some of the flow as its room becomes warm. */
  headOn: boolean;
}

/** Turns are made in eighths. */
export const EIGHTH = 0.125;

/** The last whole eighth before the stop of a lockshield, turns. */
export function stopOf({ turnsOpen }: BalanceEmitter): number {
  return Math.floor(turnsOpen / EIGHTH + 1e-9) * EIGHTH;
}

export interface ValveTurn {
  walk: number;
  atS: number;
  emitterId: string;
  from: number;
  to: number;
}

export interface TailReading {
  walk: number;
  atS: number;
  emitterId: string;
  /** Of its lockshield when it was read. */
  turns: number;
  flowC: number;
  returnC: number;
  roomC: number;
  /** Since any valve in the house was last turned, s. */
  settledS: number;
}

/** Everything that is known of a circuit that is balanced by drop; oldest first. */
export interface BalanceState {
  targetK: number;
  toleranceK: number;
  flowSetC: number;
  emitters: BalanceEmitter[];
  turned: ValveTurn[];
  readings: TailReading[];
}

export type DropState = 'on-target' | 'too-small' | 'too-large' | 'cold' | 'not-read';
export type CannotWhy = 'sludged' | 'undersized-pump' | 'closed' | 'no-heat' | 'sticks' | 'ends-swapped' | 'not-settled';

/** What to do next: one walk. */
export interface BalanceAdvice {
  done: boolean;
  /** Both tails of these are taped before this walk's moves. */
  tape: string[];
  /** How it ended: all in tolerance, or no turn makes it better; then who may be out of tolerance. null while it goes on. */
  end: 'done' | 'as-good-as-it-gets' | null;
  left: string[];
  /** Of those with tails that cannot be taped, whose tails leave open whether they are in tolerance. */
  untaped: string[];
  moves: { emitterId: string; toTurns: number; expectDropK: number; uncertaintyK: number }[];
  waitS: number;
  read: string[];
  /** Of every emitter as it stands: its steady drop with its standard uncertainty; null where there is none. */
  drops: { emitterId: string; dropK: number | null; uncertaintyK: number | null; state: DropState }[];
  cannot: { emitterId: string; why: CannotWhy }[];
}
