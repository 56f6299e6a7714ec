import { lookThrough } from '../../method/detect/candidate';
import { boxAt, INSIDE, testWall } from '../../testing/testWall';
import type { VisitDocument } from '../../model/document';
import { ID, visitDocument } from '../../testing/visit';
import { shapeSchema } from '../../method/frame/region';
import { compareRegions } from '../visit/readings';
import { surfaceFor } from '../visit/surface';
import { emptyFinding, findingValueSchema } from '../../model/findingRow';
import { buildReport } from '../../paper/model';
import { acceptCandidate } from './accept';
import { argueFrame, type ArguedCandidate, mostRelevantFirst } from './argue';
import { circumstancesOf } from './circumstances';
import { gateOf, gateOfFinding, gateWords } from './gate';
import { lookOptionsFor, settingFor, unknownWords } from './lookAt';
import { lookedThrough, nothingMeans, nothingWords } from './nothing';
import { partnerOf } from './partner';
import { possibleAt } from './possible';
import { rulingValueSchema, type RulingValue } from '../../model/rulingRow';
import { boxOf } from './rulings';
import { frameLookOf } from './seen';

const WIDTH = 160;
const HEIGHT = 120;

/** A visit whose frame is large enough to hold something. */
function visit(change: Partial<VisitDocument['rows']> = {}): VisitDocument {
  const document = structuredClone(visitDocument());
  for (const id of [ID.frame, ID.other]) {
    document.frameFacts[id]!.width = WIDTH;
    document.frameFacts[id]!.height = HEIGHT;
  }
  document.rows.frame[ID.frame]!.value.referenceId = null;
  document.rows.region = {};
  document.rows.finding = {};
  const conditions = Object.values(document.rows.conditions)[0]!;
  Object.assign(conditions.value, { insideC: 20, outsideC: 2, humidityPct: 50, sunHours: 50, rainHours: 90, windMs: 1 });
  return { ...document, rows: { ...document.rows, ...change } };
}

const bay = boxAt(60, 40, 30, 50);
const LOOK = frameLookOf(
  lookThrough(
    testWall(WIDTH, HEIGHT, (x, y) => -2 * bay(x, y)),
    INSIDE,
  ),
);
const EMPTY = frameLookOf(lookThrough(testWall(WIDTH, HEIGHT), INSIDE));
const newIds = () => {
  let next = 1;
  return () => `0192f0a0-0000-7000-8000-0000000009${String((next += 1)).padStart(2, '0')}`;
};

describe('a frame of a visit', () => {
  test('is looked through with what was noted of its air and what was left out of it', () => {
    const document = visit();
    expect(lookOptionsFor(document, ID.frame, 0.5)).toEqual({ side: 'inside', drive: 18, least: 0.5, ignored: null });
    expect(settingFor(document, ID.frame)).toMatchObject({ insideC: 20, outsideC: 2 });
    expect(settingFor(document, ID.frame).dewPointC).toBeCloseTo(9.3, 1);
    expect(unknownWords(settingFor(document, ID.frame))).toEqual([]);
  });

  test('without conditions it still argues, and says what it cannot judge', () => {
    const document = visit({ conditions: {} });
    expect(lookOptionsFor(document, ID.frame, 0.5).drive).toBeNull();
    expect(unknownWords(settingFor(document, ID.frame))).toHaveLength(2);
    const [one] = argueFrame(document, ID.frame, LOOK);
    expect(one!.argued.measured.evidence).not.toHaveProperty('sign');
    expect(one!.argued.measured.evidence.form).toBe('box');
    expect(nothingMeans(document, ID.frame, EMPTY)).toMatchObject({ level: 'unknown', factor: null, perKelvin: null });
  });

  test('candidates come argued, what matters most first', () => {
    const [one, ...more] = argueFrame(visit(), ID.frame, LOOK);
    expect(more).toEqual([]);
    expect(one!.ranked[0]!.cause.code).toBe('missing-insulation');
    expect(one!.ruling).toBeNull();
    expect(one!.finding).toBeNull();
    expect(one!.relevance).toBeGreaterThan(0.2);
  });
});

