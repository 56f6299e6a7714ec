import { cylinderLoss, lossPerMetre, pipeLoss, type PipeBuild } from './pipes';

const copper: PipeBuild = { material: 'copper', outerMm: 22, wallMm: 1, laggingMm: 0 };
const AIR = 20;

describe('what a metre of pipe loses', () => {
  test('bare pipe lies where tables have it: 22 mm copper at 40 K loses 20 to 35 W a metre', () => {
    const watts = 40 * lossPerMetre(copper, 40, AIR);
    expect(watts).toBeGreaterThan(20);
    expect(watts).toBeLessThan(35);
  });

  test('dull steel gives more than copper of the same size, lagging less than either', () => {
    const steel = lossPerMetre({ ...copper, material: 'steel' }, 40, AIR);
    expect(steel).toBeGreaterThan(lossPerMetre(copper, 40, AIR));
    const lagged = lossPerMetre({ ...copper, laggingMm: 25 }, 40, AIR);
    // 2π · 0.037 / ln(72 / 22) = 0.196 W/(m·K) without the film outside.
    expect(lagged).toBeLessThan(0.196);
    expect(lagged).toBeGreaterThan(0.15);
  });

  test('thicker lagging always loses less', () => {
    const losses = [5, 10, 20, 40].map((laggingMm) => lossPerMetre({ ...copper, laggingMm }, 40, AIR));
    losses.slice(1).forEach((loss, k) => expect(loss).toBeLessThan(losses[k]!));
  });
});

describe('what is lost', () => {
  test('a run: its length, its hours, its saving', () => {
    const loss = pipeLoss(copper, 10, 60, AIR, 5000);
    expect(loss.watts).toBeCloseTo(400 * lossPerMetre(copper, 40, AIR), 6);
    expect(loss.kwhYear).toBeCloseTo(5 * loss.watts, 6);
    expect(loss.saveKwhYear).toBeCloseTo(5 * (loss.watts - loss.laggedW), 6);
    expect(loss.laggedW).toBeLessThan(loss.watts / 2);
  });
  test('what is lagged already saves nothing more', () => {
    const loss = pipeLoss({ ...copper, laggingMm: 30 }, 10, 60, AIR, 5000);
    expect(loss.saveKwhYear).toBeCloseTo(0, 9);
  });
  test('water as cold as the air loses nothing', () => expect(pipeLoss(copper, 10, 18, AIR, 5000).watts).toBe(0));
  test('a cylinder whose outside is 10 K warm loses some 9 W a square metre and kelvin', () => {
    const loss = cylinderLoss(2, 30, 60, AIR, 8760);
    expect(loss.watts / 20).toBeGreaterThan(7);
    expect(loss.watts / 20).toBeLessThan(11);
    expect(loss.laggedW).toBeLessThan(loss.watts);
  });
});
