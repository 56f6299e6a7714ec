import { lookThrough } from '../detect/candidate';
import { boxAt, INSIDE, linesAt, testWall } from '../../testing/testWall';
import { seededRandom } from '../../ground/random';
import { TRIAL_CAUSES, trialScene } from '../simulate/trialScene';
import { arguedSchema, knownOf } from '../../model/arguedRow';
import type { Cause } from './cause';
import { CHECKS } from './checks';
import { CIRCUMSTANCES } from './circumstances';
import { TRAITS, type Evidence, type Trait } from './evidence';
import { COUNTED, likelihood } from './likelihood';
import { measuredOf, settingOf } from './measured';
import { offeredChecks } from './nextCheck';
import { outcomeChance, rankCauses } from './rank';
import { CAUSES } from './registry';
import { relevance } from './relevance';
import { argumentSentences } from './words';

const causeOf = (code: string) => CAUSES.find((cause) => cause.code === code)!;
const AIR = { side: 'inside', insideC: 20, outsideC: 2, humidity: 0.5 } as const;
const POSSIBLE = { side: 'inside', tools: null, loft: true, made: [], told: [] } as const;

/** A leak below a ceiling, as it is measured. */
const LEAK: Evidence = {
  side: 'inside',
  tone: 'colder',
  form: 'runs-out',
  rim: 'soft',
  top: 'peaked',
  inside: 'blotchy',
  sign: 'loss',
  drop: 'clear',
  bounds: 'between',
  wet: 'above',
  begins: 'junction',
  within: 'surface',
  reach: 'top',
  size: 'small',
  alike: 'alone',
};
const known = (evidence: Evidence, more: Partial<Parameters<typeof rankCauses>[0]> = {}) => ({
  evidence,
  circumstances: [],
  outcomes: [],
  ...more,
});

describe('what causes are made of', () => {
  test('each has a name, a sentence, and words for what usually speaks against it', () => {
    expect(CAUSES.length).toBe(23);
    expect(new Set(CAUSES.map(({ code }) => code)).size).toBe(CAUSES.length);
    for (const { code, name, gloss, usually, expects, prior } of CAUSES) {
      expect(name).not.toBe('');
      expect(gloss).toMatch(/\.$/);
      expect(prior).toBeGreaterThan(0);
      for (const trait of Object.keys(usually)) expect(TRAITS).toHaveProperty(trait);
      for (const [trait, values] of Object.entries(expects))
        for (const value of Object.keys(values)) expect(TRAITS[trait as Trait]).toContain(value);
      if (code !== 'unknown') expect(Object.keys(usually).length).toBeGreaterThan(0);
    }
  });

  test('likelihoods of a trait’s values sum to one, for every cause and trait', () => {
    for (const cause of CAUSES) {
      for (const trait of Object.keys(TRAITS) as Trait[]) {
        const all = TRAITS[trait].map((value) => likelihood(cause, trait, value, COUNTED));
        expect(all.reduce((sum, one) => sum + one, 0)).toBeCloseTo(1, 9);
        for (const one of all) expect(one).toBeGreaterThan(0);
      }
    }
  });

  test('circumstances and checks that causes name are known, and chances of outcomes sum to one', () => {
    for (const cause of CAUSES) {
      for (const circumstance of Object.keys(cause.odds ?? {})) expect(CIRCUMSTANCES).toHaveProperty(circumstance);
      for (const [check, outcomes] of Object.entries(cause.checks)) {
        expect(Object.keys(outcomes).sort()).toEqual(Object.keys(CHECKS[check as keyof typeof CHECKS].outcomes).sort());
        expect(Object.values(outcomes).reduce((sum, chance) => sum + chance, 0)).toBeCloseTo(1, 9);
      }
    }
    for (const { outcomes, otherwise } of Object.values(CHECKS)) {
      expect(Object.keys(otherwise).sort()).toEqual(Object.keys(outcomes).sort());
      expect(Object.values(otherwise).reduce((sum: number, chance) => sum + chance, 0)).toBeCloseTo(1, 9);
    }
  });

  test('what was counted says with which seed and on how many frames', () => {
    expect(COUNTED.seed).toBe(1000);
    expect(COUNTED.frames).toBeGreaterThan(1000);
    expect(Object.keys(COUNTED.counts).sort()).toEqual([...TRIAL_CAUSES].sort());
  });

  test('each that trials draw can be drawn in a heated house, and in a cooled one where it exists', () => {
    const onlyHeated = new Set(['condensation']);
    for (const cause of TRIAL_CAUSES) {
      const seasons = new Set<string>();
      for (let seed = 1; seed < 200 && seasons.size < (onlyHeated.has(cause) ? 1 : 2); seed += 1) {
        const trial = trialScene(seededRandom(seed), seed, cause);
        if (trial) seasons.add(trial.scene.insideC > trial.scene.outsideC ? 'heated' : 'cooled');
      }
      expect([cause, seasons.has('heated')]).toEqual([cause, true]);
      expect([cause, seasons.has('cooled')]).toEqual([cause, !onlyHeated.has(cause)]);
    }
  });

  test('a new cause is one file and one line: its own words alone bring it to the top', () => {
    const moth: Cause = {
      code: 'moth',
      name: 'Moth',
      gloss: 'A moth sits on the lens.',
      harmless: true,
      prior: 3,
      expects: { form: { ragged: 20 }, rim: { soft: 20 }, tone: { warmer: 20 }, size: { large: 20 }, begins: { rim: 20 } },
      usually: { form: 'moths are ragged' },
      checks: { wait: { fades: 0.9, stays: 0.1 } },
    };
    const seen: Evidence = { form: 'ragged', rim: 'soft', tone: 'warmer', size: 'large', begins: 'rim' };
    const ranked = rankCauses(known(seen), [...CAUSES, moth]);
    expect(ranked[0]!.cause.code).toBe('moth');
    expect(offeredChecks(ranked, POSSIBLE).some(({ code }) => code === 'wait')).toBe(true);
  });
});