describe('taking a candidate on', () => {
  test('gives a finding with two regions, what is seen as title, and what a cause is argued from', () => {
    const document = visit();
    const [one] = argueFrame(document, ID.frame, LOOK);
    const made = acceptCandidate(document, one!, newIds());
    expect(made.regions).toHaveLength(2);
    for (const { value } of made.regions) expect(shapeSchema.safeParse(value.shape).success).toBe(true);
    const parsed = findingValueSchema.parse(made.finding.value);
    expect(parsed).toMatchObject({
      basis: 'pair',
      frameId: ID.frame,
      thisRegionId: made.regions[0]!.id,
      thatRegionId: made.regions[1]!.id,
    });
    // What it may be is a likelihood until a check has settled it.
    expect(parsed.title).toMatch(/^Cold patch with straight sides/);
    expect(parsed.title).not.toMatch(/insulation/i);
    expect(parsed.argued!.measured.contrastK).toBeCloseTo(-2, 0);
  });

  test('on a wall that is colder at its foot states the number that the candidate stated, near the truth', () => {
    const document = visit();
    const wall = testWall(WIDTH, HEIGHT, (x, y) => (-4 * y) / HEIGHT - 1.2 * boxAt(10, 70, 40, 40)(x, y));
    // As seen, so that temperatures are the pixels' own.
    document.rows.settings = {};
    document.rows.frame[ID.frame]!.value.basis = { kind: 'apparent' };
    const surface = surfaceFor(document, ID.frame, wall.values);
    const seen = frameLookOf(lookThrough(surface, INSIDE));
    const [one] = argueFrame(document, ID.frame, seen);
    const { regions } = acceptCandidate(document, one!, newIds());
    for (const { id, value } of regions) document.rows.region[id] = { id, version: 1, value };
    const [here, there] = regions.map(({ id }) => id) as [string, string];
    const { difference } = compareRegions(document, here, there, wall.values, wall.values, 'mean');
    expect(difference.value).toBeCloseTo(one!.seen.stated, 2);
    expect(one!.seen.stated).toBeCloseTo(one!.seen.contrast, 1);
    expect(Math.abs(difference.value + 1.2)).toBeLessThan(0.25);
  });

  test('its likeliest cause stands beside it as a likelihood, in the report too', () => {
    const document = visit();
    const [one] = argueFrame(document, ID.frame, LOOK);
    const { regions, finding } = acceptCandidate(document, one!, newIds());
    for (const { id, value } of regions) document.rows.region[id] = { id, version: 1, value };
    document.rows.finding = { [finding.id]: { id: finding.id, version: 1, value: finding.value } };
    const report = buildReport(document, () => undefined, 'C');
    expect(report.findings[0]!.likeliest).toMatch(/^likeliest: missing insulation, \d+ %$/);
    expect(report.findings[0]!.title).not.toMatch(/insulation/i);
  });

  test('the frame’s own reference is what it is compared with', () => {
    const document = visit();
    const reference = { ...visitDocument().rows.region[ID.sound]! };
    document.rows.region[ID.sound] = reference;
    document.rows.frame[ID.frame]!.value.referenceId = ID.sound;
    const [one] = argueFrame(document, ID.frame, LOOK);
    const made = acceptCandidate(document, one!, newIds());
    expect(made.regions).toHaveLength(1);
    expect(made.finding.value.thatRegionId).toBe(ID.sound);
  });

  test('where no sound surface is in view it rests on its shape', () => {
    const document = visit();
    const [one] = argueFrame(document, ID.frame, LOOK);
    const made = acceptCandidate(document, { ...one!, seen: { ...one!.seen, sound: null } }, newIds());
    expect(made.regions).toEqual([]);
    expect(findingValueSchema.parse(made.finding.value)).toMatchObject({ basis: 'shape', thisRegionId: null });
  });

  test('what was taken on is known again, with its checks', () => {
    const document = visit();
    const [one] = argueFrame(document, ID.frame, LOOK);
    const { regions, finding } = acceptCandidate(document, one!, newIds());
    for (const { id, value } of regions) document.rows.region[id] = { id, version: 1, value };
    const outcomes = [{ check: 'borescope' as const, outcome: 'filled', at: 1, note: '' }];
    document.rows.finding[finding.id] = {
      id: finding.id,
      version: 1,
      value: { ...finding.value, argued: { ...one!.argued, outcomes } },
    };
    const [again] = argueFrame(document, ID.frame, LOOK);
    expect(again!.finding!.id).toBe(finding.id);
    expect(again!.argued.outcomes).toEqual(outcomes);
    expect(again!.ranked.find(({ cause }) => cause.code === 'missing-insulation')!.score).toBeLessThan(one!.ranked[0]!.score);
  });
});

