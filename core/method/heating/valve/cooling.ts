import { LAGGING_WMK, PIPE_FACTS, type PipeBuild } from '../pipes';

/** Heat capacity of water in a volume, MJ/(m³·K), what still water conducts, W/(m·K), and what a litre holds, J/K. */
const WATER_MJ = 4.1;
const WATER_WMK = 0.63;
const WATER_J_LITRE = 4100;
/** From the bare outer surface to the room, and from lagging, W/(m²·K). */
const BARE_FILM = 10.5;
const COVER_FILM = 9;

/** A full pipe as far as its cooling goes, for each metre. */
export interface PipeThermal {
  /** J/(m·K) */
  capacity: number;
  /** Conductivity times area along the wall, and along still water, W·m/K. */
  wall: number;
  water: number;
  /** To the room, W/(m·K). */
  loss: number;
}

/** What a metre of a pipe full of water stores, conducts and loses. */
export function pipeThermal({ material, outerMm, wallMm, laggingMm }: PipeBuild): PipeThermal {
  const [outer, wall, lagging] = [outerMm / 1000, Math.min(wallMm, outerMm / 2) / 1000, laggingMm / 1000];
  const { conductivity, capacityMJ } = PIPE_FACTS[material];
  const metal = Math.PI * wall * (outer - wall);
  const bore = Math.PI * (outer / 2 - wall) ** 2;
  const through = wall / (Math.PI * outer * conductivity);
  const outside =
    lagging > 0
      ? Math.log(1 + (2 * lagging) / outer) / (2 * Math.PI * LAGGING_WMK) + 1 / (COVER_FILM * Math.PI * (outer + 2 * lagging))
      : 1 / (BARE_FILM * Math.PI * outer);
  return {
    capacity: 1e6 * (metal * capacityMJ + bore * WATER_MJ),
    wall: metal * conductivity,
    water: WATER_WMK * bore,
    loss: 1 / (through + outside),
  };
}

/** What is not known of a pipe behind a closed valve. */
export interface Unknowns {
  /** Passes the valve, l/h. */
  litresHour: number;
  /** Times the loss of its build. */
  loss: number;
  /** Times what wall and still water conduct along. */
  along: number;
}

/** Length that is followed, in cells, m; and a step of time, s. */
const FAR_M = 6;
const CELL_M = 0.05;
const CELLS = Math.round(FAR_M / CELL_M);
const STEP_S = 60;

/** Shares of the excess at the start and of the supply's excess that are left, by cell, at the minutes that were asked for. */
export interface Cooling {
  ofStart: Shares;
  ofSupply: Shares;
}
type Shares = ReadonlyMap<number, Float64Array>;

/**
 * How a full pipe cools behind its valve from the moment at which it was closed: implicit finite volumes, one minute a step.
 * Cooling is linear: a temperature's excess over the room is `ofStart` times the excess at first plus `ofSupply` times that of
 * the water before the valve, which stays.
 *
 * @param minutes - when it is looked at, whole minutes since closing
 */
export function coolingBehind(pipe: PipeThermal, { litresHour, loss, along }: Unknowns, minutes: ReadonlySet<number>): Cooling {
  const flow = (litresHour / 3600) * WATER_J_LITRE;
  const conducts = ((pipe.wall + pipe.water) * along) / CELL_M;
  const stores = (pipe.capacity * CELL_M) / STEP_S;
  const lost = pipe.loss * loss * CELL_M;
  // One tridiagonal matrix for all steps: eliminated once.
  const before = -(flow + conducts);
  const after = -conducts;
  const middle = (i: number) => stores + lost + flow + (i === 0 ? 3 * conducts : i === CELLS - 1 ? conducts : 2 * conducts);
  const pivot = new Float64Array(CELLS);
  const factor = new Float64Array(CELLS);
  pivot[0] = middle(0);
  for (let i = 1; i < CELLS; i += 1) {
    factor[i] = before / pivot[i - 1]!;
    pivot[i] = middle(i) - factor[i]! * after;
  }
  const step = (t: Float64Array, driven: number) => {
    t[0] = stores * t[0]! + driven;
    for (let i = 1; i < CELLS; i += 1) t[i] = stores * t[i]! - factor[i]! * t[i - 1]!;
    t[CELLS - 1]! /= pivot[CELLS - 1]!;
    for (let i = CELLS - 2; i >= 0; i -= 1) t[i] = (t[i]! - after * t[i + 1]!) / pivot[i]!;
  };
  const start = new Float64Array(CELLS).fill(1);
  const supply = new Float64Array(CELLS);
  const ofStart = new Map<number, Float64Array>();
  const ofSupply = new Map<number, Float64Array>();
  const last = Math.max(...minutes);
  for (let minute = 0; minute <= last; minute += 1) {
    if (minute > 0) {
      step(start, 0);
      step(supply, flow + 2 * conducts);
    }
    if (!minutes.has(minute)) continue;
    ofStart.set(minute, start.slice());
    ofSupply.set(minute, supply.slice());
  }
  return { ofStart, ofSupply };
}

/** A share at a minute that was asked for, between cells. @param m - from the valve; beyond the followed length its end stands for it */
export function shareAt(shares: Shares, minutes: number, m: number): number {
  const place = Math.max(0, Math.min(CELLS - 1.001, m / CELL_M - 0.5));
  const cell = Math.floor(place);
  const row = shares.get(Math.round(minutes))!;
  return row[cell]! * (1 - place + cell) + row[cell + 1]! * (place - cell);
}