describe('ranking', () => {
  test('shares sum to one, and nothing is ever certain', () => {
    const ranked = rankCauses(
      known(LEAK, {
        outcomes: [
          { check: 'smoke', outcome: 'moves' },
          { check: 'feel', outcome: 'draught' },
        ],
      }),
    );
    expect(ranked.reduce((sum, { score }) => sum + score, 0)).toBeCloseTo(1, 9);
    expect(ranked[0]!.cause.code).toBe('air-leak');
    expect(ranked[0]!.score).toBeLessThanOrEqual(0.97);
    expect(ranked[0]!.score).toBeGreaterThan(0.9);
  });

  test('an outcome moves it: still smoke speaks against air, and a wet meter for moisture', () => {
    const scoreOf = (code: string, outcomes: Parameters<typeof rankCauses>[0]['outcomes']) =>
      rankCauses(known({ ...LEAK, form: 'ragged', begins: 'free', reach: 'part' }, { outcomes })).find(
        ({ cause }) => cause.code === code,
      )!.score;
    expect(scoreOf('air-leak', [{ check: 'smoke', outcome: 'still' }])).toBeLessThan(0.6 * scoreOf('air-leak', []));
    expect(scoreOf('moisture', [{ check: 'moisture-meter', outcome: 'wet' }])).toBeGreaterThan(1.5 * scoreOf('moisture', []));
  });

  test('what moved between two frames is a reflection, what stayed is none', () => {
    const body: Evidence = {
      ...LEAK,
      tone: 'warmer',
      sign: 'gain',
      form: 'patch',
      rim: 'sharp',
      top: 'flat',
      bounds: 'warmer-than-both',
      within: 'plate',
      begins: 'free',
    };
    const first = (circumstances: Parameters<typeof rankCauses>[0]['circumstances']) =>
      rankCauses(known(body, { circumstances }));
    const reflection = (ranked: ReturnType<typeof first>) => ranked.find(({ cause }) => cause.code === 'reflection')!.score;
    expect(reflection(first(['moved-between-frames']))).toBeGreaterThan(0.9);
    expect(reflection(first(['stayed-between-frames']))).toBeLessThan(reflection(first([])));
  });

  test('colder than evaporation allows speaks against moisture; below the dew point for condensation', () => {
    const damp: Evidence = { ...LEAK, form: 'ragged', top: 'uneven', begins: 'free', reach: 'part', rim: 'middling' };
    const of = (wet: Evidence['wet']) => {
      const evidence = { ...damp };
      if (wet) Object.assign(evidence, { wet });
      return rankCauses(known(evidence)).find(({ cause }) => cause.code === 'moisture')!.score;
    };
    expect(of('below-wet-bulb')).toBeLessThan(0.3 * of('above'));
    const cold = rankCauses(
      known({ ...damp, form: 'box', rim: 'sharp', top: 'flat', inside: 'even', wet: 'below-dew-point', drop: 'extreme' }),
    );
    expect(cold.slice(0, 2).map(({ cause }) => cause.code)).toContain('condensation');
  });

  test('where nothing is known of the air it argues by shape, and says no more than that', () => {
    const { sign: _s, drop: _d, bounds: _b, wet: _w, ...shape } = LEAK;
    const ranked = rankCauses(known(shape));
    expect(ranked[0]!.cause.code).toBe('air-leak');
    expect(ranked[0]!.for.every((one) => one.kind === 'trait' && one.trait in shape)).toBe(true);
  });

  test('arguments are sorted by weight and held against what is still believed', () => {
    const [first] = rankCauses(known(LEAK, { circumstances: ['draught-reported'] }));
    const weights = first!.for.map(({ weight }) => weight);
    expect(weights).toEqual([...weights].sort((a, b) => b - a));
    expect(first!.for.some((one) => one.kind === 'circumstance' && one.circumstance === 'draught-reported')).toBe(true);
    expect(first!.against.every(({ weight }) => weight < 0)).toBe(true);
  });

  test('what is to be mended matters more than what is harmless', () => {
    const ranked = rankCauses(known(LEAK));
    const harmless = ranked.map((one) => ({ ...one, cause: { ...one.cause, harmless: true } }));
    expect(relevance({ contrast: -2, share: 0.05 }, ranked)).toBeGreaterThan(
      3 * relevance({ contrast: -2, share: 0.05 }, harmless),
    );
    expect(relevance({ contrast: -2, share: 0.05 }, ranked)).toBeGreaterThan(relevance({ contrast: -0.5, share: 0.05 }, ranked));
  });
});