describe('rulings', () => {
  const ruled = (change: Partial<RulingValue> = {}): VisitDocument => {
    const [one] = argueFrame(visit(), ID.frame, LOOK);
    const value = rulingValueSchema.parse({
      frameId: ID.frame,
      stopKey: null,
      ruling: 'dismissed',
      sign: one!.seen.sign,
      box: boxOf(one!.seen, { width: WIDTH, height: HEIGHT }),
      reason: 'Known and meant',
      ruledAt: 5,
      ...change,
    });
    return visit({ ruling: { [ID.finding]: { id: ID.finding, version: 1, value } } });
  };
  const of = (document: VisitDocument, frameId: string = ID.frame) => argueFrame(document, frameId, LOOK)[0]!.ruling;

  test('hold for their place on their frame', () => {
    expect(of(ruled())!.value.reason).toBe('Known and meant');
    expect(of(ruled({ sign: 1 }))).toBeNull();
    expect(of(ruled({ box: { x: 0.7, y: 0.7, width: 0.2, height: 0.2 } }))).toBeNull();
  });

  test('are remembered on other frames of their stop, and not elsewhere', () => {
    const document = ruled({ stopKey: 'wall 1' });
    expect(of(document, ID.other)).toBeNull();
    document.rows.frame[ID.other]!.value.stopKey = 'wall 1';
    expect(of(structuredClone(document), ID.other)).not.toBeNull();
  });
});

describe('what may be claimed', () => {
  const seen = LOOK.candidates[0]!;
  test('under good conditions, with a contrast that the camera can tell', () => {
    expect(gateOf(visit(), ID.frame, seen, 'missing-insulation', LOOK.noise, 'C')).toEqual({
      claim: true,
      why: [],
      hours: false,
    });
  });
  test('is an observation to repeat where conditions forbid it, and says when', () => {
    const document = visit();
    Object.values(document.rows.conditions)[0]!.value.outsideC = 17;
    const gate = gateOf(structuredClone(document), ID.frame, seen, 'air-leak', LOOK.noise, 'C');
    expect(gate.claim).toBe(false);
    expect(gate.hours).toBe(true);
    expect(gate.why[0]).toMatch(/^Conditions forbid a claim: .*3\.0 K/);
  });
  const gate = (document: VisitDocument, cause: string) =>
    gateOf(structuredClone(document), ID.frame, seen, cause, LOOK.noise, 'C');
  const conditions = (change: object) => {
    const document = visit();
    Object.assign(Object.values(document.rows.conditions)[0]!.value, change);
    return document;
  };
  test('each claim has its own needs', () => {
    const mild = conditions({ outsideC: 14, windMs: 0 });
    expect(gate(mild, 'air-leak').why.join(' ')).toMatch(/Neither wind nor/);
    const unknown = conditions({ heatingHours: null, airHours: null });
    expect(gate(unknown, 'missing-insulation').why.join(' ')).toMatch(/stores heat .*not known: how long the heating/);
    expect(gate(unknown, 'air-leak').why.join(' ')).not.toMatch(/stores heat/);
    expect(gate(conditions({ humidityPct: null }), 'moisture').why.join(' ')).toMatch(/humidity of the air is not noted/);
    expect(gate(conditions({ outsideC: null }), 'moisture').why.join(' ')).toMatch(/air on both sides is not noted/);
  });
  test('a finding is gated as its cause is, and one that claims nothing is not', () => {
    const document = conditions({ outsideC: null });
    const finding = (basis: 'shape' | 'typed') => ({
      id: 'f',
      version: 1,
      value: emptyFinding(ID.visit, { basis, frameId: ID.frame }),
    });
    expect(gateWords(gateOfFinding(document, finding('shape')))).toMatch(/^An observation to repeat\. The air on both sides/);
    expect(gateOfFinding(document, finding('typed'))).toBeNull();
    expect(gateWords(null)).toBe('');
  });
  test('and where the contrast is hardly more than the camera’s own unevenness', () => {
    const gate = gateOf(visit(), ID.frame, { ...seen, contrast: -0.3 }, 'air-leak', 0.05, 'F');
    expect(gate).toMatchObject({ claim: false, hours: false });
    expect(gate.why[0]).toMatch(/0\.5 °F/);
  });
});

