import fc from 'fast-check';
import { meanExcess, outputW, steadyDrop } from './output';

describe('the output of an emitter', () => {
  // From an independent program: rated W, flow, return, room, exponent, mean excess, W.
  test.each([
    [1500, 75, 65, 20, 1.3, 49.83288654563971, 1493.4858452798114],
    [1000, 55, 45, 20, 1.3, 29.72013411988462, 508.5164293130249],
    [2000, 70, 50, 21, 1.33, 38.129775092333894, 1394.7017116478348],
  ])('%i W at %i/%i in %i °C', (rated, flow, back, room, exponent, mean, watts) => {
    expect(meanExcess(flow - room, back - room)).toBeCloseTo(mean, 9);
    expect(outputW(rated, exponent, flow - room, back - room)).toBeCloseTo(watts, 6);
  });

  test('is the rated one at 50 K, and nothing below the room', () => {
    expect(outputW(1200, 1.3, 50, 50)).toBeCloseTo(1200, 9);
    expect(outputW(1200, 1.3, 20, 0)).toBe(0);
    expect(meanExcess(30, 30.0000001)).toBeCloseTo(30, 6);
  });
});

describe('the steady drop', () => {
  test('carries what the emitter gives, whatever it is', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.05, max: 500, noNaN: true }),
        fc.double({ min: 100, max: 4000, noNaN: true }),
        fc.double({ min: 1, max: 1.6, noNaN: true }),
        fc.double({ min: 2, max: 70, noNaN: true }),
        (capacity, rated, exponent, flow) => {
          const drop = steadyDrop(capacity, rated, exponent, flow);
          expect(drop).toBeGreaterThan(0);
          expect(drop).toBeLessThanOrEqual(flow);
          // What trickles leaves as cold as the room, as far as numbers tell.
          if (drop > flow - 1e-5) return;
          const off = (at: number) => capacity * at - outputW(rated, exponent, flow, flow - at);
          expect(off(drop - 1e-6)).toBeLessThan(0);
          expect(off(drop + 1e-6)).toBeGreaterThan(0);
        },
      ),
    );
  });

  test('falls with more water and rises with a larger emitter; without water the emitter is as cold as the room', () => {
    expect(steadyDrop(60, 1000, 1.3, 40)).toBeLessThan(steadyDrop(40, 1000, 1.3, 40));
    expect(steadyDrop(40, 1500, 1.3, 40)).toBeGreaterThan(steadyDrop(40, 1000, 1.3, 40));
    expect(steadyDrop(0, 1000, 1.3, 40)).toBe(40);
  });
});