describe('what a side and a season forbid', () => {
  /** As a place is measured that differs the other way than a loss would on its side in its season. */
  const at = (side: 'inside' | 'outside' | 'loft', insideC: number, outsideC: number, sign: -1 | 1, more: Partial<Evidence>) => {
    const { candidates } = lookThrough(
      testWall(320, 240, (x, y) => 2.5 * sign * boxAt(100, 60, 50, 60)(x, y)),
      INSIDE,
    );
    const setting = settingOf({ side, insideC, outsideC, humidity: null });
    const evidence = { ...measuredOf(candidates[0]!, setting).evidence, ...more };
    return rankCauses(known(evidence));
  };
  const shares = (ranked: ReturnType<typeof rankCauses>, codes: readonly string[]) =>
    ranked.filter(({ cause }) => codes.includes(cause.code)).reduce((sum, { score }) => sum + score, 0);
  const LOSSES = ['air-leak', 'missing-insulation', 'slumped-insulation', 'insulation-contact', 'thermal-bridge'];

  test.each([
    ['a cold patch inside in heat', 'inside', 24, 35.8, -1, { form: 'runs-out', top: 'peaked', rim: 'soft' }],
    ['a cold upper bay inside in heat', 'inside', 24, 35.8, -1, { reach: 'top', begins: 'junction' }],
    ['a cold line on a heated façade', 'outside', 20, 2, -1, { form: 'line', reach: 'through' }],
    ['a cold field on a heated loft floor', 'loft', 38, 19, -1, {}],
    ['a warm field inside in winter', 'inside', 20, 2, 1, {}],
  ] as const)('%s is no loss of heat', (_, side, insideC, outsideC, sign, more) => {
    const ranked = at(side, insideC, outsideC, sign, more);
    expect(shares(ranked, LOSSES)).toBeLessThan(0.05);
    expect(LOSSES).not.toContain(ranked[0]!.cause.code);
  });

  test('the same the other way round may be one', () => {
    expect(shares(at('inside', 20, 2, -1, {}), LOSSES)).toBeGreaterThan(0.5);
    expect(shares(at('loft', 38, 19, 1, {}), LOSSES)).toBeGreaterThan(0.5);
    expect(shares(at('inside', 20, 34, 1, {}), LOSSES)).toBeGreaterThan(0.5);
  });

  test('a pane is neither damp nor without insulation', () => {
    const ranked = at('inside', 20, 2, -1, { within: 'pane', form: 'box' });
    expect(shares(ranked, ['moisture', 'missing-insulation', 'slumped-insulation'])).toBeLessThan(0.1);
    expect(ranked[0]!.cause.code).toBe('glazing');
  });

  test('a jet at a register is supply air, warm while it heats and cold while it cools', () => {
    for (const [insideC, outsideC, tone] of [
      [20, 2, 'warmer'],
      [24, 35, 'colder'],
    ] as const) {
      // prettier-ignore
      const jet = { ...LEAK, tone, sign: 'gain', begins: 'opening' } as const;
      const [first] = rankCauses(known(jet, { circumstances: ['register-near'] }));
      expect([first!.cause.code, insideC > outsideC]).toEqual(['supply-air', tone === 'warmer']);
    }
  });

  test('the same loss is of one class inside and on the thinner film outdoors', () => {
    const { candidates } = lookThrough(
      testWall(320, 240, (x, y) => -1.4 * boxAt(100, 60, 50, 60)(x, y)),
      INSIDE,
    );
    const drop = (side: 'inside' | 'outside') => measuredOf(candidates[0]!, settingOf({ ...AIR, side })).evidence.drop;
    expect([drop('inside'), drop('outside')]).toEqual(['clear', 'strong']);
  });
});

