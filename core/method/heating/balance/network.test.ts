import fc from 'fast-check';
import { jacobian, solveFlows, type Network } from './network';
import { logOpening } from './valveCurve';

const network = (own: number[], trunk = own.map(() => 2e-5)): Network => ({
  head: 20,
  fall: 0.3,
  reference: 100 * own.length,
  own: Float64Array.from(own),
  trunk: Float64Array.from(trunk),
});

describe('the flows of a network', () => {
  test('around every loop the head is what trunk and emitter take', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: -9, max: -1, noNaN: true }), { minLength: 1, maxLength: 12 }), (logs) => {
        const one = network(logs.map(Math.exp));
        const { capacity, across, through } = solveFlows(one, null);
        const total = capacity.reduce((sum, flow) => sum + flow, 0);
        expect(through[0]).toBeCloseTo(total, 6);
        let left = one.head * (1 - one.fall * (total / one.reference) ** 2);
        capacity.forEach((flow, i) => {
          left -= one.trunk[i]! * through[i]! ** 2;
          expect(one.own[i]! * flow ** 2).toBeCloseTo(left, 6);
          expect(across[i]).toBeCloseTo(left, 6);
        });
      }),
    );
  });

  test('closing one gives the others more, most to those that share its pipes', () => {
    const open = solveFlows(network([1e-3, 1e-3, 1e-3, 1e-3]), null).capacity;
    const shut = solveFlows(network([1e-3, 1e-3, 1e-3, Infinity]), null).capacity;
    expect(shut[3]).toBe(0);
    const gains = [0, 1, 2].map((i) => shut[i]! / open[i]!);
    expect(gains[0]).toBeGreaterThan(1);
    expect(gains[2]).toBeGreaterThan(gains[0]!);
  });

  test('begun from a solution nearby it is the same', () => {
    const one = network([1e-3, 4e-4, 2e-2]);
    const cold = solveFlows(one, null).capacity;
    const warm = solveFlows(one, Float64Array.from([50, 1, 30])).capacity;
    warm.forEach((flow, i) => expect(flow / cold[i]!).toBeCloseTo(1, 7));
  });

  test('its slopes are those of the balance itself', () => {
    const one = network([1e-3, 4e-4, 2e-3]);
    const flows = solveFlows(one, null);
    const slopes = jacobian(one, flows);
    // A tenth of a percent more resistance at the second: Δ ln flow = −J⁻¹ · 0.001 there.
    const more = solveFlows({ ...one, own: Float64Array.from([1e-3, 4e-4 * 1.001, 2e-3]) }, null);
    const change = more.capacity.map((flow, i) => Math.log(flow / flows.capacity[i]!));
    [0, 1, 2].forEach((i) => {
      const row = [0, 1, 2].reduce((sum, j) => sum + slopes[i * 3 + j]! * change[j]!, 0);
      expect(row).toBeCloseTo(i === 1 ? -Math.log(1.001) : 0, 6);
    });
  });
});

describe('a lockshield', () => {
  const valve = { dead: 0.3, shape: 0.5, turnsOpen: 4 };

  test('is open when it is open, and opens all the way', () => {
    expect(logOpening(valve, 4)).toBeCloseTo(0, 9);
    let last = -Infinity;
    for (let turns = 0; turns <= 4; turns += 0.125) {
      const now = logOpening(valve, turns);
      expect(now).toBeGreaterThan(last);
      last = now;
    }
  });

  test('lets a trace by in its dead part', () => {
    expect(logOpening(valve, 0.25)).toBeLessThan(-4);
    expect(Number.isFinite(logOpening(valve, 0))).toBe(true);
  });

  test('opens later the more each turn multiplies', () => {
    expect(logOpening({ ...valve, shape: 1 }, 1)).toBeLessThan(logOpening({ ...valve, shape: 0 }, 1));
  });
});
