/** What a finding rests on, the strongest first. What it allows to be said is in `BASIS_CONFIDENCE`. */
export const BASES = ['pair', 'side-by-side', 'typed', 'shape', 'picture', 'nothing', 'unsolved'] as const;
export type FindingBasis = (typeof BASES)[number];

/** What people choose from. */
export const BASIS_WORDS: Record<FindingBasis, string> = {
  pair: 'This against that',
  'side-by-side': 'Side by side',
  typed: 'A value that was typed',
  shape: 'Its shape alone',
  picture: 'A picture without data',
  nothing: 'Nothing seen',
  unsolved: 'Unsolved',
};

/** How sure the report may be, in a sentence. */
export const BASIS_CONFIDENCE: Record<FindingBasis, string> = {
  pair: 'Measured: two regions and their difference. What causes it is a likelihood until a check has settled it.',
  'side-by-side': 'Compared in one scale: frames of the same hour say which is warmer, not why.',
  typed: 'By a value that was typed from an instrument. It holds for the point that was touched.',
  shape: 'By its shape alone: it was seen and nothing was measured. How much it matters is not known from this.',
  picture: 'By a picture without temperatures: it shows where, and nothing was measured on it.',
  nothing: 'Nothing was seen. That speaks for the place only as far as the conditions would have shown a fault.',
  unsolved: 'Unsolved: what was seen has more than one likely cause, and the next check is named.',
};

/** What became of a finding within the visit. */
export const FINDING_STATES = ['open', 'closed', 'accepted'] as const;
export type FindingState = (typeof FINDING_STATES)[number];

export const STATE_WORDS: Record<FindingState, string> = {
  open: 'Still to do',
  closed: 'Closed now',
  accepted: 'Accepted as it is',
};
