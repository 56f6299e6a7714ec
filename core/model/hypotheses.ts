/** What a damp patch or a loss of water may come from. */
export const HYPOTHESES = [
  'hot-pipe',
  'cold-pipe',
  'heating-pipe',
  'drain',
  'fixture-above',
  'rain',
  'condensation',
  'none',
] as const;
export type Hypothesis = (typeof HYPOTHESES)[number];

/** What is done to tell them apart. */
export const HUNT_STEPS = [
  'meter-still',
  'meter-hot-off',
  'meter-heating-off',
  'listen',
  'warms-hot',
  'standing-cools',
  'cools-cold',
  'fixtures',
  'drain-warm',
  'after-rain',
  'dew-point',
] as const;
export type HuntStep = (typeof HUNT_STEPS)[number];

export const OUTCOMES = ['yes', 'no', 'unclear'] as const;
export type StepOutcome = (typeof OUTCOMES)[number];

/** How common each is among calls, before anything was done. */
const PRIORS: Record<Hypothesis, number> = {
  'hot-pipe': 0.2,
  'cold-pipe': 0.14,
  'heating-pipe': 0.14,
  drain: 0.12,
  'fixture-above': 0.12,
  rain: 0.12,
  condensation: 0.11,
  none: 0.05,
};

/**
 * How often each step comes out with yes, if the hypothesis is true. What is not named comes out so as often as not, and says
 * nothing.
 */
const YES: Record<HuntStep, Partial<Record<Hypothesis, number>>> = {
  'meter-still': {
    'hot-pipe': 0.06,
    'cold-pipe': 0.05,
    'heating-pipe': 0.9,
    drain: 0.95,
    'fixture-above': 0.7,
    rain: 0.97,
    condensation: 0.97,
    none: 0.97,
  },
  'meter-hot-off': { 'hot-pipe': 0.92, 'cold-pipe': 0.05 },
  'meter-heating-off': {
    'heating-pipe': 0.9,
    'hot-pipe': 0.1,
    'cold-pipe': 0.1,
    drain: 0.1,
    rain: 0.1,
    condensation: 0.1,
    none: 0.05,
  },
  listen: { 'hot-pipe': 0.7, 'cold-pipe': 0.7, 'heating-pipe': 0.4, drain: 0.1, rain: 0.05, condensation: 0.02, none: 0.03 },
  // A leak that has run for weeks has warmed the floor already, and one may lie beside the view.
  'warms-hot': {
    'hot-pipe': 0.7,
    'heating-pipe': 0.1,
    'cold-pipe': 0.03,
    drain: 0.25,
    rain: 0.02,
    condensation: 0.02,
    none: 0.03,
  },
  // A place that is warm before anything is run, with the hot side shut for an hour or two. The sun's wanes by itself too.
  'standing-cools': {
    'hot-pipe': 0.85,
    'heating-pipe': 0.15,
    'cold-pipe': 0.1,
    drain: 0.2,
    'fixture-above': 0.2,
    rain: 0.1,
    condensation: 0.1,
    none: 0.25,
  },
  'cools-cold': { 'cold-pipe': 0.6, 'hot-pipe': 0.03, 'heating-pipe': 0.03, rain: 0.03, condensation: 0.1, none: 0.03 },
  fixtures: {
    'fixture-above': 0.9,
    drain: 0.5,
    'hot-pipe': 0.05,
    'cold-pipe': 0.05,
    'heating-pipe': 0.03,
    rain: 0.03,
    condensation: 0.03,
    none: 0.02,
  },
  'drain-warm': {
    drain: 0.75,
    'fixture-above': 0.3,
    'hot-pipe': 0.05,
    'cold-pipe': 0.02,
    'heating-pipe': 0.02,
    rain: 0.02,
    condensation: 0.02,
    none: 0.02,
  },
  'after-rain': {
    rain: 0.92,
    drain: 0.2,
    condensation: 0.1,
    'hot-pipe': 0.05,
    'cold-pipe': 0.05,
    'heating-pipe': 0.05,
    'fixture-above': 0.05,
    none: 0.05,
  },
  'dew-point': {
    condensation: 0.93,
    'cold-pipe': 0.35,
    rain: 0.3,
    'hot-pipe': 0.1,
    'heating-pipe': 0.05,
    'fixture-above': 0.2,
    drain: 0.2,
    none: 0.05,
  },
};
const SAYS_NOTHING = 0.5;

