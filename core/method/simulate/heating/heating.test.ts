import { massFlows, plugOpening, WATER_J_KGK, type HeatingHouse } from './house';
import { coldHeating, flowTails, runHeating, storedJ } from './run';
import { SIGNAL_HOUSE } from './signalHouse';

const turns = SIGNAL_HOUSE.radiators.map(({ turnsOpen }, i) => (i % 3 === 0 ? turnsOpen : 1.25));

test('pump, pipes and radiators take and give the same pressure around each loop', () => {
  const flows = massFlows(SIGNAL_HOUSE, turns);
  const total = flows.reduce((sum, flow) => sum + flow, 0);
  const { pipes, radiators, pump } = SIGNAL_HOUSE;
  const through = pipes.map((_, k) =>
    flows.reduce((sum, flow, i) => {
      for (let at = radiators[i]!.pipe; at >= 0; at = pipes[at]!.over) if (at === k) return sum + flow;
      return sum;
    }, 0),
  );
  radiators.forEach((radiator, i) => {
    let taken = (radiator.body + radiator.valve / plugOpening(radiator, turns[i]!) ** 2) * flows[i]! ** 2;
    for (let k = radiator.pipe; k >= 0; k = pipes[k]!.over) taken += pipes[k]!.resistance * through[k]! ** 1.8;
    expect(taken).toBeCloseTo(pump.head - pump.fall * total ** 2, 6);
  });
});

test('energy is kept: supplied is given, lost and stored, within a thousandth', () => {
  const cold = coldHeating(SIGNAL_HOUSE, turns);
  for (const house of [SIGNAL_HOUSE, { ...SIGNAL_HOUSE, source: { ...SIGNAL_HOUSE.source, swingK: 2 } }]) {
    const later = runHeating(house, cold, 2 * 3600);
    const { supplied, given, lost } = later.energy;
    const stored = storedJ(house, later) - storedJ(house, cold);
    expect(Math.abs(supplied - given - lost - stored) / supplied).toBeLessThan(1e-3);
    expect(supplied).toBeGreaterThan(2e7);
  }
});

test('radiators near the source are warm first, and a shut one stays cold', () => {
  const shut = turns.map((turn, i) => (i === 4 ? 0 : turn));
  const soon = runHeating(SIGNAL_HOUSE, coldHeating(SIGNAL_HOUSE, shut), 180);
  const warmed = soon.returnC.map((value, i) => value - SIGNAL_HOUSE.radiators[i]!.roomC);
  expect(warmed[0]).toBeGreaterThan(5);
  expect(warmed[4]).toBeCloseTo(0, 6);
  const later = runHeating(SIGNAL_HOUSE, soon, 3 * 3600);
  expect(flowTails(SIGNAL_HOUSE, later)[4]).toBeCloseTo(later.returnC[4]!, 9);
  expect(later.sourceC).toBeCloseTo(60, 1);
});

test('in the end each radiator gives what its water brings', () => {
  const end = runHeating(SIGNAL_HOUSE, coldHeating(SIGNAL_HOUSE, turns), 4 * 3600);
  const more = runHeating(SIGNAL_HOUSE, end, 600);
  const brought = massFlows(SIGNAL_HOUSE, turns).reduce(
    (sum, flow, i) => sum + WATER_J_KGK * flow * (flowTails(SIGNAL_HOUSE, end)[i]! - end.returnC[i]!),
    0,
  );
  expect((more.energy.given - end.energy.given) / 600 / brought).toBeCloseTo(1, 3);
});

test('air on the face takes its share of the output', () => {
  const drop = (house: HeatingHouse) => {
    const end = runHeating(house, coldHeating(house, turns), 4 * 3600);
    return flowTails(house, end)[7]! - end.returnC[7]!;
  };
  const bled = { ...SIGNAL_HOUSE, radiators: SIGNAL_HOUSE.radiators.map((radiator) => ({ ...radiator, air: 0 })) };
  expect(drop(SIGNAL_HOUSE) / drop(bled)).toBeGreaterThan(0.7);
  expect(drop(SIGNAL_HOUSE) / drop(bled)).toBeLessThan(0.85);
});

test('without the pump nothing moves: the source stays at its set temperature, radiators cool', () => {
  const warm = runHeating(SIGNAL_HOUSE, coldHeating(SIGNAL_HOUSE, turns), 3600);
  const still = runHeating(SIGNAL_HOUSE, { ...warm, pumpOn: false }, 1800);
  expect(still.sourceC).toBeCloseTo(60, 1);
  still.returnC.forEach((value, i) => expect(value).toBeLessThan(warm.returnC[i]! - 3));
});

describe('the plug of a lockshield', () => {
  const valve = { dead: 0.3, turnsOpen: 4 };

  test('opens nothing in its dead part, slowly at first, and wholly at its stop', () => {
    expect(plugOpening(valve, 0)).toBeCloseTo(0, 12);
    expect(plugOpening(valve, 0.3)).toBeCloseTo(0, 12);
    expect(plugOpening(valve, 4)).toBeCloseTo(1, 12);
    expect(plugOpening(valve, 9)).toBeCloseTo(1, 12);
    const [first, second] = [plugOpening(valve, 0.8), plugOpening(valve, 1.3) - plugOpening(valve, 0.8)];
    expect(second).toBeGreaterThan(first);
  });

  test('a little more of one takes from the others', () => {
    const more = turns.map((turn, i) => (i === 1 ? turn + 0.5 : turn));
    const [before, after] = [massFlows(SIGNAL_HOUSE, turns), massFlows(SIGNAL_HOUSE, more)];
    expect(after[1]!).toBeGreaterThan(before[1]!);
    after.forEach((flow, i) => i !== 1 && expect(flow).toBeLessThan(before[i]!));
  });

  test('a blocked radiator gets nothing, and leaves more for the others', () => {
    const blocked = {
      ...SIGNAL_HOUSE,
      radiators: SIGNAL_HOUSE.radiators.map((one, i) => (i === 2 ? { ...one, body: Infinity } : one)),
    };
    const flows = massFlows(blocked, turns);
    expect(flows[2]).toBe(0);
    massFlows(SIGNAL_HOUSE, turns).forEach((flow, i) => i !== 2 && expect(flows[i]!).toBeGreaterThan(flow));
  });
});
