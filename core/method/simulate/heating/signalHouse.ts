import type { HeatingHouse, Radiator } from './house';

const radiator = (
  id: string,
  pipe: number,
  ratedW: number,
  [body, valve]: readonly [number, number],
  [dead, turnsOpen]: readonly [number, number],
  more: Partial<Radiator> = {},
): Radiator => ({
  id,
  pipe,
  ratedW,
  exponent: 1.3,
  roomC: 19,
  storeJK: 8 * ratedW,
  body,
  valve,
  dead,
  turnsOpen,
  air: 0,
  ...more,
});

/** The heating system of Signal House, to practise on: ten radiators on two storeys, one with air, none balanced. */
export const SIGNAL_HOUSE: HeatingHouse = {
  pipes: [
    { over: -1, resistance: 35, lossWK: 0.9 },
    { over: 0, resistance: 110, lossWK: 0.8 },
    { over: 1, resistance: 190, lossWK: 0.7 },
    { over: 0, resistance: 130, lossWK: 1 },
    { over: 3, resistance: 230, lossWK: 0.8 },
  ],
  radiators: [
    radiator('hall', 0, 900, [1600, 1100], [0.2, 4]),
    radiator('front-room', 1, 1800, [1300, 1000], [0.35, 4.5], { roomC: 20 }),
    radiator('dining-room', 1, 1400, [1500, 1200], [0.1, 4]),
    radiator('kitchen', 2, 1000, [1700, 1300], [0.3, 3.5], { roomC: 20.5 }),
    radiator('utility', 2, 500, [2200, 1500], [0.25, 4]),
    radiator('landing', 3, 700, [1900, 1200], [0.15, 4], { roomC: 18.5 }),
    radiator('front-bedroom', 3, 1300, [1500, 1100], [0.4, 4.5], { roomC: 18 }),
    radiator('back-bedroom', 4, 1100, [1600, 1200], [0.2, 4], { roomC: 18, air: 0.3 }),
    radiator('box-room', 4, 600, [2100, 1400], [0.3, 3.5], { roomC: 17.5 }),
    radiator('bathroom', 4, 800, [1800, 1200], [0.1, 4], { roomC: 21.5 }),
  ],
  pump: { head: 6.5, fall: 60 },
  source: { setC: 60, powerW: 16_000, storeJK: 45_000, swingK: 0 },
  voidC: 17,
};