describe('one fact', () => {
  test('that frames told is not told again by its check', () => {
    const mirror: Evidence = { ...LEAK, form: 'patch', sign: 'gain', tone: 'warmer', within: 'plate' };
    const reflection = (more: object) => rankCauses(known(mirror, more)).find(({ cause }) => cause.code === 'reflection')!.score;
    const byFrames = reflection({ circumstances: ['moved-between-frames'] });
    const both = reflection({ circumstances: ['moved-between-frames'], outcomes: [{ check: 'aside', outcome: 'moves' }] });
    const byCheck = reflection({ outcomes: [{ check: 'aside', outcome: 'moves' }] });
    expect(byFrames).toBeGreaterThan(reflection({}));
    expect(both).toBeCloseTo(byCheck, 12);
  });

  test('is not asked for again', () => {
    const open = rankCauses(known({ ...LEAK, form: 'box', top: 'flat', rim: 'sharp', inside: 'even' }));
    const codes = (told: readonly ('moved-between-frames' | 'other-side-agrees')[]) =>
      offeredChecks(open, { ...POSSIBLE, told }).map(({ code }) => code);
    expect(codes([])).toContain('other-side');
    expect(codes(['other-side-agrees'])).not.toContain('other-side');
  });
});

describe('the next check', () => {
  const open = rankCauses(known({ ...LEAK, form: 'ragged', begins: 'free', reach: 'part', rim: 'middling' }));

  test('is one that is possible, not made yet, and tells most for its time', () => {
    const offers = offeredChecks(open, POSSIBLE);
    expect(offers[0]!.bits).toBeGreaterThan(0.02);
    for (const { check } of offers) expect(['inside', 'both']).toContain(check.from);
    const first = offers[0]!.code;
    expect(offeredChecks(open, { ...POSSIBLE, made: [{ check: first, outcome: 'x' }] }).map(({ code }) => code)).not.toContain(
      first,
    );
  });

  test('needs its tool where the bag is known', () => {
    const codes = (tools: ReadonlySet<string>) => offeredChecks(open, { ...POSSIBLE, tools }).map(({ code }) => code);
    expect(codes(new Set())).not.toContain('smoke');
    expect(codes(new Set(['smoke']))).toContain('smoke');
  });

  test('says what each outcome would mean before it is made, as it then comes', () => {
    for (const { code, outcomes } of offeredChecks(open, POSSIBLE).slice(0, 3)) {
      expect(outcomes.reduce((sum, { chance }) => sum + chance, 0)).toBeCloseTo(1, 6);
      for (const { outcome, then } of outcomes) {
        const masses = open.map(({ cause, score }) => score * outcomeChance(cause, code, outcome));
        const total = masses.reduce((sum, mass) => sum + mass, 0);
        expect(then.score).toBeCloseTo(Math.max(...masses) / total, 9);
      }
    }
  });

  test('what has to be opened comes after what can be felt', () => {
    const codes = offeredChecks(rankCauses(known(LEAK)), POSSIBLE).map(({ code }) => code);
    expect(codes.indexOf('smoke')).toBeGreaterThanOrEqual(0);
    if (codes.includes('borescope')) expect(codes.indexOf('borescope')).toBeGreaterThan(codes.indexOf('smoke'));
  });
});