export type StepsDone = Partial<Record<HuntStep, { outcome: StepOutcome }>>;

/**
 * How likely each hypothesis is after the steps that were done, the likeliest first (Bayes' rule; what a step says of one does
 * not hang on the others; some pairs of checks decide).
 *
 * @returns shares that add up to 1
 */
export function weighed(steps: StepsDone): { hypothesis: Hypothesis; share: number }[] {
  const weights = HYPOTHESES.map((hypothesis) => {
    let weight = PRIORS[hypothesis];
    for (const [step, { outcome }] of Object.entries(steps) as [HuntStep, { outcome: StepOutcome }][]) {
      if (outcome === 'unclear') continue;
      const yes = YES[step][hypothesis] ?? SAYS_NOTHING;
      weight *= outcome === 'yes' ? yes : 1 - yes;
    }
    return { hypothesis, weight };
  });
  const all = weights.reduce((sum, { weight }) => sum + weight, 0);
  const shares = decided(new Map(weights.map(({ hypothesis, weight }) => [hypothesis, weight / all])), steps);
  return [...shares].map(([hypothesis, share]) => ({ hypothesis, share })).sort((a, b) => b.share - a.share);
}

/**
 * What a pair of checks decides between them: a meter that runs with all taps shut and stops with the hot side shut is a leak on
 * that side, whatever a camera saw; one that goes on is not.
 */
const DECISIVE: readonly { steps: readonly [HuntStep, StepOutcome][]; hypothesis: Hypothesis; least: number }[] = [
  {
    steps: [
      ['meter-still', 'no'],
      ['meter-hot-off', 'yes'],
    ],
    hypothesis: 'hot-pipe',
    least: 0.9,
  },
  {
    steps: [
      ['meter-still', 'no'],
      ['meter-hot-off', 'no'],
    ],
    hypothesis: 'cold-pipe',
    least: 0.85,
  },
  {
    steps: [
      ['meter-still', 'yes'],
      ['meter-heating-off', 'yes'],
    ],
    hypothesis: 'heating-pipe',
    least: 0.9,
  },
];

/** Shares with what pairs of checks decide: at least so much for what they point to, the others in proportion. */
function decided(shares: Map<Hypothesis, number>, steps: StepsDone): Map<Hypothesis, number> {
  const pair = DECISIVE.find((one) => one.steps.every(([step, outcome]) => steps[step]?.outcome === outcome));
  const share = pair ? shares.get(pair.hypothesis)! : 1;
  if (!pair || share >= pair.least) return shares;
  const left = (1 - pair.least) / Math.max(1e-12, 1 - share);
  return new Map([...shares].map(([one, value]) => [one, one === pair.hypothesis ? pair.least : value * left]));
}

/** How much an outcome speaks for or against a hypothesis: above 1 for it. */
export function speaksFor(step: HuntStep, outcome: StepOutcome, hypothesis: Hypothesis): number {
  if (outcome === 'unclear') return 1;
  const yes = (h: Hypothesis) => YES[step][h] ?? SAYS_NOTHING;
  const of = (h: Hypothesis) => (outcome === 'yes' ? yes(h) : 1 - yes(h));
  const others = HYPOTHESES.filter((h) => h !== hypothesis);
  const mean = others.reduce((sum, h) => sum + PRIORS[h] * of(h), 0) / others.reduce((sum, h) => sum + PRIORS[h], 0);
  return of(hypothesis) / mean;
}

/** The step that would tell most, of those that were not done: by how much doubt it takes away on the average. */
export function nextStep(steps: StepsDone): HuntStep | null {
  const shares = weighed(steps);
  const doubt = (list: readonly { share: number }[]) =>
    list.reduce((sum, { share }) => sum - (share > 0 ? share * Math.log(share) : 0), 0);
  let best: { step: HuntStep; left: number } | null = null;
  for (const step of HUNT_STEPS) {
    if (steps[step]) continue;
    const yes = shares.reduce((sum, { hypothesis, share }) => sum + share * (YES[step][hypothesis] ?? SAYS_NOTHING), 0);
    const left =
      yes * doubt(weighed({ ...steps, [step]: { outcome: 'yes' } })) +
      (1 - yes) * doubt(weighed({ ...steps, [step]: { outcome: 'no' } }));
    if (!best || left < best.left) best = { step, left };
  }
  return best?.step ?? null;
}
