import { massFlows, radiatorW, WATER_J_KGK, type HeatingHouse } from './house';

/** A heating system at one moment. */
export interface HeatingState {
  timeS: number;
  turns: number[];
  /** Of the source's water and of each radiator's return, °C. */
  sourceC: number;
  returnC: number[];
  burning: boolean;
  pumpOn: boolean;
  /** Since it began, J: from the source, into rooms by radiators, into what is around the pipes. */
  energy: { supplied: number; given: number; lost: number };
}

/** A cold house: everything as warm as its room. */
export function coldHeating(house: HeatingHouse, turns: readonly number[]): HeatingState {
  return {
    timeS: 0,
    turns: [...turns],
    sourceC: house.voidC,
    returnC: house.radiators.map(({ roomC }) => roomC),
    burning: true,
    pumpOn: true,
    energy: { supplied: 0, given: 0, lost: 0 },
  };
}

/** What is left of the excess over the void on the way to each radiator. */
function warmthLeft(house: HeatingHouse, flows: readonly number[]): number[] {
  const through = house.pipes.map(() => 0);
  house.radiators.forEach(({ pipe }, i) => {
    for (let k = pipe; k >= 0; k = house.pipes[k]!.over) through[k]! += flows[i]!;
  });
  return house.radiators.map(({ pipe }) => {
    let loss = 0;
    for (let k = pipe; k >= 0; k = house.pipes[k]!.over)
      loss += house.pipes[k]!.lossWK / (WATER_J_KGK * Math.max(1e-9, through[k]!));
    return Math.exp(-loss);
  });
}

/** Temperatures of the flow tails, °C: a radiator without water has its own. */
export function flowTails(house: HeatingHouse, state: HeatingState): number[] {
  const flows = state.pumpOn ? massFlows(house, state.turns) : state.turns.map(() => 0);
  return tailsOf(house, state, flows, warmthLeft(house, flows));
}

function tailsOf(
  house: HeatingHouse,
  { sourceC, returnC }: HeatingState,
  flows: readonly number[],
  left: readonly number[],
): number[] {
  return flows.map((flow, i) => (flow > 1e-7 ? house.voidC + (sourceC - house.voidC) * left[i]! : returnC[i]!));
}

const MOST_STEP_S = 4;

/**
 * Lets a heating system run on; flows follow valves at once, heat does not. Heun's rule; what the source gives is what rooms
 * and pipes take and what is stored, within 0.1 %.
 *
 * @param seconds - 0 and more
 */
export function runHeating(house: HeatingHouse, from: HeatingState, seconds: number): HeatingState {
  const flows = from.pumpOn ? massFlows(house, from.turns) : from.turns.map(() => 0);
  const left = warmthLeft(house, flows);
  const { source, radiators, voidC } = house;
  const rates = (state: HeatingState) => {
    const tails = tailsOf(house, state, flows, left);
    let [draw, given, taken] = [0, 0, 0];
    const ofReturns = radiators.map((radiator, i) => {
      const capacity = WATER_J_KGK * flows[i]!;
      const into = capacity * (tails[i]! - state.returnC[i]!);
      const out = radiatorW(radiator, tails[i]!, state.returnC[i]!);
      given += out;
      taken += into;
      draw += capacity * (state.sourceC - voidC - (state.returnC[i]! - voidC) * left[i]!);
      return (into - out) / radiator.storeJK;
    });
    const wanted = draw + (source.storeJK * (source.setC - state.sourceC)) / 30;
    const power =
      source.swingK > 0 ? (state.burning ? source.powerW : 0) : state.burning ? Math.max(0, Math.min(source.powerW, wanted)) : 0;
    return { ofReturns, ofSource: (power - draw) / source.storeJK, power, given, lost: draw - taken };
  };
  let state = from;
  for (let leftS = seconds; leftS > 1e-9;) {
    const dt = Math.min(MOST_STEP_S, leftS);
    if (source.swingK > 0) {
      const burning = Math.abs(state.sourceC - source.setC) >= source.swingK ? state.sourceC < source.setC : state.burning;
      state = { ...state, burning };
    }
    const one = rates(state);
    const guess = {
      ...state,
      sourceC: state.sourceC + dt * one.ofSource,
      returnC: state.returnC.map((value, i) => value + dt * one.ofReturns[i]!),
    };
    const two = rates(guess);
    const mean = (a: number, b: number) => (dt * (a + b)) / 2;
    state = {
      ...state,
      timeS: state.timeS + dt,
      sourceC: state.sourceC + mean(one.ofSource, two.ofSource),
      returnC: state.returnC.map((value, i) => value + mean(one.ofReturns[i]!, two.ofReturns[i]!)),
      energy: {
        supplied: state.energy.supplied + mean(one.power, two.power),
        given: state.energy.given + mean(one.given, two.given),
        lost: state.energy.lost + mean(one.lost, two.lost),
      },
    };
    leftS -= dt;
  }
  return state;
}

/** Heat that is stored in source and radiators over 0 °C, J. */
export function storedJ(house: HeatingHouse, { sourceC, returnC }: HeatingState): number {
  return house.source.storeJK * sourceC + house.radiators.reduce((sum, { storeJK }, i) => sum + storeJK * returnC[i]!, 0);
}