describe('what nothing means', () => {
  const level = (insideC: number, outsideC: number, levelC: number) => {
    const document = visit();
    Object.assign(Object.values(document.rows.conditions)[0]!.value, { insideC, outsideC });
    return nothingMeans(structuredClone(document), ID.frame, { ...EMPTY, levelC });
  };
  test('the weakest fault that would have shown, in kelvin and as temperature factor', () => {
    const nothing = nothingMeans(visit(), ID.frame, EMPTY);
    expect(nothing.shown).toEqual({ sharp: expect.closeTo(0.525, 6), soft: expect.closeTo(1.1, 6), wide: null });
    expect(nothing.perKelvin).toBeCloseTo(1 / 18, 6);
    expect(nothingWords(nothing, 'C')[0]).toMatch(
      /^A sharp-edged place of 0\.5 K or more \(a change of the temperature factor by 0\.03\).*and a soft patch of 1\.1 K or more would have shown\. Something wider than a third of the view would not/,
    );
    expect(nothingWords(nothing, 'F')[0]).toMatch(/0\.9 °F/);
  });
  test('of a frame nobody looked through nothing is said to have shown', () => {
    const bare = visit();
    bare.rows.ruling = {};
    bare.rows.finding = {};
    expect(lookedThrough(bare, ID.frame)).toBe(false);
    const ruled = visit();
    ruled.rows.ruling = { one: { id: 'one', version: 1, value: { frameId: ID.frame } as never } };
    expect(lookedThrough(ruled, ID.frame)).toBe(true);
    const argued = visit();
    const value = { frameId: ID.frame, argued: {} } as never;
    argued.rows.finding = { one: { id: 'one', version: 1, value } };
    expect(lookedThrough(argued, ID.frame)).toBe(true);
  });
  test('evenly good, evenly poor, not to be told, or too mild', () => {
    expect(level(21, -9, 20).level).toBe('good');
    expect(level(21, -9, 12).level).toBe('poor');
    expect(level(20, 2, 18).level).toBe('between');
    expect(level(20, 17, 19).level).toBe('too-mild');
    expect(nothingWords(level(21, -9, 12), 'C')[1]).toMatch(/0\.70 ± 0\.07.*evenly poor/);
    expect(nothingWords(level(20, 17, 19), 'C')[1]).toMatch(/too alike/);
  });
});