describe('from a picture to sentences', () => {
  const setting = settingOf(AIR);
  const studs = linesAt(30, 60);
  const box = boxAt(93, 60, 54, 110);
  const { candidates } = lookThrough(
    testWall(320, 240, (x, y) => -0.8 * studs(x) * (1 - box(x, y)) - 2.2 * box(x, y)),
    INSIDE,
  );

  test('a bare bay between studs is called one, with its numbers in either unit', () => {
    expect(candidates).toHaveLength(1);
    const measured = measuredOf(candidates[0]!, setting);
    expect(measured.evidence).toMatchObject({ form: 'box', framing: 'bay', sign: 'loss', tone: 'colder', begins: 'free' });
    const [first] = rankCauses(known(measured.evidence));
    expect(first!.cause.code).toBe('missing-insulation');
    const says = (unit: 'C' | 'F') =>
      argumentSentences(first!.for, first!.cause, measured, unit)
        .map(({ words }) => words)
        .join(' ');
    expect(says('C')).toMatch(/sides lie on lines of the framing/);
    expect(says('C')).toMatch(/2\.\d K/);
    expect(says('F')).toMatch(/3\.\d °F|4\.\d °F/);
    expect(says('F')).not.toMatch(/ K\b/);
  });

  test('what speaks against a cause says what that cause usually shows', () => {
    const measured = measuredOf(candidates[0]!, setting);
    const leak = rankCauses(known(measured.evidence)).find(({ cause }) => cause.code === 'air-leak')!;
    const words = argumentSentences(leak.against, leak.cause, measured, 'C').map((one) => one.words);
    expect(words.join(' ')).toMatch(/; air feathers out from a crack\./);
    expect(words.every((sentence) => /^[A-Z].*\.$/.test(sentence))).toBe(true);
  });

  test('on a known side colder and warmer, loss and gain are one fact, and one sentence', () => {
    const measured = measuredOf(candidates[0]!, setting);
    expect(measured.evidence.sign).toBe('loss');
    for (const { for: pro, against } of rankCauses(known(measured.evidence))) {
      const said = [...pro, ...against].filter(({ kind, ...one }) => kind === 'trait' && 'trait' in one && (one.trait === 'tone' || one.trait === 'sign')); // prettier-ignore
      expect(said.length).toBeLessThanOrEqual(1);
    }
  });

  test('air that no house has is refused', () => {
    expect(() => settingOf({ ...AIR, insideC: 400 })).toThrow(expect.objectContaining({ code: 'out_of_range' }));
    expect(() => settingOf({ ...AIR, humidity: 1.4 })).toThrow(expect.objectContaining({ code: 'out_of_range' }));
    expect(settingOf({ ...AIR, humidity: null })).toMatchObject({ wetBulbC: null, dewPointC: null });
    expect(settingOf(AIR).dewPointC).toBeCloseTo(9.3, 1);
  });

  test('what was argued is stored and argued again the same; what later versions do not know is left out', () => {
    const argued = {
      measured: measuredOf(candidates[0]!, setting),
      circumstances: ['framed' as const],
      outcomes: [{ check: 'smoke' as const, outcome: 'still', at: 5, note: '' }],
    };
    const stored = arguedSchema.parse(JSON.parse(JSON.stringify(argued)));
    expect(rankCauses(knownOf(stored))[0]!.score).toBeCloseTo(rankCauses(knownOf(argued))[0]!.score, 9);
    const old = JSON.parse(JSON.stringify(argued)) as { measured: { evidence: Record<string, string> }; circumstances: string[] };
    old.measured.evidence['mood'] = 'gloomy';
    old.measured.evidence['form'] = 'cloud';
    old.circumstances.push('full-moon');
    const read = arguedSchema.parse(old);
    expect(read.measured.evidence).not.toHaveProperty('mood');
    expect(read.measured.evidence).not.toHaveProperty('form');
    expect(read.circumstances).toEqual(['framed']);
  });

  test('where nothing at all is seen, causes stand as often as they are met', () => {
    const ranked = rankCauses(known({}));
    const score = (code: string) => ranked.find(({ cause }) => cause.code === code)!.score;
    expect(score('air-leak') / score('moisture')).toBeCloseTo(causeOf('air-leak').prior / causeOf('moisture').prior, 9);
    expect(score('unknown')).toBeGreaterThan(0.03);
  });
});