describe('what is known of a place', () => {
  test('its wall, the weather, and what was said of its room', () => {
    const document = visit();
    Object.values(document.rows.conditions)[0]!.value.rainHours = 3;
    document.rows.frame[ID.frame]!.value.surfaceId = ID.surface;
    const found = circumstancesOf(structuredClone(document), ID.frame);
    expect(found).toContain('rain-lately');
    expect(found).toContain('cold-reported');
    expect(found.some((one) => one === 'framed' || one === 'massive')).toBe(true);
  });
  test('services at the wall, wet rooms above, history of the house', () => {
    const document = visit();
    const surface = document.rows.surface[ID.surface]!;
    surface.value.kind = 'ceiling';
    const room = document.rows.room[ID.room]!;
    document.rows.room[ID.other] = {
      id: ID.other,
      version: 1,
      value: { ...room.value, name: 'Bath', kind: 'bathroom', storey: room.value.storey + 1 },
    };
    document.rows.frame[ID.frame]!.value.surfaceId = ID.surface;
    document.rows.service[ID.event] = {
      id: ID.event,
      version: 1,
      value: { siteId: ID.site, roomId: ID.room, kind: 'radiator', name: 'Radiator', x: 1, y: 1, ordinal: 0 },
    };
    Object.values(document.rows.intake)[0]!.value.history = [
      { id: ID.event, what: 'Loft insulated, chimney taken out', when: '2019' },
    ];
    expect(circumstancesOf(structuredClone(document), ID.frame)).toEqual(
      expect.arrayContaining(['framed', 'wet-room-above', 'warm-service-near', 'insulated-lately', 'opening-closed-up']),
    );
  });
  const NOTHING_DONE = { outcomes: [], circumstances: [] };
  test('which checks can be made: with what was packed, where a loft may be', () => {
    const document = visit();
    expect(possibleAt(document, ID.frame, NOTHING_DONE)).toEqual({
      side: 'inside',
      tools: null,
      loft: true,
      made: [],
      told: [],
    });
    document.rows.kit = {
      [ID.event]: {
        id: ID.event,
        version: 1,
        value: {
          visitId: ID.visit,
          items: [
            { name: 'Smoke pen', packed: true },
            { name: 'Moisture meter', packed: false },
          ],
        },
      },
    };
    expect(possibleAt(structuredClone(document), ID.frame, NOTHING_DONE).tools).toEqual(new Set(['smoke']));
  });
});

describe('two frames of one stop', () => {
  const stops = (document: VisitDocument) => {
    for (const id of [ID.frame, ID.other]) document.rows.frame[id]!.value.stopKey = 'wall 1';
    return document;
  };
  test('are partners when they have one size, and neither was taken back', () => {
    expect(partnerOf(visit(), ID.frame)).toBeNull();
    const document = stops(visit());
    expect(partnerOf(document, ID.frame)).toBe(ID.other);
    document.frameFacts[ID.other]!.width = 80;
    expect(partnerOf(document, ID.frame)).toBeNull();
    document.frameFacts[ID.other]!.width = WIDTH;
    document.rows.frame[ID.other]!.value.discarded = true;
    expect(partnerOf(structuredClone(document), ID.frame)).toBeNull();
  });

  test('what moved between both speaks for a reflection', () => {
    const seen = (x: number) =>
      frameLookOf(
        lookThrough(
          testWall(WIDTH, HEIGHT, (u, v) => -2 * bay(u, v) + 4 * boxAt(x, 30, 14, 40)(u, v)),
          INSIDE,
        ),
      );
    const reflection = (partner: ReturnType<typeof seen> | null) =>
      argueFrame(visit(), ID.frame, seen(110), { partner, otherSide: null, lastTime: null })
        .find((one) => one.seen.sign === 1)!
        .ranked.find(({ cause }) => cause.code === 'reflection')!.score;
    expect(reflection(seen(130))).toBeGreaterThan(0.5);
    expect(reflection(seen(130))).toBeGreaterThan(2 * reflection(null));
  });
});

test('a list holds the most relevant first, and what nothing explains last', () => {
  const one = (code: string, relevance: number) => ({ relevance, ranked: [{ cause: { code } }] }) as unknown as ArguedCandidate;
  const list = [one('unknown', 9), one('moisture', 1), one('unknown', 12), one('air-leak', 4)].sort(mostRelevantFirst);
  expect(list.map(({ relevance }) => relevance)).toEqual([4, 1, 12, 9]);
});
